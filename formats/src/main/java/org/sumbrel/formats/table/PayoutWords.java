package org.sumbrel.formats.table;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.sumbrel.core.payout.PayoutItemType;

/** What the words of a payout file's column of types mean, where nobody has said otherwise. */
final class PayoutWords {

  /** A line that tells what was left of the payout before, and is no item. */
  private static final List<String> PREVIOUS =
      List.of("previous balance", "balance before", "brought forward", "opening balance");

  private static final Map<String, PayoutItemType> USUAL = new HashMap<>();

  static {
    usual(PayoutItemType.SALE, "sale", "order", "payment");
    usual(PayoutItemType.REFUND, "refund", "return");
    usual(PayoutItemType.FEE, "fee", "commission", "service fee", "processing fee");
    usual(PayoutItemType.FEE_REFUND, "fee refund", "fee returned", "commission refund");
    usual(PayoutItemType.CHARGEBACK, "chargeback", "dispute");
    usual(
        PayoutItemType.CHARGEBACK_REVERSAL, "chargeback reversal", "chargeback won", "dispute won");
    usual(PayoutItemType.RESERVE_HELD, "reserve", "reserve held");
    usual(PayoutItemType.RESERVE_RELEASED, "reserve released", "reserve release");
    usual(PayoutItemType.ADJUSTMENT, "adjustment", "correction");
    usual(PayoutItemType.CONVERSION, "conversion", "currency conversion", "exchange");
    usual(PayoutItemType.TRANSFER, "transfer", "payout", "paid out");
  }

  private PayoutWords() {}

  private static void usual(PayoutItemType type, String... words) {
    for (var word : words) {
      USUAL.put(word, type);
    }
  }

  /**
   * What a word means.
   *
   * @param said what somebody said that words mean, by the word in plain letters
   */
  static Optional<PayoutItemType> meaning(String word, Map<String, PayoutItemType> said) {
    var plain = Headings.plain(word);
    return Optional.ofNullable(said.getOrDefault(plain, USUAL.get(plain)));
  }

  /** Whether the line tells the previous balance. */
  static boolean previous(String word) {
    return PREVIOUS.contains(Headings.plain(word));
  }
}
