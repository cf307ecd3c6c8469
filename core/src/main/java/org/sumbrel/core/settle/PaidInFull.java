package org.sumbrel.core.settle;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;

/**
 * Items that are paid in full together: each as it stands open, and each less the discount that is
 * earned on a day.
 *
 * @param applications one for each item, with the discount earned
 */
public record PaidInFull(CurrencyUnit currency, List<Application> applications) {

  public PaidInFull {
    applications = List.copyOf(applications);
  }

  /**
   * What it takes to pay these items on a day.
   *
   * @param graceDays days after which a discount is granted still
   */
  public static PaidInFull on(
      LocalDate day, CurrencyUnit currency, List<? extends OpenItem> items, int graceDays) {
    var zero = Money.zero(currency);
    return new PaidInFull(
        currency,
        items.stream()
            .map(
                item ->
                    new Application(
                        item,
                        item.open(),
                        item instanceof Invoice invoice
                            ? invoice.discountEarned(invoice.open(), day, graceDays)
                            : zero))
            .toList());
  }

  /** All that is open of them. */
  public Money open() {
    return MoneySum.of(currency, applications, Application::amount);
  }

  /** The same less the discounts. */
  public Money net() {
    return MoneySum.of(currency, applications, Application::taken);
  }

  /** How this amount pays all of them to the cent, with the discounts or without; else empty. */
  public Optional<List<Application>> by(Money amount) {
    if (applications.isEmpty()) {
      return Optional.empty();
    }
    if (net().equals(amount)) {
      return Optional.of(applications);
    }
    return open().equals(amount)
        ? Optional.of(applications.stream().map(a -> Application.of(a.item(), a.amount())).toList())
        : Optional.empty();
  }
}
