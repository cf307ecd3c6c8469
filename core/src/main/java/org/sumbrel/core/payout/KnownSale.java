package org.sumbrel.core.payout;

import org.joda.money.Money;

/**
 * A sale of an earlier payout, or of this one.
 *
 * @param key the processor's own number of it; may be empty
 * @param reference the order or invoice it was for; may be empty
 * @param left what has not been taken back of it yet
 */
public record KnownSale(String id, String key, String reference, Money left) {}
