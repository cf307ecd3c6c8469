package org.sumbrel.server.intake;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.intake.CorrectionEntity.Kind;
import org.sumbrel.server.intake.CorrectionEntity.Status;

/** What later statements say otherwise of known entries: asked once, and done when accepted. */
@Service
@Transactional
class Corrections {

  private static final int MOST = 200;

  private final CorrectionRepository corrections;
  private final Entries entries;
  private final Proposals proposals;
  private final Clock clock;

  Corrections(CorrectionRepository corrections, Entries entries, Proposals proposals, Clock clock) {
    this.corrections = corrections;
    this.entries = entries;
    this.proposals = proposals;
    this.clock = clock;
  }

  /** Asks whether the entry is to get this day and amount; whether it was not asked before. */
  boolean askToChange(Long intakeId, Long entryId, LocalDate day, Money amount) {
    if (settledAlready(entryId, Kind.CHANGED, Optional.of(day), Optional.of(amount))) {
      return false;
    }
    corrections.save(CorrectionEntity.changed(intakeId, entries.entry(entryId), day, amount));
    return true;
  }

  /** Asks whether the entry is to be taken out; whether it was not asked before. */
  boolean askToWithdraw(Long intakeId, Long entryId) {
    if (settledAlready(entryId, Kind.MISSING, Optional.empty(), Optional.empty())) {
      return false;
    }
    corrections.save(CorrectionEntity.missing(intakeId, entries.entry(entryId)));
    return true;
  }

  private boolean settledAlready(
      Long entryId, Kind kind, Optional<LocalDate> day, Optional<Money> amount) {
    return corrections.findByEntryIdIn(List.of(entryId)).stream()
        .anyMatch(c -> c.settlesAlready(kind, day, amount));
  }

  /** Latest first. */
  @Transactional(readOnly = true)
  List<CorrectionEntity> list(Long companyId, Status status) {
    return corrections.findByCompanyIdAndStatusOrderByIdDesc(companyId, status, Limit.of(MOST));
  }

  /**
   * Takes over what the statement says, or leaves the entry as it is.
   *
   * @return the company whose proposals are behind now
   * @throws Conflict where somebody decided before, or the entry is settled or has changed
   */
  Long decide(Long id, boolean accept, Actor actor) {
    var correction = corrections.findById(id).orElseThrow(() -> new NotThere("correction", id));
    if (correction.status() != Status.OPEN) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          correction.decidedBy()
              + (correction.status() == Status.ACCEPTED ? " accepted" : " refused")
              + " this already.");
    }
    if (accept) {
      carryOut(correction);
    }
    correction.decide(accept, actor.name(), clock.instant());
    return correction.companyId();
  }

  private void carryOut(CorrectionEntity correction) {
    var entry = entries.entry(correction.entryId());
    if (entry.status() == BankEntryEntity.Status.SETTLED
        || entry.status() == BankEntryEntity.Status.PAID) {
      throw new Conflict(
          "SETTLED",
          "The entry of "
              + MoneyText.grouped(entry.amount())
              + " is settled. Reverse its settlement first, then accept.");
    }
    if (entry.status() == BankEntryEntity.Status.RETURNED) {
      throw new Conflict(
          "RETURNED",
          "The entry of "
              + MoneyText.grouped(entry.amount())
              + " is part of a return; it cannot be changed any more.");
    }
    if (!entry.amount().equals(correction.oldAmount())
        || !entry.bookedOn().equals(correction.oldBookedOn())) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          "The entry has "
              + MoneyText.grouped(entry.amount())
              + " of "
              + entry.bookedOn()
              + " by now, not "
              + MoneyText.grouped(correction.oldAmount())
              + " of "
              + correction.oldBookedOn()
              + "; refuse this one.");
    }
    if (correction.kind() == Kind.MISSING) {
      entries.withdraw(entry.id());
    } else {
      entries.correct(
          entry.id(), correction.newBookedOn().orElseThrow(), correction.newAmount().orElseThrow());
    }
    proposals.mark(correction.companyId());
  }
}
