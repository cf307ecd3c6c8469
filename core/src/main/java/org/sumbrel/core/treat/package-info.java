/**
 * Treatments: what is decided once for bank entries that say the same again and again, such as
 * charges and interest. They go to accounts, with tax, under a cap, and never take money that pays
 * an invoice.
 */
package org.sumbrel.core.treat;
