/** Exact amounts: sums, words and minor units over Joda-Money. */
package org.sumbrel.core.money;
