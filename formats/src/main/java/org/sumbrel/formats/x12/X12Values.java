package org.sumbrel.formats.x12;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Reading;

/** Amounts and days of segments; what cannot be read is told with its place. */
record X12Values(Reading reading) {

  /** The amount in an element; empty where it is left out or cannot be read. */
  Optional<Money> amount(X12Segment segment, int element, CurrencyUnit currency) {
    var text = segment.element(element);
    if (text.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(FileAmount.parse(text, currency));
    } catch (IllegalArgumentException e) {
      wrong(segment, e.getMessage());
      return Optional.empty();
    }
  }

  /** The day in an element; empty where it is left out or cannot be read. */
  Optional<LocalDate> day(X12Segment segment, int element) {
    var text = segment.element(element);
    if (text.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(FileDate.basic(text));
    } catch (DateTimeException e) {
      wrong(segment, "\"" + FileAmount.shortened(text) + "\" is not a date such as 20260529");
      return Optional.empty();
    }
  }

  void wrong(X12Segment segment, String message) {
    reading.wrong(segment.line(), segment.place() + ": " + message);
  }
}
