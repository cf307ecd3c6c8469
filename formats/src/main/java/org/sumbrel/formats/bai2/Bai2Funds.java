package org.sumbrel.formats.bai2;

import java.math.BigDecimal;
import java.util.Optional;
import org.sumbrel.formats.FileAmount;

/**
 * When money of a record is there: type 0, 1, 2 or Z alone, V with a day and a time, S with amounts
 * for today, the next day and later, D with a number of days and amounts.
 */
final class Bai2Funds {

  private static final int MOST_PARTS = 999;

  private final int next;
  private String valueDate = "";
  private BigDecimal parts;
  private String wrong = "";

  /**
   * @param at the field that holds the funds type
   */
  Bai2Funds(Bai2Record record, int at) {
    switch (record.field(at)) {
      case "V" -> {
        valueDate = record.field(at + 1);
        if (record.field(at + 2).matches("(?:\\d{4})?")) {
          next = at + 3;
        } else {
          wrong =
              "the funds type V is followed by a day and \""
                  + FileAmount.shortened(record.field(at + 2))
                  + "\", which is no time; it is read as the reference";
          next = at + 2;
        }
      }
      case "S" -> {
        parts = BigDecimal.ZERO;
        for (var n = 1; n <= 3; n++) {
          add(record.field(at + n));
        }
        next = at + 4;
      }
      case "D" -> {
        var written = record.field(at + 1);
        if (written.matches("\\d{1,3}") && Integer.parseInt(written) <= MOST_PARTS) {
          var count = Integer.parseInt(written);
          parts = BigDecimal.ZERO;
          for (var n = 0; n < count; n++) {
            add(record.field(at + 3 + 2 * n));
          }
          next = at + 2 + 2 * count;
        } else {
          wrong = "the funds type D is not followed by a number of parts";
          next = at + 2;
        }
      }
      default -> {
        if (!record.field(at).matches("[012Z]?")) {
          wrong = "\"" + record.field(at) + "\" is none of the funds types 0, 1, 2, S, V, D, Z";
        }
        next = at + 1;
      }
    }
  }

  private void add(String amount) {
    var minor = Bai2Amounts.minor(amount.isEmpty() ? "0" : amount);
    if (minor.isEmpty()) {
      wrong =
          "\""
              + FileAmount.shortened(amount)
              + "\" is no part of the funds, a whole number in the currency's smallest unit";
    }
    parts = parts.add(minor.orElse(BigDecimal.ZERO));
  }

  /** The field after what belongs to the funds. */
  int next() {
    return next;
  }

  /** {@code YYMMDD}, or empty. */
  String valueDate() {
    return valueDate;
  }

  /** What is wrong with it, where the parts do not add up to the amount. */
  Optional<String> complaint(BigDecimal amount) {
    if (!wrong.isEmpty()) {
      return Optional.of(wrong);
    }
    return parts == null || parts.compareTo(amount) == 0
        ? Optional.empty()
        : Optional.of(
            "the funds of an amount of "
                + amount.toPlainString()
                + " come to "
                + parts.toPlainString()
                + ", in the smallest unit of the currency");
  }
}
