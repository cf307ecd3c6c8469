package org.sumbrel.core.receivables;

import java.util.Locale;
import java.util.Optional;

/** How money came, as far as the bank's words tell. */
public enum PaidBy {
  CHEQUE,
  CASH,
  CARD,
  TRANSFER;

  /** What of these a word means; empty where none. */
  public static Optional<PaidBy> read(String word) {
    return switch (word.toLowerCase(Locale.ROOT)) {
      case "cheque", "check" -> Optional.of(CHEQUE);
      case "cash" -> Optional.of(CASH);
      case "card" -> Optional.of(CARD);
      case "transfer", "wire" -> Optional.of(TRANSFER);
      default -> Optional.empty();
    };
  }

  /**
   * How an entry came: by cheque where the bank gives a cheque number, in cash or by card where its
   * words say so, else by transfer.
   *
   * @param told all words of the entry
   */
  public static PaidBy of(String checkNumber, String told) {
    if (!checkNumber.isBlank()) {
      return CHEQUE;
    }
    var words = told.toLowerCase(Locale.ROOT);
    if (words.contains("cash")) {
      return CASH;
    }
    return words.contains("card") ? CARD : TRANSFER;
  }
}
