package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * One balanced entry of a company's journal.
 *
 * @param bookedOn the day it counts for
 * @param text what happened, in words
 * @param lines at least two; they add up to zero in each currency
 */
public record JournalEntry(
    String companyId, LocalDate bookedOn, String text, List<JournalLine> lines) {

  public JournalEntry {
    lines = List.copyOf(lines);
    if (lines.size() < 2) {
      throw new IllegalArgumentException(
          "a journal entry needs two lines, \"" + text + "\" has " + lines.size());
    }
    var sums = new HashMap<CurrencyUnit, Money>();
    for (var line : lines) {
      sums.merge(line.amount().getCurrencyUnit(), line.amount(), Money::plus);
    }
    for (var sum : sums.values()) {
      if (!sum.isZero()) {
        throw new IllegalArgumentException("\"" + text + "\" does not balance: off by " + sum);
      }
    }
  }

  /** The entry that takes this one back: the same lines with the other sign. */
  public JournalEntry mirrored(LocalDate on, String why) {
    var mirror =
        lines.stream()
            .map(
                l -> new JournalLine(l.role(), l.accountId(), l.customerId(), l.amount().negated()))
            .toList();
    return new JournalEntry(companyId, on, why, mirror);
  }
}
