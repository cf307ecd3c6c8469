package org.sumbrel.server.treat;

import java.time.Clock;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.treat.Treatment;
import org.sumbrel.core.treat.Treatment.Way;
import org.sumbrel.core.treat.Treatments;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;

/** The treatments of a company: kept, changed, put in order, ended. */
@Service
@Transactional
class TreatmentRules {

  private final TreatmentRepository rows;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final Clock clock;

  TreatmentRules(TreatmentRepository rows, BankAccounts bankAccounts, Charts charts, Clock clock) {
    this.rows = rows;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<TreatmentEntity> of(Long company) {
    return rows.findByCompanyIdAndEndedAtIsNullOrderByPlaceAscNameAsc(company);
  }

  /** Whether any in use goes this far. */
  @Transactional(readOnly = true)
  public boolean anyGoes(Long company, Way way) {
    return rows.existsByCompanyIdAndEndedAtIsNullAndInUseTrueAndWay(company, way);
  }

  /** All of a company, as the core asks them. */
  @Transactional(readOnly = true)
  public Treatments treatments(Long company) {
    return new Treatments(of(company).stream().map(TreatmentEntity::toTreatment).toList());
  }

  @Transactional(readOnly = true)
  public TreatmentEntity row(Long id) {
    return rows.findById(id)
        .filter(row -> !row.ended())
        .orElseThrow(() -> new NotThere("treatment", id));
  }

  /** Where the next one stands. */
  @Transactional(readOnly = true)
  public int nextPlace(Long company) {
    return of(company).stream().mapToInt(TreatmentEntity::place).max().orElse(0) + 1;
  }

  /**
   * Keeps a new one.
   *
   * @throws Conflict where there is one of its name
   * @throws BadRequest where one of its accounts may not be booked to
   */
  public TreatmentEntity add(Long company, Treatment treatment, Actor actor) {
    requireGood(company, treatment, null);
    return rows.saveAndFlush(
        new TreatmentEntity(company, treatment, actor.name(), clock.instant()));
  }

  /**
   * Changes one that somebody has looked at.
   *
   * @throws Conflict where another has changed it since
   */
  public TreatmentEntity change(Long id, Long version, Treatment treatment, Actor actor) {
    var row = row(id);
    if (version != null && row.version() != version) {
      throw new Conflict(
          "STALE",
          row.changedBy() + " has changed this house rule since you opened it. Look again.");
    }
    requireGood(row.companyId(), treatment, id);
    row.is(treatment, actor.name(), clock.instant());
    return rows.saveAndFlush(row);
  }

  /** Ends one; what it posted stays. */
  public void end(Long id, Actor actor) {
    row(id).end(actor.name(), clock.instant());
  }

  /**
   * Puts them in another order.
   *
   * @param ids all of them
   * @throws Conflict where one is missing or was added meanwhile
   */
  public void order(Long company, List<Long> ids) {
    var known =
        of(company).stream().collect(Collectors.toMap(TreatmentEntity::id, Function.identity()));
    if (ids.size() != known.size() || !known.keySet().containsAll(ids)) {
      throw new Conflict("STALE", "There are other house rules by now. Look again.");
    }
    for (var n = 0; n < ids.size(); n++) {
      known.get(ids.get(n)).standsAt(n + 1);
    }
  }

  private void requireGood(Long company, Treatment treatment, Long id) {
    if (treatment.name().isBlank()) {
      throw new BadRequest("Say what the house rule is called.");
    }
    of(company).stream()
        .filter(other -> !other.id().equals(id))
        .filter(other -> other.name().equalsIgnoreCase(treatment.name()))
        .findFirst()
        .ifPresent(
            other -> {
              throw new Conflict(
                  "NAME_TAKEN",
                  "There is a house rule \"" + other.name() + "\" already; choose another name.");
            });
    treatment.shares().forEach(share -> charts.bookable(company, Long.valueOf(share.accountId())));
    treatment
        .condition()
        .bankAccountId()
        .ifPresent(account -> bankAccounts.account(company, Long.valueOf(account)));
  }
}
