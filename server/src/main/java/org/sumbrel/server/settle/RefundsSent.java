package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/**
 * Refunds that were sent to customers before the bank shows them: they lower what we owe on the day
 * they are sent, and stand as outstanding in the tie-out until the bank has booked them.
 */
@Service
@Transactional
class RefundsSent {

  private final SettlementRepository settlements;
  private final Entries entries;
  private final Customers customers;
  private final BankAccounts bankAccounts;
  private final CompanyPolicies policies;
  private final Journal journal;
  private final Proposals proposals;
  private final Valuing valuing;
  private final Clock clock;

  RefundsSent(
      SettlementRepository settlements,
      Entries entries,
      Customers customers,
      BankAccounts bankAccounts,
      CompanyPolicies policies,
      Journal journal,
      Proposals proposals,
      Valuing valuing,
      Clock clock) {
    this.valuing = valuing;
    this.settlements = settlements;
    this.entries = entries;
    this.customers = customers;
    this.bankAccounts = bankAccounts;
    this.policies = policies;
    this.journal = journal;
    this.proposals = proposals;
    this.clock = clock;
  }

  /**
   * Sends what is owed to one customer.
   *
   * @param items what is paid out, each amount negative as its item's balance is
   * @return the settlement's id
   * @throws org.sumbrel.core.settle.SettlementRefused where more would be paid out than is owed
   */
  Long send(Long bankAccountId, List<AppliedItem> items, String words, Actor actor) {
    var account = bankAccounts.account(bankAccountId);
    var rows = customers.items(items.stream().map(AppliedItem::itemId).distinct().toList());
    var owners = rows.values().stream().map(OpenItemEntity::customerId).collect(Collectors.toSet());
    var owner = owner(owners, account.companyId());
    var currency = CurrencyUnit.of(account.currency());
    var today = LocalDate.now(clock);
    var zero = Money.zero(currency);
    var applications =
        items.stream()
            .map(i -> new Application(rows.get(i.itemId()).toItem(), i.amount().toMoney(), zero))
            .toList();
    var total = applications.stream().map(Application::amount).reduce(zero, Money::plus);
    if (!total.isNegative()) {
      throw new BadRequest("A refund sends money; these items come to " + total.getAmount() + ".");
    }
    var receipt = Receipt.none(account.companyId().toString(), today, currency).of(total);
    var settlement =
        new Draft(receipt, applications, List.of(), zero, Optional.empty())
            .settle(policies.of(account.companyId(), currency), actor.authority());
    for (var item : settlement.itemsAfter()) {
      rows.get(Long.valueOf(item.id())).balanceIs(item.open(), today);
    }
    var text =
        "Refund sent to "
            + customers.names(List.of(owner)).get(owner)
            + (words.isEmpty() ? "" : ", " + words);
    var valued = valuing.of(settlement, today, text, rows);
    valued.takeFrom(rows);
    var written = journal.write(valued.entry(), account.ledgerAccountId(), actor.name(), null);
    var made =
        new SettlementEntity(
            settlement,
            null,
            owner,
            SettlementEntity.Origin.HAND,
            null,
            actor.name(),
            clock.instant(),
            today,
            written,
            null);
    made.valued(valued);
    made.sentFrom(bankAccountId);
    var posted = settlements.save(made);
    proposals.mark(account.companyId());
    return posted.id();
  }

  private Long owner(Set<Long> owners, Long company) {
    if (owners.size() != 1) {
      throw new BadRequest(
          owners.isEmpty()
              ? "Say what is paid out."
              : "A refund goes to one customer; these items are of " + owners.size() + ".");
    }
    return customers.customer(company, owners.iterator().next()).id();
  }

  /** A refund that the bank may have booked. */
  record Sent(Long settlementId, Long customerId, LocalDate on, Money amount) {}

  /** Refunds of this amount that were sent from the account and that the bank has not shown. */
  @Transactional(readOnly = true)
  List<Sent> outstanding(BankEntryEntity debit) {
    return settlements
        .findBySentFromIdAndStatusAndShownByIdIsNullOrderById(
            debit.bankAccountId(), SettlementEntity.Status.POSTED)
        .stream()
        .filter(s -> s.received().equals(debit.amount()))
        .map(s -> new Sent(s.id(), s.accountOfId(), s.postedOn(), s.received()))
        .toList();
  }

  /**
   * The bank has booked a refund that was sent.
   *
   * @throws Conflict where the entry is explained already or of another amount
   */
  void shown(Long settlementId, Long entryId) {
    var refund =
        settlements
            .held(settlementId)
            .filter(s -> s.sentFromId() != null)
            .orElseThrow(() -> new NotThere("refund", settlementId));
    var entry = entries.entry(entryId);
    if (entry.status() != BankEntryEntity.Status.DEBIT
        || refund.shownById() != null
        || refund.status() != SettlementEntity.Status.POSTED) {
      throw new Conflict("NOT_HERE", "This was explained by somebody else just now; look again.");
    }
    if (!refund.received().equals(entry.amount())
        || !refund.sentFromId().equals(entry.bankAccountId())) {
      throw new Conflict(
          "OTHER_AMOUNT",
          "The refund of "
              + DayText.of(refund.postedOn())
              + " is "
              + MoneyText.grouped(refund.received().abs())
              + ", the bank booked "
              + MoneyText.grouped(entry.amount().abs())
              + ".");
    }
    refund.shownBy(entryId);
    entry.settledFor(refund.accountOfId());
    proposals.mark(entry.companyId());
  }

  /**
   * What is owed to customers in an account's currency and may be paid out, by the amount asked.
   */
  @Transactional(readOnly = true)
  List<OpenItemEntity> owed(BankEntryEntity debit, int most) {
    return customers.withBalance(debit.companyId(), debit.amount(), most);
  }
}
