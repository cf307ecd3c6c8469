/** The double-entry record that every settlement, open item and reversal writes. */
package org.sumbrel.core.journal;
