/** House rules, and what is done with bank entries that are no receipts. */
package org.sumbrel.server.treat;
