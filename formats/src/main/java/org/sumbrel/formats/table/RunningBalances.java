package org.sumbrel.formats.table;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.StatementBuilder;
import org.sumbrel.formats.statement.StatementEntry;

/** Takes opening and closing from the balance behind each entry, oldest or newest first. */
final class RunningBalances {

  private RunningBalances() {}

  static void apply(
      List<StatementEntry> entries,
      List<Optional<Money>> balances,
      StatementBuilder builder,
      Reading reading) {
    if (entries.isEmpty() || balances.stream().anyMatch(Optional::isEmpty)) {
      return;
    }
    var last = entries.size() - 1;
    var down = firstBreak(entries, balances, true);
    var up = firstBreak(entries, balances, false);
    if (down < 0) {
      builder.opening(
          entries.get(0).bookingDate(), balances.get(0).get().minus(entries.get(0).amount()));
      builder.closing(entries.get(last).bookingDate(), balances.get(last).get());
    } else if (up < 0) {
      builder.opening(
          entries.get(last).bookingDate(),
          balances.get(last).get().minus(entries.get(last).amount()));
      builder.closing(entries.get(0).bookingDate(), balances.get(0).get());
    } else {
      var oldestFirst = down > last - up;
      var at = entries.get(oldestFirst ? down : up);
      reading.odd(
          at.line(),
          "the balance behind this entry, "
              + MoneyText.grouped(balances.get(oldestFirst ? down : up).get())
              + ", does not follow from the one before and the amount "
              + MoneyText.grouped(at.amount()));
    }
  }

  /** The first entry whose balance does not follow, or -1. */
  private static int firstBreak(
      List<StatementEntry> entries, List<Optional<Money>> balances, boolean oldestFirst) {
    if (oldestFirst) {
      for (var n = 1; n < entries.size(); n++) {
        if (!follows(balances.get(n - 1).get(), entries.get(n).amount(), balances.get(n).get())) {
          return n;
        }
      }
    } else {
      for (var n = entries.size() - 2; n >= 0; n--) {
        if (!follows(balances.get(n + 1).get(), entries.get(n).amount(), balances.get(n).get())) {
          return n;
        }
      }
    }
    return -1;
  }

  private static boolean follows(Money before, Money amount, Money after) {
    return before.plus(amount).equals(after);
  }
}
