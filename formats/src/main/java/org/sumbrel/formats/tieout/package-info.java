/** The reconciliation statement of a bank account on paper. */
package org.sumbrel.formats.tieout;
