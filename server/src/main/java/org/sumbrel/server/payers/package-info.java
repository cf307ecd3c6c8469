/** What was learned of payers: which names and accounts stand for which customer. */
package org.sumbrel.server.payers;
