/** Writers of the journal for the general ledger outside. */
package org.sumbrel.formats.journal;
