package org.sumbrel.server.settle;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.DoubleCounting;
import org.sumbrel.core.propose.DoubleCounting.Earlier;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.WrittenForm;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;

/** Gathers what the core needs to say whether money to an account would count income twice. */
@Service
@Transactional(readOnly = true)
class DoubleCountingWatch {

  private static final int DAYS = 14;
  private static final int MOST = 10;

  private final Entries entries;
  private final Customers customers;
  private final Proposals proposals;
  private final SettlementRepository settlements;
  private final BankAccounts bankAccounts;

  DoubleCountingWatch(
      Entries entries,
      Customers customers,
      Proposals proposals,
      SettlementRepository settlements,
      BankAccounts bankAccounts) {
    this.bankAccounts = bankAccounts;
    this.entries = entries;
    this.customers = customers;
    this.proposals = proposals;
    this.settlements = settlements;
  }

  List<DoubleCounting.Finding> findings(Long entryId) {
    var entry = entries.entry(entryId);
    var explained = isTheBank(entry) ? Proposals.Explained.NOTHING : proposals.explained(entryId);
    var rows =
        customers.items(explained.items().stream().flatMap(List::stream).distinct().toList());
    var explanations =
        explained.items().stream().map(ids -> open(ids, rows)).filter(i -> !i.isEmpty()).toList();
    var payersItems =
        explained.payer().map(customers::openOfFamily).orElse(List.of()).stream()
            .map(OpenItemEntity::toItem)
            .filter(i -> i.open().getCurrencyUnit().equals(entry.amount().getCurrencyUnit()))
            .toList();
    var payerName = explained.payer().map(id -> customers.names(List.of(id)).get(id)).orElse("");
    return DoubleCounting.of(
        entry.toReceipt(),
        explanations,
        customers.withBalance(entry.companyId(), entry.amount(), MOST).stream()
            .map(OpenItemEntity::toItem)
            .toList(),
        payersItems,
        payerName,
        entries.settledAlike(entry, DAYS).stream().map(this::earlier).toList());
  }

  /** The bank pays no invoice, however near its name is to a customer's. */
  private boolean isTheBank(BankEntryEntity entry) {
    var bank = WrittenForm.compact(bankAccounts.account(entry.bankAccountId()).bank());
    return !bank.isEmpty() && WrittenForm.compact(entry.payerName()).startsWith(bank);
  }

  private static List<OpenItem> open(List<Long> ids, Map<Long, OpenItemEntity> rows) {
    return ids.stream().map(id -> rows.get(id).toItem()).filter(i -> !i.settled()).toList();
  }

  private Earlier earlier(BankEntryEntity entry) {
    var settlement =
        settlements
            .findFirstByEntryIdAndStatus(entry.id(), SettlementEntity.Status.POSTED)
            .orElseThrow();
    return new Earlier(
        settlement.id().toString(),
        entry.payerName(),
        entry.payerAccount(),
        entry.amount(),
        entry.bookedOn());
  }
}
