package org.sumbrel.server.settle;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.propose.NamedItems;
import org.sumbrel.core.propose.Namesakes;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.RefundDue;
import org.sumbrel.core.settle.ElsewhereProposal;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.CustomerEntity;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankConversion;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;

/**
 * What a waiting entry may pay in other currencies, at the bank's own figures or a rate, and for
 * other companies.
 */
@Service
@Transactional(readOnly = true)
class Elsewhere {

  /** So many customers are looked at whose names have a word of the payer's. */
  private static final int MOST_ALIKE = 50;

  private final Entries entries;
  private final Proposals proposals;
  private final Customers customers;
  private final Companies companies;
  private final CompanyPolicies policies;
  private final Valuing valuing;

  Elsewhere(
      Entries entries,
      Proposals proposals,
      Customers customers,
      Companies companies,
      CompanyPolicies policies,
      Valuing valuing) {
    this.entries = entries;
    this.proposals = proposals;
    this.customers = customers;
    this.companies = companies;
    this.policies = policies;
    this.valuing = valuing;
  }

  List<ElsewhereProposal> of(Long entryId) {
    var entry = entries.entry(entryId);
    if (entry.status() != BankEntryEntity.Status.WAITING || !entry.amount().isPositive()) {
      return List.of();
    }
    var explained = proposals.explained(entryId);
    var mentioned = open(customers.itemsThere(entry.companyId(), explained.named()));
    var others = ofOthers(entry);
    var named = new ArrayList<OpenItem>();
    if (!others.isEmpty() || !elsewhere(entry, mentioned).isEmpty()) {
      // with what the text names in the receipt's own currency and company
      named.addAll(mentioned);
      named.addAll(others);
    }
    var owed =
        new ArrayList<>(
            elsewhere(
                entry,
                open(explained.payer().map(customers::openOfFamily).orElseGet(() -> List.of()))));
    if (named.isEmpty()) {
      owed.addAll(owedToOthers(entry, explained.payer()));
    }
    if (named.isEmpty() && owed.isEmpty()) {
      return List.of();
    }
    return ElsewhereProposal.of(
        entry.toReceipt(),
        named,
        owed,
        explained.payer().map(Object::toString),
        new Known(entry),
        policies);
  }

  /** Open items of other companies, in which whoever asks works, that the text names. */
  private List<OpenItem> ofOthers(BankEntryEntity entry) {
    var receipt = entry.toReceipt();
    var numbers = NamedItems.numbersIn(receipt);
    var found = new ArrayList<OpenItem>();
    for (var other : companies.ids()) {
      if (!other.equals(entry.companyId()) && Membership.current().in(other)) {
        found.addAll(open(customers.itemsNumbered(other, numbers)));
      }
    }
    return found.isEmpty() ? found : NamedItems.in(receipt, found);
  }

  /** What who is called as the payer owes other companies in which whoever asks works. */
  private List<OpenItem> owedToOthers(BankEntryEntity entry, Optional<Long> payer) {
    var names = new ArrayList<String>();
    names.add(entry.payerName());
    payer.ifPresent(id -> names.add(customers.names(List.of(id)).get(id)));
    var found = new ArrayList<OpenItem>();
    for (var other : companies.ids()) {
      if (!other.equals(entry.companyId()) && Membership.current().in(other)) {
        called(other, names).forEach(who -> found.addAll(open(customers.openOf(who.id()))));
      }
    }
    return found;
  }

  private List<CustomerEntity> called(Long company, List<String> names) {
    var found = new LinkedHashSet<CustomerEntity>();
    for (var name : names) {
      Namesakes.lookUp(name)
          .forEach(word -> found.addAll(customers.like(company, word, MOST_ALIKE)));
    }
    return Namesakes.in(found, CustomerEntity::name, names);
  }

  private static List<OpenItem> open(Collection<OpenItemEntity> items) {
    return items.stream()
        .filter(i -> !i.open().isZero())
        .map(OpenItemEntity::toItem)
        .filter(i -> !(i instanceof RefundDue))
        .toList();
  }

  private static List<OpenItem> elsewhere(BankEntryEntity entry, List<OpenItem> items) {
    var own = entry.amount().getCurrencyUnit();
    return items.stream().filter(i -> !i.open().getCurrencyUnit().equals(own)).toList();
  }

  private final class Known implements ElsewhereProposal.Known {
    private final BankEntryEntity entry;

    private Known(BankEntryEntity entry) {
      this.entry = entry;
    }

    @Override
    public List<RateUsed> rates(CurrencyUnit from) {
      var own = entry.amount().getCurrencyUnit();
      return entry
          .conversion()
          .filter(bank -> bank.instructed().getCurrencyUnit().equals(from))
          .map(bank -> List.of(bank.used(entry.amount())))
          .orElseGet(() -> valuing.recent(from, own, entry.bookedOn()));
    }

    @Override
    public String company(String id) {
      return companies.company(Long.valueOf(id)).name();
    }

    @Override
    public String customer(String id) {
      var customer = Long.valueOf(id);
      return customers.names(List.of(customer)).get(customer);
    }

    @Override
    public Money charges() {
      return entry
          .conversion()
          .map(BankConversion::charges)
          .orElse(Money.zero(entry.amount().getCurrencyUnit()));
    }
  }
}
