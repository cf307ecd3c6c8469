package org.sumbrel.core.propose;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.sumbrel.core.receivables.ClaimReason;

/**
 * Why a payer says that he holds something back.
 *
 * @param written as it stands in the text
 */
record ReasonInText(ClaimReason reason, String written) {

  /** Common practice, no source: the words that payers use, in the languages of the demo. */
  private static final Map<ClaimReason, Pattern> WORDS = new LinkedHashMap<>();

  static {
    words(
        ClaimReason.DAMAGED,
        "damage[ds]?|damaged goods|broken|torn|defect\\w*|spoil\\w*|besch\\p{L}+digt");
    words(
        ClaimReason.SHORT_DELIVERY,
        "short[- ]?(?:deliver\\w*|shipp\\w*|ship)|shortage|missing|fehlmenge");
    words(ClaimReason.RETURNED, "returns?|returned|retoure|refused");
    words(ClaimReason.PRICE, "price|pricing|overcharge\\w*|preis\\w*|discrepan\\w*");
    words(ClaimReason.FREIGHT, "freight|carriage|shipping|fracht");
    words(
        ClaimReason.OTHER,
        "deduct\\w*|dispute\\w*|claim|complaint|rebate|allowance|withheld|abzug");
  }

  private static void words(ClaimReason reason, String words) {
    WORDS.put(
        reason,
        Pattern.compile(
            // a bank's line may end within a word
            "\\b(?:" + words.replaceAll("(?<=\\p{L})(?=\\p{L})", " ?") + ")\\b",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS));
  }

  static Optional<ReasonInText> of(String text) {
    for (var reason : WORDS.entrySet()) {
      var found = reason.getValue().matcher(text);
      if (found.find()) {
        return Optional.of(new ReasonInText(reason.getKey(), found.group()));
      }
    }
    return Optional.empty();
  }
}
