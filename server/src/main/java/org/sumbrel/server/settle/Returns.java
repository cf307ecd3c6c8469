package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.settle.ReturnedReceipt;
import org.sumbrel.core.settle.ReturnedReceipt.Debit;
import org.sumbrel.core.settle.ReturnedReceipt.Taken;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;

/** Receipts that the bank took back: their settlement is reversed, the fee charged on or borne. */
@Service
@Transactional
class Returns {

  private static final int MOST_SHOWN = 10;

  private final ReturnedReceiptRepository returned;
  private final SettlementRepository settlements;
  private final Reversals reversals;
  private final Entries entries;
  private final Customers customers;
  private final BankAccounts bankAccounts;
  private final Journal journal;
  private final Proposals proposals;
  private final BankedReceipts banked;
  private final Clock clock;

  Returns(
      ReturnedReceiptRepository returned,
      SettlementRepository settlements,
      Reversals reversals,
      Entries entries,
      Customers customers,
      BankAccounts bankAccounts,
      Journal journal,
      Proposals proposals,
      BankedReceipts banked,
      Clock clock) {
    this.banked = banked;
    this.returned = returned;
    this.settlements = settlements;
    this.reversals = reversals;
    this.entries = entries;
    this.customers = customers;
    this.bankAccounts = bankAccounts;
    this.journal = journal;
    this.proposals = proposals;
    this.clock = clock;
  }

  /** Debits that may be the return of an entry, likeliest first. */
  @Transactional(readOnly = true)
  List<Debit> candidates(Long entryId) {
    var entry = credit(entryId);
    return ReturnedReceipt.candidates(entry.toReceipt(), entry.checkNumber(), debits(entry));
  }

  /** Debits that may be the fee of a return. */
  @Transactional(readOnly = true)
  List<Debit> fees(Long debitId) {
    var debit = entries.entry(debitId);
    return ReturnedReceipt.fees(
        debit.bookedOn(), debits(debit).stream().filter(d -> !d.key().equals(debitId)).toList());
  }

  /** Receipts that a debit may have taken back, likeliest first. */
  @Transactional(readOnly = true)
  List<Taken> takenBackBy(Long debitId) {
    var entry = entries.entry(debitId);
    if (entry.status() != BankEntryEntity.Status.DEBIT) {
      return List.of();
    }
    var most = entry.amount().abs();
    var least = ReturnedReceipt.least(most).getAmountMinorLong();
    var since = entry.bookedOn().minusDays(ReturnedReceipt.DAYS);
    var found =
        new ArrayList<>(
            entries.all(
                banked.takenTo(entry.bankAccountId(), since, least, most.getAmountMinorLong())));
    found.addAll(
        entries.credits(
            entry.bankAccountId(), least, most.getAmountMinorLong(), since, entry.bookedOn()));
    return ReturnedReceipt.takenBackBy(
            debit(entry),
            found.stream()
                .filter(this::returnable)
                .map(e -> new Taken(e.toReceipt(), e.checkNumber()))
                .toList())
        .stream()
        .limit(MOST_SHOWN)
        .toList();
  }

  private static Debit debit(BankEntryEntity entry) {
    return new Debit(
        entry.id(), entry.bookedOn(), entry.amount(), entry.payerName() + " " + entry.remittance());
  }

  /** Who owed what a receipt had paid, by their ids; empty where it was settled for nobody. */
  @Transactional(readOnly = true)
  Map<Long, String> owners(Long entryId) {
    return settlements
        .findFirstByEntryIdAndStatus(entryId, SettlementEntity.Status.POSTED)
        .map(
            s ->
                customers.names(
                    customers
                        .items(s.applications().stream().map(ApplicationEntity::itemId).toList())
                        .values()
                        .stream()
                        .map(OpenItemEntity::customerId)
                        .toList()))
        .orElse(Map.of());
  }

  /** What a return by these debits would cost; the fee's debit may be null. */
  @Transactional(readOnly = true)
  Money cost(Long entryId, Long debitId, Long feeDebitId) {
    return cost(credit(entryId), entries.entry(debitId), feeDebitId);
  }

  private Money cost(BankEntryEntity entry, BankEntryEntity debit, Long feeDebitId) {
    return ReturnedReceipt.fee(
        entry.amount(),
        debit.amount(),
        feeDebitId == null
            ? Money.zero(entry.amount().getCurrencyUnit())
            : entries.entry(feeDebitId).amount());
  }

  /** The bank account on which the money arrived, straight or in a deposit. */
  private Long account(BankEntryEntity entry) {
    return banked.takenTo(entry.id()).orElse(entry.bankAccountId());
  }

  private List<Debit> debits(BankEntryEntity entry) {
    return entries.debits(account(entry), entry.bookedOn()).stream().map(Returns::debit).toList();
  }

  /**
   * Notes that the bank took an entry back.
   *
   * @param feeDebitId the debit of the fee, where the bank booked one of its own; else null
   * @param chargedTo the customer who owes the fee; null where we bear it
   * @param again whether a cheque that was banked is in the pouch again, to be presented once more
   * @throws org.sumbrel.core.settle.SettlementRefused where less was taken back than had arrived,
   *     or money that was kept on account has been used since
   */
  ReturnedReceiptEntity take(
      Long entryId,
      Long debitId,
      Long feeDebitId,
      Long chargedTo,
      boolean again,
      String reason,
      Actor actor) {
    var entry = credit(entryId);
    var debit = debit(entry, debitId);
    var feeDebit = feeDebitId == null ? null : debit(entry, feeDebitId);
    if (debitId.equals(feeDebitId)) {
      throw new BadRequest("The return and its fee are the same debit; choose the fee's own.");
    }
    var fee = cost(entry, debit, feeDebitId);
    var settlement =
        settlements.findFirstByEntryIdAndStatus(entryId, SettlementEntity.Status.POSTED);
    settlement.ifPresent(s -> reversals.reverse(s.id(), "Returned by the bank: " + reason, actor));
    entry.takenBack();
    var written = banked.tookBack(entryId, again, reason, actor);
    debit.takenBack();
    if (feeDebit != null) {
      feeDebit.takenBack();
    }
    var noted =
        new ReturnedReceiptEntity(
            entry.companyId(),
            entryId,
            debitId,
            feeDebitId,
            settlement.map(SettlementEntity::id).orElse(null),
            reason,
            actor.name(),
            clock.instant());
    written.ifPresent(noted::writtenAs);
    charge(noted, entry, fee, chargedTo, actor);
    proposals.mark(entry.companyId());
    return returned.save(noted);
  }

  private void charge(
      ReturnedReceiptEntity noted, BankEntryEntity entry, Money fee, Long chargedTo, Actor actor) {
    if (fee.isZero()) {
      noted.costs(fee, null, null);
      return;
    }
    var company = entry.companyId();
    var today = LocalDate.now(clock);
    var text =
        "Fee for the return of "
            + MoneyText.grouped(entry.amount())
            + " of "
            + DayText.of(entry.bookedOn());
    var debtor =
        Optional.ofNullable(chargedTo).map(id -> customers.customer(company, id).id().toString());
    var item =
        debtor
            .map(owner -> ReturnedReceipt.chargedOn(entry.toReceipt(), fee, owner, today))
            .map(owed -> customers.add(owed, (Long) null))
            .orElse(null);
    var bank = bankAccounts.account(account(entry)).ledgerAccountId();
    var written =
        journal.write(
            Posting.returnFee(company.toString(), fee, debtor, today, text),
            bank,
            actor.name(),
            null);
    noted.costs(fee, item == null ? null : item.id(), written);
  }

  private BankEntryEntity credit(Long id) {
    var entry = entries.entry(id);
    if (!entry.amount().isPositive()) {
      throw new BadRequest("This entry is money from us; choose the receipt that was taken back.");
    }
    if (!returnable(entry)) {
      throw new Conflict(
          "NOT_HERE",
          "These "
              + MoneyText.grouped(entry.amount())
              + " neither wait nor are settled, so they cannot be returned.");
    }
    return entry;
  }

  private boolean returnable(BankEntryEntity entry) {
    return entry.status() == BankEntryEntity.Status.WAITING
        || entry.status() == BankEntryEntity.Status.SETTLED
        || entry.status() == BankEntryEntity.Status.SOLD;
  }

  private BankEntryEntity debit(BankEntryEntity entry, Long id) {
    var debit = entries.entry(id);
    if (debit.status() != BankEntryEntity.Status.DEBIT
        || !debit.bankAccountId().equals(account(entry))) {
      throw new Conflict(
          "NO_DEBIT",
          "The entry of "
              + MoneyText.grouped(debit.amount())
              + " is no free debit of the same bank account.");
    }
    return debit;
  }
}
