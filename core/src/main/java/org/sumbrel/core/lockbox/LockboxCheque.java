package org.sumbrel.core.lockbox;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.RemittanceItem;

/**
 * One cheque that the mail room took out of an envelope.
 *
 * @param item its number in the batch, as the bank counts
 * @param number the cheque's own number, without leading zeros; may be empty
 * @param routing nine digits of its code line; may be empty
 * @param account the drawer's account; may be empty
 * @param amount positive
 * @param payerName as far as the mail room read it
 * @param date on the cheque, or its postmark, where the bank tells it
 * @param items what the slip in the envelope says it pays
 */
public record LockboxCheque(
    String item,
    String number,
    String routing,
    String account,
    Money amount,
    String payerName,
    Optional<LocalDate> date,
    List<RemittanceItem> items) {

  public LockboxCheque {
    items = List.copyOf(items);
  }

  /** By what a cheque is told from all others, as far as the mail room read it. */
  public record Face(String routing, String account, String number, Money amount) {}

  /** Its face. */
  public Face face() {
    return new Face(routing, account, number, amount);
  }

  /** What its items come to. */
  public Money itemTotal() {
    return MoneySum.of(amount.getCurrencyUnit(), items, RemittanceItem::counts);
  }

  /**
   * What the cheque is more (positive) or less than its items; zero where it has none, since they
   * say nothing then.
   */
  public Money beyondItems() {
    return items.isEmpty() ? Money.zero(amount.getCurrencyUnit()) : amount.minus(itemTotal());
  }
}
