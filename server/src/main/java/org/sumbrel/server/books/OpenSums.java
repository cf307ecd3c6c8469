package org.sumbrel.server.books;

import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.server.books.ItemsAt.ItemAt;
import org.sumbrel.server.customers.OpenItemEntity.Kind;

/** What is open on the accounts of all customers of a company in one currency. */
@Component
@Transactional(readOnly = true)
public class OpenSums {

  private final ItemsAt items;

  OpenSums(ItemsAt items) {
    this.items = items;
  }

  /**
   * The sums.
   *
   * @param ageing of all that is open, what we owe against it
   * @param onAccount money that is not applied, positive
   * @param claims on customers
   */
  public record Open(Ageing ageing, Money onAccount, Money claims) {}

  /** Those of a day; {@code past} where it is over. */
  public Open of(Long company, CurrencyUnit currency, LocalDate on, boolean past) {
    var open = items.at(company, currency, past ? on : null);
    return new Open(
        Ageing.of(currency, open, on),
        sum(currency, open, Kind.ON_ACCOUNT).negated(),
        sum(currency, open, Kind.CLAIM));
  }

  private static Money sum(CurrencyUnit currency, Iterable<ItemAt> open, Kind kind) {
    var sum = Money.zero(currency);
    for (var item : open) {
      if (item.kind() == kind) {
        sum = sum.plus(item.open());
      }
    }
    return sum;
  }
}
