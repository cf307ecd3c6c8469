/**
 * How a receipt becomes settled items: drafts, adjustments, tolerances, settlements and their
 * reversal.
 */
package org.sumbrel.core.settle;
