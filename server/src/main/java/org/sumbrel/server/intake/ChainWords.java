package org.sumbrel.server.intake;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.joda.money.Money;
import org.sumbrel.core.intake.StatementChain.Finding;
import org.sumbrel.core.intake.StatementChain.Gap;
import org.sumbrel.core.intake.StatementChain.Overlap;
import org.sumbrel.core.money.MoneyText;

/** Sentences about what stands between two statements. */
final class ChainWords {

  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  private ChainWords() {}

  static String of(Finding finding) {
    if (finding instanceof Overlap overlap) {
      return "Two statements cover "
          + days(overlap.from(), overlap.until())
          + "; what they tell twice counts once.";
    }
    var gap = (Gap) finding;
    if (gap.missing().isEmpty() && gap.numbers() == 0) {
      return "No statement covers "
          + days(gap.before().until().plusDays(1), gap.after().from().minusDays(1))
          + ", and the balances do not say that nothing happened then.";
    }
    var words = new StringBuilder();
    words
        .append("Something is missing between ")
        .append(DAY.format(gap.before().until()))
        .append(" and ")
        .append(DAY.format(gap.after().from()));
    gap.missing()
        .filter(m -> !m.isZero())
        .ifPresent(
            missing ->
                words
                    .append(": the account had ")
                    .append(MoneyText.grouped(opening(gap).minus(missing)))
                    .append(", this statement opens with ")
                    .append(MoneyText.grouped(opening(gap)))
                    .append("; ")
                    .append(MoneyText.grouped(missing))
                    .append(" is not accounted for"));
    if (gap.numbers() > 0) {
      words
          .append(gap.missing().filter(m -> !m.isZero()).isPresent() ? "; " : ": ")
          .append("statement ")
          .append(gap.after().sequence().orElseThrow())
          .append(" follows ")
          .append(gap.before().sequence().orElseThrow())
          .append(", so that ")
          .append(gap.numbers() == 1 ? "one is" : gap.numbers() + " are")
          .append(" left out");
    }
    return words.append('.').toString();
  }

  private static String days(LocalDate from, LocalDate until) {
    return from.equals(until) ? DAY.format(from) : DAY.format(from) + " to " + DAY.format(until);
  }

  private static Money opening(Gap gap) {
    return gap.after().opening().orElseThrow();
  }
}
