/**
 * What goes out: the journal for the general ledger, each entry once unless somebody wants it
 * again, and what was applied, for whoever needs the remittance back.
 */
package org.sumbrel.server.exports;
