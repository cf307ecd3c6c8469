/** Rates between currencies, and what a change at another rate brings or costs. */
package org.sumbrel.core.exchange;
