package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;

/**
 * What a payer says about one payment.
 *
 * @param trace by which the payment and the advice are told to belong together, or empty
 * @param date of the payment, where it is said
 * @param total of the payment, as the payer claims it
 */
public record RemittanceAdvice(
    String trace,
    Optional<LocalDate> date,
    String payerName,
    Money total,
    List<RemittanceItem> items) {

  public RemittanceAdvice {
    items = List.copyOf(items);
  }

  /** What is paid of all documents together, and more or less for none of them. */
  public Money sum() {
    return items.stream()
        .map(RemittanceItem::counts)
        .reduce(Money.zero(total.getCurrencyUnit()), Money::plus);
  }
}
