package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Manner;
import org.sumbrel.core.propose.Rehearsal;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.companies.NumberRanges;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.payers.PayerAliases;
import org.sumbrel.server.payers.Remember;

/** Posts settlements: each as one unit with its journal entry, or not at all. */
@Service
@Transactional
public class Settlements {

  private final SettlementRepository settlements;
  private final AnsweredCallRepository answered;
  private final DraftAssembler drafts;
  private final Customers customers;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final CompanyPolicies policies;
  private final Journal journal;
  private final Proposals proposals;
  private final DoubleCountingWatch watch;
  private final HeldDrafts held;
  private final PayerAliases aliases;
  private final NumberRanges numbers;
  private final Valuing valuing;
  private final Clock clock;

  Settlements(
      SettlementRepository settlements,
      AnsweredCallRepository answered,
      DraftAssembler drafts,
      Customers customers,
      Companies companies,
      BankAccounts bankAccounts,
      CompanyPolicies policies,
      Journal journal,
      Proposals proposals,
      DoubleCountingWatch watch,
      HeldDrafts held,
      PayerAliases aliases,
      NumberRanges numbers,
      Valuing valuing,
      Clock clock) {
    this.valuing = valuing;
    this.numbers = numbers;
    this.settlements = settlements;
    this.answered = answered;
    this.drafts = drafts;
    this.customers = customers;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.policies = policies;
    this.journal = journal;
    this.proposals = proposals;
    this.watch = watch;
    this.held = held;
    this.aliases = aliases;
    this.clock = clock;
  }

  /**
   * Posts a draft on the say of whoever calls.
   *
   * @param call the key by which a repeated call is known, if the caller gave one
   * @return the settlement's id
   * @throws org.sumbrel.core.settle.SettlementRefused where a money rule or the policy is against
   *     it
   * @throws Conflict where somebody was first, holds a draft of it, or income would be counted
   *     twice
   */
  public Long post(
      PostSettlement command, SettlementEntity.Origin origin, Optional<CallKey> call, Actor actor) {
    var before = call.flatMap(key -> answer(key, actor));
    if (before.isPresent()) {
      return before.get();
    }
    var posted = post(command, origin, before(List.of(command)), false, actor);
    call.ifPresent(
        key ->
            answered.save(
                new AnsweredCallEntity(actor.name(), key.key(), key.requestHash(), posted)));
    return posted;
  }

  /**
   * What stood before about the subjects of drafts.
   *
   * @param drafts what is kept of them
   * @param settledLast the last settlement of each entry that ever had one
   * @param first the first explanation of each entry that has one
   */
  record Before(
      Map<DraftSubject, DraftEntity> drafts,
      Map<Long, Long> settledLast,
      Map<Long, Proposals.First> first) {

    Optional<DraftEntity> draft(PostSettlement command) {
      return Optional.ofNullable(drafts.get(DraftSubject.of(command)));
    }
  }

  Before before(List<PostSettlement> commands) {
    var entryIds = commands.stream().map(PostSettlement::entryId).filter(Objects::nonNull).toList();
    var last = new HashMap<Long, Long>();
    settlements.ofEntries(entryIds).forEach(s -> last.put(s.entryId(), s.id()));
    return new Before(
        held.about(commands.stream().map(DraftSubject::of).toList()),
        last,
        proposals.first(entryIds));
  }

  /**
   * Posts one of several drafts of which it is known what stood before.
   *
   * @param released whether a second person has said yes to it
   */
  Long post(
      PostSettlement command,
      SettlementEntity.Origin origin,
      Before before,
      boolean released,
      Actor actor) {
    before.draft(command).ifPresent(kept -> HeldDrafts.requireHolder(kept, actor));
    return write(command, origin, null, null, before, released, LocalDate.now(clock), actor);
  }

  /** Posts what was settled on a day of the past. */
  Long postOf(LocalDate day, PostSettlement command, Actor actor) {
    return write(
        command,
        SettlementEntity.Origin.HAND,
        null,
        null,
        before(List.of(command)),
        false,
        day,
        actor);
  }

  /**
   * Posts what another has drafted and handed over.
   *
   * @param draftedBy who must not be the one who approves
   */
  Long approve(PostSettlement command, String draftedBy, Actor approver) {
    return write(
        command,
        SettlementEntity.Origin.HAND,
        draftedBy,
        null,
        before(List.of(command)),
        true,
        LocalDate.now(clock),
        approver);
  }

  /** Posts what stands in place of a settlement that has just been reversed. */
  Long postInPlaceOf(Long replaced, PostSettlement command, Actor actor) {
    return write(
        command,
        SettlementEntity.Origin.HAND,
        null,
        replaced,
        before(List.of(command)),
        true,
        LocalDate.now(clock),
        actor);
  }

  private Long write(
      PostSettlement command,
      SettlementEntity.Origin origin,
      String draftedBy,
      Long inPlaceOf,
      Before before,
      boolean released,
      LocalDate on,
      Actor actor) {
    var assembled = drafts.assemble(command, released);
    var entry = assembled.entry();
    requireNothingCountedTwice(command);
    var settlement = assembled.draft().settle(policies, actor.authority());
    var valued = valuing.of(settlement, on, text(command, entry), assembled.items());
    var settledOn = entry == null ? on : entry.bookedOn();
    for (var item : settlement.itemsAfter()) {
      assembled.items().get(Long.valueOf(item.id())).balanceIs(item.open(), settledOn);
    }
    var bank = entry == null ? null : bankAccounts.account(entry.bankAccountId()).ledgerAccountId();
    var journalEntry = journal.write(valued.entry(), bank, actor.name(), null);
    valued.takeFrom(assembled.items());
    var made =
        new SettlementEntity(
            settlement,
            command.entryId(),
            entry == null ? command.accountOf() : null,
            origin,
            draftedBy,
            actor.name(),
            clock.instant(),
            on,
            journalEntry,
            // without it the settlement of the same money that was taken back last
            inPlaceOf == null ? before.settledLast().get(command.entryId()) : inPlaceOf);
    made.valued(valued);
    writeForOthers(made, valued, actor);
    if (entry != null && before.first().containsKey(entry.id())) {
      var first = before.first().get(entry.id());
      proposed(made, entry, first, settlement);
      if (command.explanation() != null && command.explanation() > 1) {
        manner(settlement, first).ifPresent(made::chosen);
      }
    }
    var posted = settlements.save(made);
    settlement
        .itemsMade(numbers.ofSettlement(assembled.companyId(), posted.id()))
        .forEach(item -> customers.made(item, posted.id(), command.prepaid()));
    if (entry != null) {
      var owner = paidFor(settlement);
      entry.settledFor(owner);
      remember(command.remember(), entry, owner, posted.id(), actor);
    }
    // what is posted is no draft any more
    before.draft(command).ifPresent(held::done);
    proposals.mark(assembled.companyId());
    posted.elsewhere().forEach(other -> proposals.mark(other.companyId()));
    return posted.id();
  }

  /** What the companies have in their journals whose items it settles with another one's money. */
  private void writeForOthers(SettlementEntity made, Valuing.Valued valued, Actor actor) {
    for (var entry : valued.others()) {
      Membership.current().require(Long.valueOf(entry.companyId()));
      made.wroteFor(
          Long.valueOf(entry.companyId()), journal.write(entry, null, actor.name(), null));
    }
  }

  /** How what was taken differs from what stood first. */
  private Optional<Manner> manner(Settlement settlement, Proposals.First first) {
    return Manner.between(
        settlement.applications().stream().map(Application::item).toList(),
        customers
            .items(first.applied().keySet().stream().map(Long::valueOf).toList())
            .values()
            .stream()
            .map(OpenItemEntity::toItem)
            .toList());
  }

  /** Keeps what stood there first, by which it is told later how often that is right. */
  private static void proposed(
      SettlementEntity posted,
      BankEntryEntity entry,
      Proposals.First first,
      Settlement settlement) {
    posted.proposed(
        entry.standing(),
        first.probability(),
        first.evidence(),
        first.probability() > 0 && Rehearsal.isWhat(first.applied(), settlement.applications()));
  }

  private void remember(
      Remember what, BankEntryEntity entry, Long owner, Long settlement, Actor actor) {
    if (what == null) {
      return;
    }
    if (owner == null || !what.stands(entry.payerName(), entry.payerAccount())) {
      throw new BadRequest(
          owner == null
              ? "A payer is remembered for one customer; this pays for several."
              : "The bank gives no payer's "
                  + (what == Remember.TEXT ? "name" : "account")
                  + " that could be remembered.");
    }
    aliases.learn(
        entry.companyId(),
        what.of(entry.payerName(), entry.payerAccount(), owner),
        settlement,
        actor.name());
  }

  private String text(PostSettlement command, BankEntryEntity entry) {
    return entry == null
        ? "Applied on the account of "
            + shortened(customers.names(List.of(command.accountOf())).get(command.accountOf()))
        : sentence(entry);
  }

  /** Such as {@code Receipt of 29 May 2026 from WRENHOUSE BAGELS}. */
  static String sentence(BankEntryEntity entry) {
    return (entry.amount().isNegative() ? "Payment of " : "Receipt of ")
        + DayText.of(entry.bookedOn())
        + (entry.amount().isNegative() ? " to " : " from ")
        + shortened(entry.payerWords());
  }

  private void requireNothingCountedTwice(PostSettlement command) {
    var booked =
        command.adjustments().stream()
            .anyMatch(
                d -> d.kind() == AdjustmentKind.TO_ACCOUNT && d.amount().toMoney().isNegative());
    var said = command.despite() != null && !command.despite().isBlank();
    if (command.entryId() == null || !booked || said || !command.applications().isEmpty()) {
      return;
    }
    var findings = watch.findings(command.entryId());
    if (!findings.isEmpty()) {
      throw new Conflict(
          "COUNTED_TWICE",
          "This may count income twice: "
              + findings.get(0).sentence()
              + " Take the items instead, or say why it is something else.");
    }
  }

  private Optional<Long> answer(CallKey key, Actor actor) {
    var found = answered.findById(new AnsweredCallEntity.Key(actor.name(), key.key()));
    if (found.isPresent() && !found.get().requestHash().equals(key.requestHash())) {
      throw new Conflict(
          "KEY_REUSED",
          "This Idempotency-Key was used for another call before; nothing was posted.");
    }
    return found.map(AnsweredCallEntity::settlementId);
  }

  private static Long paidFor(Settlement settlement) {
    var owners =
        settlement.applications().stream().map(a -> a.item().customerId()).distinct().toList();
    if (settlement.applications().stream()
        .anyMatch(a -> !a.item().companyId().equals(settlement.receipt().companyId()))) {
      // he has no account where the money is
      return null;
    }
    if (owners.isEmpty()) {
      return settlement.onAccountCustomer().map(Long::valueOf).orElse(null);
    }
    return owners.size() == 1 ? Long.valueOf(owners.get(0)) : null;
  }

  private static String shortened(String words) {
    return words.length() <= 120 ? words : words.substring(0, 119) + "…";
  }
}
