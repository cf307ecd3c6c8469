package org.sumbrel.core.settle;

/**
 * How much somebody may decide alone, by kind of difference. All differences of a kind in a draft
 * count together.
 *
 * @param writeOff small differences, of what is applied
 * @param fee fees withheld, of what is applied
 * @param unearnedDiscount discounts granted late, of what is applied
 * @param refund money promised back, of what was received
 * @param exchange what is lost or won against the rate of the day where a payment counts in another
 *     currency, of what counts there
 */
public record Limits(
    Tolerance writeOff,
    Tolerance fee,
    Tolerance unearnedDiscount,
    Tolerance refund,
    Tolerance exchange) {}
