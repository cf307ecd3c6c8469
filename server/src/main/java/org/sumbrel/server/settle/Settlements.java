package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;

/** Posts and reverses settlements: each as one unit with its journal entry, or not at all. */
@Service
@Transactional
public class Settlements {

  private final SettlementRepository settlements;
  private final AnsweredCallRepository answered;
  private final DraftAssembler drafts;
  private final Entries entries;
  private final Customers customers;
  private final Companies companies;
  private final Journal journal;
  private final Proposals proposals;
  private final Clock clock;

  Settlements(
      SettlementRepository settlements,
      AnsweredCallRepository answered,
      DraftAssembler drafts,
      Entries entries,
      Customers customers,
      Companies companies,
      Journal journal,
      Proposals proposals,
      Clock clock) {
    this.settlements = settlements;
    this.answered = answered;
    this.drafts = drafts;
    this.entries = entries;
    this.customers = customers;
    this.companies = companies;
    this.journal = journal;
    this.proposals = proposals;
    this.clock = clock;
  }

  /**
   * Posts a draft.
   *
   * @param call the key by which a repeated call is known, if the caller gave one
   * @return the settlement's id
   * @throws org.sumbrel.core.settle.SettlementRefused where a money rule or the policy is against
   *     it
   * @throws Conflict where somebody was first
   */
  public Long post(
      PostSettlement command, SettlementEntity.Origin origin, Optional<CallKey> call, Actor actor) {
    var before = call.flatMap(key -> answer(key, actor));
    if (before.isPresent()) {
      return before.get();
    }
    var assembled = drafts.assemble(command);
    var entry = assembled.entry();
    var policy = companies.policy(entry.companyId(), entry.amount().getCurrencyUnit());
    var settlement = assembled.draft().settle(policy);
    var today = LocalDate.now(clock);
    for (var item : settlement.itemsAfter()) {
      assembled.items().get(Long.valueOf(item.id())).balanceIs(item.open(), entry.bookedOn());
    }
    var kept = keepOnAccount(settlement);
    var bank = companies.bankAccount(entry.bankAccountId()).ledgerAccountId();
    var text =
        "Receipt of " + DayText.of(entry.bookedOn()) + " from " + shortened(entry.payerWords());
    var entryId =
        journal.write(Posting.entryFor(settlement, today, text), bank, actor.name(), null);
    var posted =
        settlements.save(
            new SettlementEntity(
                settlement,
                kept.map(OpenItemEntity::id).orElse(null),
                origin,
                actor.name(),
                clock.instant(),
                today,
                entryId));
    entry.settledFor(paidFor(settlement));
    call.ifPresent(
        key ->
            answered.save(
                new AnsweredCallEntity(actor.name(), key.key(), key.requestHash(), posted.id())));
    proposals.mark(entry.companyId());
    return posted.id();
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

  private Optional<OpenItemEntity> keepOnAccount(Settlement settlement) {
    if (settlement.onAccount().isZero()) {
      return Optional.empty();
    }
    var receipt = settlement.receipt();
    var amount = settlement.onAccount().negated();
    // one receipt can be settled, reversed and settled again; each time makes an item of its own
    var number = "OA-" + receipt.id() + "-" + settlements.count();
    var customer = settlement.onAccountCustomer().orElseThrow();
    return Optional.of(
        customers.add(
            new OnAccount(
                "new", receipt.companyId(), customer, number, receipt.receivedOn(), amount, amount),
            null));
  }

  private static Long paidFor(Settlement settlement) {
    var owners =
        settlement.applications().stream().map(a -> a.item().customerId()).distinct().toList();
    if (owners.isEmpty()) {
      return settlement.onAccountCustomer().map(Long::valueOf).orElse(null);
    }
    return owners.size() == 1 ? Long.valueOf(owners.get(0)) : null;
  }

  private static String shortened(String words) {
    return words.length() <= 120 ? words : words.substring(0, 119) + "…";
  }

  /**
   * Takes a settlement back with the mirror journal entry; every balance is then as before.
   *
   * @throws Conflict where it is reversed already
   * @throws org.sumbrel.core.settle.SettlementRefused where money it kept on account has been used
   *     since
   */
  public void reverse(Long id, String reason, Actor actor) {
    var posted = settlements.findById(id).orElseThrow(() -> new NotThere("settlement", id));
    if (actor.role() == Role.CLERK && !posted.postedBy().equals(actor.name())) {
      throw new AccessDeniedException(
          "Settlement "
              + id
              + " was posted by "
              + posted.postedBy()
              + "; a supervisor can reverse it.");
    }
    if (posted.status() == SettlementEntity.Status.REVERSED) {
      throw new Conflict(
          "ALREADY_REVERSED",
          "Settlement " + id + " was reversed by " + posted.reversedBy() + " already.");
    }
    var entry = entries.entry(posted.entryId());
    var items =
        customers.items(posted.applications().stream().map(ApplicationEntity::itemId).toList());
    var kept =
        Optional.ofNullable(posted.onAccountItemId()).map(i -> customers.items(List.of(i)).get(i));
    var settlement = readBack(posted, entry, items);
    var now = new HashMap<String, OpenItem>();
    items.values().forEach(i -> now.put(i.id().toString(), i.toItem()));
    var today = LocalDate.now(clock);
    for (var item : settlement.itemsAfterReversal(now, kept.map(OpenItemEntity::toItem))) {
      var row = items.getOrDefault(Long.valueOf(item.id()), kept.orElse(null));
      row.balanceIs(item.open(), today);
    }
    var mirror =
        journal.reverse(
            posted.journalEntryId(),
            today,
            "Reversal of settlement " + id + ": " + reason,
            actor.name());
    posted.reversed(actor.name(), clock.instant(), reason, mirror);
    entry.waitsAgain();
    proposals.mark(entry.companyId());
  }

  private static Settlement readBack(
      SettlementEntity posted, BankEntryEntity entry, Map<Long, OpenItemEntity> items) {
    var applications =
        posted.applications().stream()
            .map(
                a ->
                    new Application(
                        items.get(a.itemId()).toItem(),
                        posted.money(a.amountMinor()),
                        posted.money(a.discountMinor())))
            .toList();
    var adjustments =
        posted.adjustments().stream()
            .map(a -> a.kind().of(posted.money(a.amountMinor())))
            .collect(Collectors.toList());
    Money onAccount = posted.onAccount();
    return Settlement.readBack(
        entry.toReceipt(),
        applications,
        adjustments,
        onAccount,
        Optional.ofNullable(posted.onAccountCustomerId()).map(Object::toString));
  }
}
