package org.sumbrel.server.tieout;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;

/** Periods of a company in which nothing is posted any more. */
@Service
@Transactional
class ClosedPeriods {

  private final ClosedPeriodRepository periods;
  private final TieOutRepository tieOuts;
  private final BankAccounts bankAccounts;
  private final Clock clock;

  ClosedPeriods(
      ClosedPeriodRepository periods,
      TieOutRepository tieOuts,
      BankAccounts bankAccounts,
      Clock clock) {
    this.periods = periods;
    this.tieOuts = tieOuts;
    this.bankAccounts = bankAccounts;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<ClosedPeriodEntity> of(Long company) {
    return periods.findByCompanyIdOrderByIdDesc(company);
  }

  @Transactional(readOnly = true)
  public Optional<ClosedPeriodEntity> last(Long company) {
    return periods.findFirstByCompanyIdAndClosingReopenedAtIsNullOrderByUntilDayDesc(company);
  }

  /** The bank accounts that are not tied out up to a day, though the books know of them. */
  @Transactional(readOnly = true)
  public List<String> notTiedOut(Long company, LocalDate until) {
    return bankAccounts.of(company).stream()
        .filter(
            account ->
                tieOuts
                    .findFirstByBankAccountIdAndClosingReopenedAtIsNullOrderByAsOfDesc(account.id())
                    .filter(last -> !last.asOf().isBefore(until))
                    .isEmpty())
        .map(BankAccountEntity::name)
        .toList();
  }

  /**
   * Closes everything up to a day.
   *
   * @throws Conflict where it is closed already
   */
  public ClosedPeriodEntity close(Long company, LocalDate until, Actor actor) {
    if (!until.isBefore(LocalDate.now(clock))) {
      throw new BadRequest("A period is closed when it is over; " + DayText.of(until) + " is not.");
    }
    last(company)
        .filter(last -> !until.isAfter(last.untilDay()))
        .ifPresent(
            last -> {
              throw new Conflict(
                  "CLOSED",
                  last.closing().closedBy()
                      + " has closed everything up to "
                      + DayText.of(last.untilDay())
                      + " already.");
            });
    return periods.saveAndFlush(
        new ClosedPeriodEntity(company, until, actor.name(), clock.instant()));
  }

  /**
   * Opens the period that was closed last again.
   *
   * @throws Conflict where it is not the last one
   */
  public ClosedPeriodEntity reopen(Long id, String why, Actor actor) {
    var period = periods.findById(id).orElseThrow(() -> new NotThere("closed period", id));
    if (last(period.companyId()).filter(last -> last.id().equals(id)).isEmpty()) {
      throw new Conflict("NOT_LAST", "Only the period that was closed last can be opened again.");
    }
    period.closing().reopen(why, actor.name(), clock.instant());
    return periods.saveAndFlush(period);
  }
}
