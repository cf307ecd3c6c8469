/**
 * Payouts of card processors and marketplaces: what a net amount is made of, what each item belongs
 * to, and what is booked of it.
 */
package org.sumbrel.core.payout;
