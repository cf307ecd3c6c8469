package org.sumbrel.server.desk;

import java.math.MathContext;
import org.joda.money.Money;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.money.MoneyText;

/**
 * How the bank converted a payment, in its own figures.
 *
 * @param instructed what the payer ordered, in his currency
 * @param charges what the bank kept of it, in the account's currency
 */
public record BankConversion(Money instructed, Money charges) {

  /**
   * The bank's rate: what it booked and kept, for one unit of what was instructed; to so many
   * figures that it leads back to the cent.
   */
  public RateUsed used(Money booked) {
    var whole = booked.plus(charges);
    return new RateUsed(
        new Rate(
            instructed.getCurrencyUnit(),
            booked.getCurrencyUnit(),
            whole.getAmount().divide(instructed.getAmount(), MathContext.DECIMAL64)),
        Source.BANK,
        "the bank's own: "
            + words(instructed)
            + " instructed, "
            + words(booked)
            + " booked"
            + (charges.isZero() ? "" : ", " + words(charges) + " kept"));
  }

  private static String words(Money money) {
    return MoneyText.grouped(money) + " " + money.getCurrencyUnit();
  }
}
