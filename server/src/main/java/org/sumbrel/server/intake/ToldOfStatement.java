package org.sumbrel.server.intake;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.sumbrel.core.intake.KnownMovement;
import org.sumbrel.core.intake.Meeting;
import org.sumbrel.core.intake.StatementChain;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.companies.BankAccountEntity;

/** What a person should hear of a statement, in sentences; and what he is asked to decide. */
final class ToldOfStatement {

  private static final int MOST = 20;

  private final Corrections corrections;
  private final StatementRepository statements;

  private final List<String> problems = new ArrayList<>();
  private int further;

  ToldOfStatement(Corrections corrections, StatementRepository statements) {
    this.corrections = corrections;
    this.statements = statements;
  }

  List<String> problems() {
    return problems;
  }

  void say(String sentence) {
    problems.add(sentence);
  }

  private void sayOneOfMany(String sentence) {
    further++;
    if (further <= MOST) {
      problems.add(sentence);
    } else if (further == MOST + 1) {
      problems.add("and more of the same kind");
    }
  }

  void meets(Meeting meeting, StatementEntry entry, KnownMovement known, Long intakeId) {
    if (meeting.kind() == Meeting.Kind.CHANGED
        && corrections.askToChange(intakeId, known.key(), entry.bookingDate(), entry.amount())) {
      sayOneOfMany(
          "line "
              + entry.line()
              + ": entry "
              + entry.entryId()
              + " is known with "
              + MoneyText.grouped(known.movement().amount())
              + " of "
              + known.movement().bookedOn()
              + ", here it has "
              + MoneyText.grouped(entry.amount())
              + " of "
              + entry.bookingDate()
              + "; the known one stays until you accept the difference");
    } else if (meeting.doubtful()) {
      sayOneOfMany(
          "line "
              + entry.line()
              + ": "
              + MoneyText.grouped(entry.amount())
              + " of "
              + entry.bookingDate()
              + " is taken for the one that is known of this day, though the two are told differently");
    }
  }

  /** Known ones of its days that a statement of the same format does not have any more. */
  void missing(
      AccountStatement statement,
      String source,
      List<KnownMovement> known,
      List<Meeting> meetings,
      Long intakeId) {
    if (!statement.whole() || statement.from().isEmpty() || statement.until().isEmpty()) {
      return;
    }
    var met =
        meetings.stream()
            .flatMap(m -> m.known().stream())
            .map(KnownMovement::key)
            .collect(Collectors.toSet());
    for (var one : known) {
      var movement = one.movement();
      if (!met.contains(one.key())
          && !one.withdrawn()
          && movement.booked()
          && movement.source().equals(source)
          && inside(movement.bookedOn(), statement)
          && corrections.askToWithdraw(intakeId, one.key())) {
        sayOneOfMany(
            "entry "
                + movement.id()
                + " of "
                + MoneyText.grouped(movement.amount())
                + " of "
                + movement.bookedOn()
                + " was taken in before and is not in this statement, which covers that day; it stays until you accept the difference");
      }
    }
  }

  private boolean inside(LocalDate day, AccountStatement statement) {
    var from = statement.from().orElseThrow();
    var until = statement.until().orElseThrow();
    return from.equals(until) ? day.equals(from) : !day.isBefore(from) && day.isBefore(until);
  }

  void chain(BankAccountEntity account, StatementEntity row) {
    var span = row.span();
    if (span.isEmpty()) {
      return;
    }
    var all =
        statements.findByBankAccountIdAndWholeTrue(account.id()).stream()
            .flatMap(s -> s.span().stream())
            .toList();
    StatementChain.of(all).stream()
        .filter(f -> f.after().key() == span.get().key())
        .map(ChainWords::of)
        .forEach(problems::add);
  }
}
