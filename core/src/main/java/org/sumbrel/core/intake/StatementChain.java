package org.sumbrel.core.intake;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;

/** How the statements of one account follow each other. */
public final class StatementChain {

  /** Something between two statements that a person should know. */
  public sealed interface Finding {
    StatementSpan before();

    StatementSpan after();
  }

  /**
   * Between two statements something is not there.
   *
   * @param missing what the movements in between come to, where both balances are known
   * @param numbers how many statements are left out by their running numbers, 0 where that is open
   */
  public record Gap(StatementSpan before, StatementSpan after, Optional<Money> missing, int numbers)
      implements Finding {}

  /** Two statements tell of the same days. */
  public record Overlap(StatementSpan before, StatementSpan after, LocalDate from, LocalDate until)
      implements Finding {}

  private StatementChain() {}

  /**
   * The statements in their order: by the last day they cover, then by their running number, then
   * by the first day.
   */
  public static List<StatementSpan> ordered(List<StatementSpan> statements) {
    return statements.stream()
        .sorted(
            Comparator.comparing(StatementSpan::until)
                .thenComparing(s -> s.sequence().orElse(0))
                .thenComparing(StatementSpan::from)
                .thenComparing(StatementSpan::key))
        .toList();
  }

  /** What stands between them, oldest first. */
  public static List<Finding> of(List<StatementSpan> statements) {
    var findings = new ArrayList<Finding>();
    var ordered = ordered(statements);
    for (var n = 1; n < ordered.size(); n++) {
      var after = ordered.get(n);
      var before = ordered.get(n - 1);
      overlap(before, after).ifPresent(findings::add);
      if (!continues(ordered, n)) {
        gap(before, after, closingBefore(ordered, n)).ifPresent(findings::add);
      }
    }
    return findings;
  }

  /** Whether some earlier statement closes with what this one opens with. */
  private static boolean continues(List<StatementSpan> ordered, int n) {
    // reckoned backwards a balance proves that nothing is missing, though not that something is
    var opening = ordered.get(n).openingReckoned();
    if (opening.isEmpty()) {
      return false;
    }
    var from = ordered.get(n).from();
    return ordered.subList(0, n).stream()
        .filter(s -> !s.until().isAfter(from) || sameDays(s, ordered.get(n)))
        .anyMatch(s -> s.closing().equals(opening));
  }

  private static boolean sameDays(StatementSpan a, StatementSpan b) {
    return a.until().equals(b.until());
  }

  private static Optional<Finding> overlap(StatementSpan before, StatementSpan after) {
    // the day on which one ends may be the day on which the next begins
    if (!after.from().isBefore(before.until())) {
      return Optional.empty();
    }
    var from = after.from().isAfter(before.from()) ? after.from() : before.from();
    return Optional.of(new Overlap(before, after, from, before.until()));
  }

  /**
   * What the account had after the statements before this one: the last closing that is said, and
   * the movements of those behind it that say none.
   */
  private static Optional<Money> closingBefore(List<StatementSpan> ordered, int n) {
    var movements = Optional.<Money>empty();
    for (var k = n - 1; k >= 0; k--) {
      var one = ordered.get(k);
      if (one.closing().isPresent()) {
        return movements.map(m -> one.closing().get().plus(m)).or(one::closing);
      }
      movements = Optional.of(movements.map(m -> m.plus(one.movements())).orElse(one.movements()));
    }
    return Optional.empty();
  }

  private static Optional<Finding> gap(
      StatementSpan before, StatementSpan after, Optional<Money> closing) {
    var numbers = leftOut(before, after);
    if (tellTheSame(before, after)) {
      return Optional.empty();
    }
    if (after.from().isBefore(before.until()) && numbers == 0) {
      return Optional.empty();
    }
    if (closing.isPresent() && after.opening().isPresent()) {
      var missing = after.opening().get().minus(closing.get());
      return missing.isZero() && numbers == 0
          ? Optional.empty()
          : Optional.of(new Gap(before, after, Optional.of(missing), numbers));
    }
    return numbers > 0 || daysLeftOut(before, after)
        ? Optional.of(new Gap(before, after, Optional.empty(), numbers))
        : Optional.empty();
  }

  /** The same days once more, as another format tells them; nothing is between the two. */
  private static boolean tellTheSame(StatementSpan before, StatementSpan after) {
    var numbered = before.sequence().isPresent() && after.sequence().isPresent();
    return before.from().equals(after.from())
        && before.until().equals(after.until())
        && (!numbered || before.sequence().equals(after.sequence()));
  }

  /** Whether both say which days they cover, and a day from Monday to Friday is in neither. */
  private static boolean daysLeftOut(StatementSpan before, StatementSpan after) {
    if (!before.daysSaid() || !after.daysSaid()) {
      return false;
    }
    for (var day = before.until().plusDays(1); day.isBefore(after.from()); day = day.plusDays(1)) {
      if (day.getDayOfWeek().compareTo(DayOfWeek.FRIDAY) <= 0) {
        return true;
      }
    }
    return false;
  }

  /**
   * Running numbers begin anew with a year; only a small step within the same one says something.
   */
  private static int leftOut(StatementSpan before, StatementSpan after) {
    if (before.sequence().isEmpty()
        || after.sequence().isEmpty()
        || before.until().getYear() != after.until().getYear()) {
      return 0;
    }
    var step = after.sequence().get() - before.sequence().get();
    return step > 1 && step <= 366 ? step - 1 : 0;
  }
}
