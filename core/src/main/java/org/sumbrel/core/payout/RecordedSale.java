package org.sumbrel.core.payout;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;

/**
 * A receipt of a card, or of a marketplace, that was recorded before the payout came and is not
 * paid out yet.
 *
 * @param references what stands on it, and the numbers and orders of what it pays
 * @param from who paid, as far as it is known; may be empty
 */
public record RecordedSale(
    String id, LocalDate on, Money amount, List<String> references, String from) {

  public RecordedSale {
    references = List.copyOf(references);
  }
}
