package org.sumbrel.formats.remittance;

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
    List<RemittanceItem> items,
    int line) {

  public RemittanceAdvice {
    items = List.copyOf(items);
  }
}
