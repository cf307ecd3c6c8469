package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.Rate;

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

  /**
   * What its lines are worth together in the currency of the books: zero, or the entry is not
   * right.
   *
   * @return empty where it is not known of each line
   */
  public Optional<Money> worth(CurrencyUnit books) {
    var sum = Money.zero(books);
    for (var line : lines) {
      if (line.amount().getCurrencyUnit().equals(books)) {
        sum = sum.plus(line.amount());
      } else if (line.worth().isPresent()) {
        sum = sum.plus(line.worth().get());
      } else {
        return Optional.empty();
      }
    }
    return Optional.of(sum);
  }

  /**
   * The entry with what each line in another currency is worth at a rate, half-even. What that
   * rounds away is a rounding difference of its own line.
   *
   * @param toBooks the rate from a currency to that of the books, where one is known
   * @return the entry as it is where it has worths already, or where a rate is not known
   */
  public JournalEntry valued(CurrencyUnit books, Function<CurrencyUnit, Optional<Rate>> toBooks) {
    var foreign = new LinkedHashMap<CurrencyUnit, Rate>();
    for (var line : lines) {
      var unit = line.amount().getCurrencyUnit();
      if (line.worth().isPresent()) {
        return this;
      }
      if (!unit.equals(books) && !foreign.containsKey(unit)) {
        var rate = toBooks.apply(unit);
        if (rate.isEmpty()) {
          return this;
        }
        foreign.put(unit, rate.get());
      }
    }
    if (foreign.isEmpty()) {
      return this;
    }
    var valued = new ArrayList<JournalLine>();
    var sums = new HashMap<CurrencyUnit, Money>();
    for (var line : lines) {
      var rate = foreign.get(line.amount().getCurrencyUnit());
      var worth = rate == null ? Money.zero(books) : rate.of(line.amount());
      valued.add(rate == null ? line : line.worth(worth));
      sums.merge(line.amount().getCurrencyUnit(), worth, Money::plus);
    }
    foreign.forEach(
        (unit, rate) -> {
          var off = sums.get(unit);
          if (!off.isZero()) {
            valued.add(
                JournalLine.correcting(AccountRole.ROUNDING_DIFFERENCES, unit, off.negated()));
          }
        });
    return new JournalEntry(companyId, bookedOn, text, valued);
  }

  /** The entry that takes this one back: the same lines with the other sign. */
  public JournalEntry mirrored(LocalDate on, String why) {
    var mirror =
        lines.stream()
            .map(
                l ->
                    new JournalLine(
                        l.role(),
                        l.accountId(),
                        l.customerId(),
                        l.amount().negated(),
                        l.worth().map(Money::negated)))
            .toList();
    return new JournalEntry(companyId, on, why, mirror);
  }
}
