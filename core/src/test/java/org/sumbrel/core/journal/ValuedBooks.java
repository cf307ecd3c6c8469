package org.sumbrel.core.journal;

import java.math.RoundingMode;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.receivables.OpenItem;

/** Books with a rate of the day for each currency, and what each item stands in them with. */
record ValuedBooks(CurrencyUnit books, Map<CurrencyUnit, Rate> day, Map<String, Money> worth)
    implements Worths {

  @Override
  public Money ofDay(Money amount) {
    return amount.getCurrencyUnit().equals(books)
        ? amount
        : day.get(amount.getCurrencyUnit()).of(amount);
  }

  @Override
  public Money ofItem(OpenItem item, Money part) {
    var all = worth.get(item.id());
    return part.equals(item.open())
        ? all
        : Money.of(
            books,
            all.getAmount()
                .multiply(part.getAmount())
                .divide(item.open().getAmount(), 20, RoundingMode.HALF_EVEN),
            RoundingMode.HALF_EVEN);
  }
}
