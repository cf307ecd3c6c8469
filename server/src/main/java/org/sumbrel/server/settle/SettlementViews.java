package org.sumbrel.server.settle;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyView.CompanyName;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.settle.ChequeOrigins.ChequeOrigin;
import org.sumbrel.server.settle.SettlementView.Adjusted;
import org.sumbrel.server.settle.SettlementView.Applied;
import org.sumbrel.server.settle.SettlementView.ReturnView;
import org.sumbrel.server.settle.SettlementView.Reversal;
import org.sumbrel.server.settle.SettlementView.SettledRate;
import org.sumbrel.server.settle.SettlementView.WrittenFor;

/**
 * Shows settlements with the names and numbers that belong to them, looked up for a whole page at
 * once. Of one over several companies everybody sees the parts of those in which he works, and what
 * these owe each other.
 */
@Component
class SettlementViews {

  private final Entries entries;
  private final Customers customers;
  private final SettlementRepository settlements;
  private final ReturnedReceiptRepository returns;
  private final ChequeOrigins origins;
  private final Companies companies;
  private final BankAccounts bankAccounts;

  SettlementViews(
      Entries entries,
      Customers customers,
      SettlementRepository settlements,
      ReturnedReceiptRepository returns,
      ChequeOrigins origins,
      Companies companies,
      BankAccounts bankAccounts) {
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.settlements = settlements;
    this.returns = returns;
    this.origins = origins;
    this.entries = entries;
    this.customers = customers;
  }

  List<SettlementView> of(Collection<SettlementEntity> settlements) {
    var entryIds =
        settlements.stream().map(SettlementEntity::entryId).filter(Objects::nonNull).toList();
    var receipts = entries.briefly(entryIds);
    var cheques = origins.of(entryIds);
    var itemIds = new HashSet<Long>();
    settlements.forEach(s -> s.applications().forEach(a -> itemIds.add(a.itemId())));
    var items = customers.items(itemIds);
    var customerIds =
        items.values().stream()
            .map(OpenItemEntity::customerId)
            .collect(Collectors.toCollection(HashSet::new));
    settlements.stream()
        .map(SettlementEntity::onAccountCustomerId)
        .filter(Objects::nonNull)
        .forEach(customerIds::add);
    settlements.stream()
        .map(SettlementEntity::accountOfId)
        .filter(Objects::nonNull)
        .forEach(customerIds::add);
    var names = customers.names(customerIds);
    var chain = chain(settlements.stream().map(SettlementEntity::id).toList());
    return settlements.stream()
        .map(s -> view(s, receipts.get(s.entryId()), cheques.get(s.entryId()), items, names, chain))
        .toList();
  }

  /** What came after each settlement: what was posted in its place, or the bank's return. */
  private record Chain(Map<Long, Long> replacedBy, Map<Long, ReturnView> returned) {}

  private Chain chain(Collection<Long> ids) {
    var replaced = new HashMap<Long, Long>();
    settlements.findByReplacesIdIn(ids).forEach(s -> replaced.put(s.replacesId(), s.id()));
    var returned = new HashMap<Long, ReturnView>();
    var back = returns.findBySettlementIdIn(ids);
    var debits = entries.briefly(back.stream().map(ReturnedReceiptEntity::debitId).toList());
    for (var one : back) {
      returned.put(
          one.settlementId(),
          new ReturnView(
              one.debitId(),
              debits.get(one.debitId()).bookedOn(),
              MoneyView.of(one.fee()),
              one.feeItemId(),
              one.returnedBy(),
              one.reason()));
    }
    return new Chain(replaced, returned);
  }

  private SettlementView view(
      SettlementEntity s,
      Entries.Brief receipt,
      ChequeOrigin cheque,
      Map<Long, OpenItemEntity> items,
      Map<Long, String> names,
      Chain chain) {
    var who = Membership.current();
    var receives = who.in(s.companyId());
    var applications =
        s.applications().stream()
            .filter(a -> who.in(a.companyId()))
            .map(
                a -> {
                  var item = items.get(a.itemId());
                  return new Applied(
                      a.itemId(),
                      item.number(),
                      item.customerId(),
                      names.getOrDefault(item.customerId(), ""),
                      MoneyView.of(a.amount()),
                      MoneyView.of(a.discount()),
                      other(s, a.companyId()));
                })
            .toList();
    return new SettlementView(
        s.id(),
        s.status(),
        s.origin(),
        s.entryId(),
        s.draftedBy(),
        receipt == null ? s.postedOn() : receipt.bookedOn(),
        payer(s, receipt, names),
        MoneyView.of(s.received()),
        applications,
        s.adjustments().stream()
            .filter(a -> who.in(a.companyId()))
            .map(
                a ->
                    new Adjusted(
                        a.kind(),
                        MoneyView.of(a.amount()),
                        a.reason(),
                        a.text(),
                        other(s, a.companyId())))
            .toList(),
        s.rates().stream()
            .filter(r -> receives || who.in(r.companyId()))
            .map(r -> rate(s, r))
            .toList(),
        MoneyView.of(receives ? s.onAccount() : Money.zero(s.onAccount().getCurrencyUnit())),
        receives && s.onAccountCustomerId() != null ? names.get(s.onAccountCustomerId()) : null,
        s.postedOn(),
        s.postedAt(),
        s.postedBy(),
        receives ? s.journalEntryId() : null,
        receives ? null : companies.called(s.companyId()),
        null,
        s.elsewhere().stream()
            .filter(e -> receives || who.in(e.companyId()))
            .map(
                e ->
                    new WrittenFor(
                        other(s, e.companyId()),
                        who.in(e.companyId()) ? e.journalEntryId() : null,
                        null))
            .toList(),
        s.status() == SettlementEntity.Status.POSTED
            ? null
            : new Reversal(s.reversedBy(), s.reversedAt(), s.reversalReason()),
        s.replacesId(),
        chain.replacedBy().get(s.id()),
        chain.returned().get(s.id()),
        cheque,
        s.payoutId(),
        s.treatmentName(),
        s.transferId(),
        account(s.transferWithId()),
        account(s.sentFromId()),
        s.shownById());
  }

  /** The company, where it is another one than that of the receipt. */
  private CompanyName other(SettlementEntity s, Long company) {
    return company.equals(s.companyId()) ? null : companies.called(company);
  }

  private SettledRate rate(SettlementEntity s, SettlementRateEntity kept) {
    var used = kept.used();
    var exchanged = kept.exchanged();
    return new SettledRate(
        exchanged.map(e -> MoneyView.of(e.given())).orElse(null),
        exchanged.map(e -> MoneyView.of(e.counted())).orElse(null),
        kept.from(),
        kept.to(),
        used.map(u -> u.rate().perUnit().toPlainString()).orElse(null),
        used.map(RateUsed::source).orElse(null),
        used.map(RateUsed::words).orElse(""),
        other(s, kept.companyId()));
  }

  private String account(Long id) {
    return id == null ? null : bankAccounts.account(id).name();
  }

  private static String payer(SettlementEntity s, Entries.Brief receipt, Map<Long, String> names) {
    if (s.payoutWords() != null) {
      return s.payoutWords();
    }
    return receipt == null ? names.getOrDefault(s.accountOfId(), "") : receipt.payerWords();
  }
}
