package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;

/**
 * An invoice.
 *
 * @param total what was invoiced, positive or zero
 * @param open what is left of it, from zero to {@code total}
 * @param orderReference the customer's order number, or empty
 * @param creditorReference the structured reference printed on it (ISO 11649), or empty
 * @param terms the discount for paying early, if one is granted
 */
public record Invoice(
    String id,
    String companyId,
    String customerId,
    String number,
    LocalDate issuedOn,
    LocalDate dueOn,
    Money total,
    Money open,
    String orderReference,
    String creditorReference,
    Optional<EarlyPaymentTerms> terms)
    implements OpenItem {

  public Invoice {
    if (total.isNegative()) {
      throw new IllegalArgumentException(
          "invoice " + number + " has the negative total " + total.getAmount());
    }
    OpenItem.requireWithinTotal(number, total, open);
  }

  @Override
  public Invoice withOpen(Money balance) {
    return new Invoice(
        id,
        companyId,
        customerId,
        number,
        issuedOn,
        dueOn,
        total,
        balance,
        orderReference,
        creditorReference,
        terms);
  }

  /**
   * The discount earned by letting this invoice fall by {@code amount} on a day: zero when late or
   * where no discount was granted; of a part, in proportion.
   */
  public Money discountEarned(Money amount, LocalDate paidOn, int graceDays) {
    return terms
        .map(granted -> granted.earned(amount, issuedOn, paidOn, graceDays))
        .orElse(Money.zero(total.getCurrencyUnit()));
  }
}
