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

  /** With fewer lines one wrong balance cannot be told from a column of something else. */
  private static final int FEWEST_STEPS = 3;

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
    var amounts = entries.stream().map(StatementEntry::amount).toList();
    var told = balances.stream().map(Optional::orElseThrow).toList();
    if (firstBreak(amounts, told, true) < 0) {
      builder.opening(
          entries.get(0).bookingDate(), balances.get(0).get().minus(entries.get(0).amount()));
      builder.closing(entries.get(last).bookingDate(), balances.get(last).get());
    } else if (firstBreak(amounts, told, false) < 0) {
      builder.opening(
          entries.get(last).bookingDate(),
          balances.get(last).get().minus(entries.get(last).amount()));
      builder.closing(entries.get(0).bookingDate(), balances.get(0).get());
    } else if (last >= FEWEST_STEPS && follow(amounts, told) * 2 < last) {
      reading.odd(
          entries.get(0).line(),
          "the column of balances does not go with the amounts: it follows from them in "
              + follow(amounts, told)
              + " of "
              + last
              + " lines; it is not read as a running balance");
    } else {
      int broken = broken(amounts, told).orElseThrow();
      var at = entries.get(broken);
      reading.odd(
          at.line(),
          "the balance behind this entry, "
              + MoneyText.grouped(told.get(broken))
              + ", does not follow from the one before and the amount "
              + MoneyText.grouped(at.amount()));
    }
  }

  /** In how many lines the balance follows from the amount, whichever way the list runs. */
  private static int follow(List<Money> amounts, List<Money> balances) {
    var down = 0;
    var up = 0;
    for (var n = 1; n < amounts.size(); n++) {
      down += follows(balances.get(n - 1), amounts.get(n), balances.get(n)) ? 1 : 0;
      up += follows(balances.get(n), amounts.get(n - 1), balances.get(n - 1)) ? 1 : 0;
    }
    return Math.max(down, up);
  }

  /**
   * The first amount behind which the balance does not follow, whichever way the list runs; empty
   * where each does.
   */
  static Optional<Integer> broken(List<Money> amounts, List<Money> balances) {
    var down = firstBreak(amounts, balances, true);
    var up = firstBreak(amounts, balances, false);
    if (down < 0 || up < 0) {
      return Optional.empty();
    }
    // the way that goes on for longer is the one it was meant to run
    return Optional.of(down > amounts.size() - 1 - up ? down : up);
  }

  /** The first one whose balance does not follow, or -1. */
  private static int firstBreak(List<Money> amounts, List<Money> balances, boolean oldestFirst) {
    if (oldestFirst) {
      for (var n = 1; n < amounts.size(); n++) {
        if (!follows(balances.get(n - 1), amounts.get(n), balances.get(n))) {
          return n;
        }
      }
    } else {
      for (var n = amounts.size() - 2; n >= 0; n--) {
        if (!follows(balances.get(n + 1), amounts.get(n), balances.get(n))) {
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
