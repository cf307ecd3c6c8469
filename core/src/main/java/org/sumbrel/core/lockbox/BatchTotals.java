package org.sumbrel.core.lockbox;

import java.util.Collection;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

/**
 * The control total of a batch and what it is made of: {@code control = applied + onAccount +
 * differences + toAccounts + left}, to the cent.
 *
 * @param cheques how many there are
 * @param control what they come to
 * @param left what nobody has explained yet
 */
public record BatchTotals(
    int cheques,
    Money control,
    Money applied,
    Money onAccount,
    Money differences,
    Money toAccounts,
    Money left) {

  /** The totals of these cheques. */
  public static BatchTotals of(CurrencyUnit currency, Collection<ChequeUse> uses) {
    return new BatchTotals(
        uses.size(),
        sum(currency, uses, ChequeUse::amount),
        sum(currency, uses, ChequeUse::applied),
        sum(currency, uses, ChequeUse::onAccount),
        sum(currency, uses, ChequeUse::differences),
        sum(currency, uses, ChequeUse::toAccounts),
        sum(currency, uses, ChequeUse::left));
  }

  private static Money sum(
      CurrencyUnit currency, Collection<ChequeUse> uses, Function<ChequeUse, Money> part) {
    return MoneySum.of(currency, uses, part);
  }
}
