/** Deposit slips, for the counter of the bank. */
package org.sumbrel.formats.deposit;
