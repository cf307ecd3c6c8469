package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.DoubleCounting;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.BankEntryEntity.Status;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;

/**
 * Posts bank entries that are no receipts to accounts, in either direction: each a settlement like
 * any other, to be looked at, found and taken back as those are.
 */
@Service
@Transactional
public class AccountSettlements {

  private final SettlementRepository settlements;
  private final HeldDrafts held;
  private final DoubleCountingWatch watch;
  private final Entries entries;
  private final BankAccounts bankAccounts;
  private final CompanyPolicies policies;
  private final Journal journal;
  private final Proposals proposals;
  private final Valuing valuing;
  private final Clock clock;

  AccountSettlements(
      SettlementRepository settlements,
      HeldDrafts held,
      DoubleCountingWatch watch,
      Entries entries,
      BankAccounts bankAccounts,
      CompanyPolicies policies,
      Journal journal,
      Proposals proposals,
      Valuing valuing,
      Clock clock) {
    this.valuing = valuing;
    this.settlements = settlements;
    this.held = held;
    this.watch = watch;
    this.entries = entries;
    this.bankAccounts = bankAccounts;
    this.policies = policies;
    this.journal = journal;
    this.proposals = proposals;
    this.clock = clock;
  }

  /**
   * What speaks against booking money to an account, as a sentence: what its payer has open, or
   * what looks like the same money settled before; empty where nothing does.
   */
  @Transactional(readOnly = true)
  public String speaksAgainst(Long entryId) {
    return watch.findings(entryId).stream()
        .findFirst()
        .map(DoubleCounting.Finding::sentence)
        .orElse("");
  }

  /** Whether somebody has a draft of an entry. */
  @Transactional(readOnly = true)
  public boolean drafted(Long entryId) {
    return held.about(new DraftSubject(entryId, null)).isPresent();
  }

  /** Those of these entries that were settled before, whatever became of it. */
  @Transactional(readOnly = true)
  public List<Long> everSettled(List<Long> entryIds) {
    return settlements.ofEntries(entryIds).stream()
        .map(SettlementEntity::entryId)
        .distinct()
        .toList();
  }

  /**
   * Posts an entry.
   *
   * @param parts all of it
   * @param byItself whether no hand is in it
   * @return the settlement's id
   * @throws Conflict where it is explained already, or somebody has a draft of it
   * @throws org.sumbrel.core.settle.SettlementRefused where the parts do not come to its amount
   */
  public Long post(
      Long entryId, List<ToAccount> parts, Grounds grounds, boolean byItself, Actor actor) {
    return post(entryId, parts, grounds, byItself, LocalDate.now(clock), actor);
  }

  /** Posts what was booked so on a day of the past, before Sumbrel was there. */
  public void postOfThePast(Long entryId, List<ToAccount> parts, Actor actor) {
    post(entryId, parts, Grounds.NONE, false, entries.entry(entryId).bookedOn(), actor);
  }

  private Long post(
      Long entryId,
      List<ToAccount> parts,
      Grounds grounds,
      boolean byItself,
      LocalDate on,
      Actor actor) {
    var entry = entries.entry(entryId);
    requireFree(entry);
    var kept = held.about(new DraftSubject(entryId, null));
    kept.ifPresent(draft -> HeldDrafts.requireHolder(draft, actor));
    var receipt = entry.toReceipt();
    var currency = receipt.amount().getCurrencyUnit();
    var settlement =
        new Draft(receipt, List.of(), List.copyOf(parts), Money.zero(currency), Optional.empty())
            .settle(policies.of(entry.companyId(), currency), actor.authority());
    var valued = valuing.of(settlement, on, Settlements.sentence(entry), Map.of());
    var written =
        journal.write(
            valued.entry(),
            bankAccounts.account(entry.bankAccountId()).ledgerAccountId(),
            actor.name(),
            null);
    var before = settlements.ofEntries(List.of(entryId));
    var made =
        new SettlementEntity(
            settlement,
            entryId,
            null,
            byItself ? SettlementEntity.Origin.TREATMENT : SettlementEntity.Origin.HAND,
            null,
            actor.name(),
            clock.instant(),
            on,
            written,
            before.isEmpty() ? null : before.get(before.size() - 1).id());
    made.valued(valued);
    made.on(grounds);
    var posted = settlements.save(made);
    entry.settledFor(null);
    kept.ifPresent(held::done);
    proposals.mark(entry.companyId());
    return posted.id();
  }

  private static void requireFree(BankEntryEntity entry) {
    if (entry.status() != Status.WAITING && entry.status() != Status.DEBIT) {
      throw new Conflict(
          "NOT_HERE",
          "These "
              + MoneyText.grouped(entry.amount().abs())
              + " are explained already; nothing was posted.");
    }
  }

  /** The one side of a transfer that has come, whose other is awaited on an account. */
  public record Awaited(Long transferId, Long entryId) {}

  /** The transfers of which the other side is awaited on this account. */
  @Transactional(readOnly = true)
  public List<Awaited> awaitedOn(Long bankAccountId) {
    return settlements.transfersAwaitedOn(bankAccountId).stream()
        .map(s -> new Awaited(s.transferId(), s.entryId()))
        .toList();
  }

  /** How often each house rule was used, and when last, by its id; those taken back left out. */
  public record Used(long times, LocalDate last, Money amount) {}

  @Transactional(readOnly = true)
  public Map<Long, Used> used(Long companyId) {
    return settlements.used(companyId).stream()
        .collect(
            Collectors.toMap(
                SettlementRepository.Use::treatmentId,
                u ->
                    new Used(
                        u.times(),
                        u.last(),
                        Money.ofMinor(CurrencyUnit.of(u.currency()), u.amountMinor()))));
  }
}
