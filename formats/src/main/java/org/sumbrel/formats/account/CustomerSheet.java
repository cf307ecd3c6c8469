package org.sumbrel.formats.account;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.core.receivables.OpenItem;

/**
 * What a customer's statement says, in the currency in which he owes.
 *
 * @param company who sends it
 * @param customer to whom
 * @param number the customer's number
 * @param statement the movements with their balances
 * @param ageing of what is open on the last day
 * @param open what is open, oldest first
 * @param inBooks what the closing balance is in the currency of the books, where that was asked for
 */
public record CustomerSheet(
    String company,
    String customer,
    String number,
    CustomerStatement statement,
    Ageing ageing,
    List<? extends OpenItem> open,
    Optional<InBooks> inBooks) {

  /**
   * A balance in the currency of the books.
   *
   * @param closing at the rate, rounded to the digits of that currency
   * @param words at which rate, of which day
   */
  public record InBooks(Money closing, String words) {}
}
