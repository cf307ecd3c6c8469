package org.sumbrel.server.treat;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.core.treat.Treatment.Way;
import org.sumbrel.core.treat.Treatments;
import org.sumbrel.core.treat.Treatments.Verdict;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.audit.Acting;
import org.sumbrel.server.settle.AccountSettlements;
import org.sumbrel.server.settle.Grounds;

/** Follows the treatments: says what they make of an entry, and posts what they post. */
@Service
class TreatmentPosting {

  private static final Logger LOG = LoggerFactory.getLogger(TreatmentPosting.class);

  private final TreatmentRules rules;
  private final Treatables treatables;
  private final OwedToPayee owed;
  private final AccountSettlements posting;
  private final TransactionTemplate transaction;

  TreatmentPosting(
      TreatmentRules rules,
      Treatables treatables,
      OwedToPayee owed,
      AccountSettlements posting,
      TransactionTemplate transaction) {
    this.rules = rules;
    this.treatables = treatables;
    this.owed = owed;
    this.posting = posting;
    this.transaction = transaction;
  }

  /** What the treatments of a company make of an entry of a bank account. */
  @Transactional(readOnly = true)
  public Optional<Verdict> verdict(Long company, Treatable entry) {
    return verdict(rules.treatments(company), company, entry);
  }

  /** Whoever sent it is looked up only where a treatment would take it. */
  private Optional<Verdict> verdict(Treatments all, Long company, Treatable entry) {
    return all.of(entry, "").flatMap(v -> all.of(entry, opened(company, entry)));
  }

  private String opened(Long company, Treatable entry) {
    return entry.amount().isNegative()
        ? owed.sentence(company, entry)
        : posting.speaksAgainst(Long.valueOf(entry.id()));
  }

  /**
   * Does with an entry what its treatment says, on the say of a hand.
   *
   * @param despite why, where something speaks against it
   * @return the settlement's id
   * @throws Conflict where no treatment fits it, it is beyond the cap, or something speaks against
   *     it and nobody says why not
   */
  @Transactional
  public Long follow(Long company, Long entryId, Long treatmentId, String despite, Actor actor) {
    var entry =
        Optional.ofNullable(treatables.one(entryId))
            .orElseThrow(
                () -> new Conflict("NO_TREATMENT", "House rules take entries of the bank only."));
    var verdict =
        verdict(company, entry)
            .filter(v -> v.treatment().id().equals(treatmentId.toString()))
            .orElseThrow(
                () ->
                    new Conflict(
                        "NO_TREATMENT",
                        "That house rule does not take this entry any more; nothing was posted."));
    var treatment = verdict.treatment();
    if (!treatment.withinCap(entry.amount())) {
      throw new Conflict("BEYOND_CAP", verdict.why() + " Nothing was posted.");
    }
    if (!verdict.why().isEmpty() && despite.isEmpty()) {
      throw new Conflict(
          "COUNTED_TWICE", verdict.why() + " Say why it is something else; nothing was posted.");
    }
    return posting.post(
        entryId,
        treatment.booked(entry.amount()),
        Grounds.treatment(treatmentId, treatment.name()),
        false,
        actor);
  }

  /** An entry that a treatment has ready behind a button. */
  record Ready(Treatable entry, Verdict verdict) {}

  /**
   * What treatments have ready: all that fits, within the cap, of nobody who has something open.
   */
  @Transactional(readOnly = true)
  public List<Ready> ready(Long company) {
    if (!rules.anyGoes(company, Way.WAITS)) {
      return List.of();
    }
    var all = rules.treatments(company);
    return treatables.unexplained(company).stream()
        .filter(e -> all.of(e, "").filter(v -> v.way() == Way.WAITS).isPresent())
        .flatMap(e -> verdict(all, company, e).map(v -> new Ready(e, v)).stream())
        .filter(r -> r.verdict().way() == Way.WAITS)
        .toList();
  }

  /** One that was not booked, and why. */
  record Left(Long entryId, String reason) {}

  /**
   * Books those of these entries that are ready, each by itself.
   *
   * @return those that were not
   */
  List<Left> bookReady(Long company, List<Long> entryIds, Actor actor) {
    var left = new ArrayList<Left>();
    for (var id : entryIds) {
      try {
        transaction.executeWithoutResult(t -> follow(company, id, actor));
      } catch (SettlementRefused | Conflict | NotThere | AccessDeniedException e) {
        left.add(new Left(id, e.getMessage()));
      } catch (ConcurrencyFailureException e) {
        left.add(new Left(id, "Somebody changed it just now; look again."));
      }
    }
    return left;
  }

  private void follow(Long company, Long entryId, Actor actor) {
    var treatment =
        Optional.ofNullable(treatables.one(entryId))
            .flatMap(entry -> verdict(company, entry))
            .filter(v -> v.way() == Way.WAITS)
            .map(v -> Long.valueOf(v.treatment().id()))
            .orElseThrow(
                () -> new Conflict("NO_TREATMENT", "No house rule has it ready any more."));
    follow(company, entryId, treatment, "", actor);
  }

  /**
   * Posts everything that treatments post by themselves. An entry is tried once: what was taken
   * back is left to people, as is what somebody has a draft of.
   *
   * @param some only these entries; empty where all that wait are looked at
   * @return how many were posted
   */
  int sweep(Long company, Optional<Collection<Long>> some) {
    if (!rules.anyGoes(company, Way.POSTS)) {
      return 0;
    }
    var all = rules.treatments(company);
    var fitting =
        some
            .map(ids -> treatables.unexplained(company, ids))
            .orElseGet(() -> treatables.unexplained(company))
            .stream()
            .filter(e -> all.of(e, "").filter(v -> v.way() == Way.POSTS).isPresent())
            .toList();
    if (fitting.isEmpty()) {
      return 0;
    }
    var before =
        new HashSet<>(
            posting.everSettled(fitting.stream().map(e -> Long.valueOf(e.id())).toList()));
    var posted = 0;
    for (var entry : fitting) {
      if (!before.contains(Long.valueOf(entry.id()))
          && Acting.with(Actor.UNATTENDED.name(), "house rules", () -> post(all, company, entry))) {
        posted++;
      }
    }
    return posted;
  }

  private boolean post(Treatments all, Long company, Treatable entry) {
    try {
      return Boolean.TRUE.equals(
          transaction.execute(
              t ->
                  verdict(all, company, entry)
                      .filter(v -> v.way() == Way.POSTS)
                      .filter(v -> !posting.drafted(Long.valueOf(entry.id())))
                      .map(
                          v -> {
                            var treatment = v.treatment();
                            posting.post(
                                Long.valueOf(entry.id()),
                                treatment.booked(entry.amount()),
                                Grounds.treatment(Long.valueOf(treatment.id()), treatment.name()),
                                true,
                                Actor.UNATTENDED);
                            return true;
                          })
                      .orElse(false)));
    } catch (SettlementRefused | Conflict | ConcurrencyFailureException e) {
      // left to people, who are told the same when they try
      LOG.info(
          "house rules left {} of {} alone: {}",
          MoneyText.grouped(entry.amount()),
          entry.on(),
          e.getMessage());
      return false;
    }
  }
}
