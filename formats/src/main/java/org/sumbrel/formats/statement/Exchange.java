package org.sumbrel.formats.statement;

import java.math.BigDecimal;
import java.util.Optional;
import org.joda.money.Money;

/**
 * How the bank converted a payment, in its own words.
 *
 * @param instructed what the payer ordered, in his currency, where it is said
 * @param source the currency converted from, or empty
 * @param target the currency converted into, or empty
 * @param unit the currency of which one unit costs the rate, or empty
 * @param rate where it is said
 */
public record Exchange(
    Optional<Money> instructed,
    String source,
    String target,
    String unit,
    Optional<BigDecimal> rate) {}
