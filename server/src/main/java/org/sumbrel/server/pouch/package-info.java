/** Receipts in the office, the deposits they are banked in, and what the bank shows of these. */
package org.sumbrel.server.pouch;
