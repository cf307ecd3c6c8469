package org.sumbrel.core.settle;

/**
 * How much somebody may decide alone, by kind of difference. All differences of a kind in a draft
 * count together.
 *
 * @param writeOff small differences, of what is applied
 * @param fee fees withheld, of what is applied
 * @param unearnedDiscount discounts granted late, of what is applied
 * @param refund money promised back, of what was received
 */
public record Limits(
    Tolerance writeOff, Tolerance fee, Tolerance unearnedDiscount, Tolerance refund) {}
