package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OldestFirst;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RefundDue;

/**
 * Third stage: the open items worth composing. Those of the plausible payers and their branches;
 * those that the text names, whoever owns them; and, where nobody is plausible, those whose balance
 * is the amount.
 */
final class CandidateSelector {

  private static final int MOST_BY_AMOUNT = 25;

  private final Map<String, List<OpenItem>> byCustomer = new HashMap<>();
  private final Map<Long, List<OpenItem>> byBalance = new HashMap<>();
  private final Map<String, List<String>> children = new HashMap<>();
  private final Map<String, Map<Long, OpenItem>> settledByTotal = new HashMap<>();
  private final Map<String, Customer> customers;
  private final Snapshot snapshot;

  private CandidateSelector(Snapshot snapshot) {
    this.snapshot = snapshot;
    this.customers =
        snapshot.customers().stream().collect(Collectors.toMap(Customer::id, Function.identity()));
  }

  static CandidateSelector over(Snapshot snapshot) {
    var selector = new CandidateSelector(snapshot);
    for (var item : snapshot.items()) {
      // what is promised back is paid out, not applied
      if (!item.settled() && !(item instanceof RefundDue)) {
        selector.byCustomer.computeIfAbsent(item.customerId(), c -> new ArrayList<>()).add(item);
        selector
            .byBalance
            .computeIfAbsent(item.open().getAmountMinorLong(), b -> new ArrayList<>(1))
            .add(item);
      }
      if (item.settled() && item.total().isPositive()) {
        selector
            .settledByTotal
            .computeIfAbsent(item.customerId(), c -> new HashMap<>(2))
            .merge(item.total().getAmountMinorLong(), item, CandidateSelector::laterDue);
      }
    }
    selector.byCustomer.values().forEach(items -> items.sort(OldestFirst.ORDER));
    selector.byBalance.values().forEach(items -> items.sort(OldestFirst.ORDER));
    for (var customer : snapshot.customers()) {
      customer
          .parentId()
          .ifPresent(
              p -> selector.children.computeIfAbsent(p, x -> new ArrayList<>()).add(customer.id()));
    }
    return selector;
  }

  /** The groups to compose over, most likely payer first. */
  List<CandidateGroup> select(Receipt receipt, List<ReferenceHit> hits, List<PayerLead> leads) {
    var groups = new ArrayList<CandidateGroup>();
    var hitByItem = new HashMap<String, ReferenceHit>();
    for (var hit : hits) {
      hitByItem.put(hit.item().id(), hit);
    }
    var covered = new HashSet<String>();
    for (var lead : leads) {
      var items = itemsOfFamily(lead.customerId());
      items.forEach(i -> covered.add(i.id()));
      groups.add(
          new CandidateGroup(
              Optional.of(lead.customerId()),
              List.of(lead.evidence()),
              candidates(receipt, items, hitByItem)));
    }
    var named =
        hits.stream()
            .map(ReferenceHit::item)
            .filter(i -> !i.settled())
            .sorted(OldestFirst.ORDER)
            .toList();
    if (named.stream().anyMatch(i -> !covered.contains(i.id()))) {
      groups.add(
          new CandidateGroup(
              Optional.empty(), strangerTo(leads, named), candidates(receipt, named, hitByItem)));
    }
    if (leads.isEmpty() && named.isEmpty()) {
      var equal = byBalance.getOrDefault(receipt.amount().getAmountMinorLong(), List.of());
      var kept = equal.subList(0, Math.min(MOST_BY_AMOUNT, equal.size()));
      groups.add(
          new CandidateGroup(Optional.empty(), List.of(), candidates(receipt, kept, hitByItem)));
    }
    return groups;
  }

  private static OpenItem laterDue(OpenItem one, OpenItem other) {
    return OldestFirst.ORDER.compare(one, other) > 0 ? one : other;
  }

  /** An item of this customer that came to the same amount and is settled already. */
  Optional<OpenItem> settledTwin(String customerId, long amount) {
    return Optional.ofNullable(settledByTotal.getOrDefault(customerId, Map.of()).get(amount));
  }

  /** Whether the customer, or one of its branches, is among these payers. */
  boolean paidBy(String customerId, List<PayerLead> leads) {
    var parent = customer(customerId).flatMap(Customer::parentId).orElse("");
    return leads.stream()
        .map(PayerLead::customerId)
        .anyMatch(id -> id.equals(customerId) || id.equals(parent));
  }

  Optional<Customer> customer(String id) {
    return Optional.ofNullable(customers.get(id));
  }

  private List<OpenItem> itemsOfFamily(String customerId) {
    var items = new ArrayList<>(byCustomer.getOrDefault(customerId, List.of()));
    var branches = children.getOrDefault(customerId, List.of());
    if (!branches.isEmpty()) {
      branches.forEach(child -> items.addAll(byCustomer.getOrDefault(child, List.of())));
      items.sort(OldestFirst.ORDER);
    }
    return items;
  }

  private List<Evidence> strangerTo(List<PayerLead> leads, List<OpenItem> named) {
    if (leads.isEmpty()) {
      return List.of();
    }
    var owners =
        named.stream()
            .filter(i -> !paidBy(i.customerId(), leads))
            .map(i -> customer(i.customerId()).map(Customer::name).orElse(i.customerId()))
            .distinct()
            .limit(3)
            .collect(Collectors.joining(", "));
    return List.of(
        new Evidence(
            "payer.stranger",
            "but this payer is not known to pay for " + owners,
            Weights.STRANGE_PAYER));
  }

  private List<Candidate> candidates(
      Receipt receipt, List<OpenItem> items, Map<String, ReferenceHit> hits) {
    var found = new ArrayList<Candidate>(items.size());
    for (var item : items) {
      if (item.open().getCurrencyUnit().equals(receipt.amount().getCurrencyUnit())) {
        found.add(candidate(receipt, item, hits.get(item.id())));
      }
    }
    return found;
  }

  /** An item as it may be part of an explanation of the receipt. */
  Candidate candidate(Receipt receipt, OpenItem item, ReferenceHit hit) {
    return new Candidate(
        item, item.open().getAmountMinorLong(), discount(item, receipt), late(item, receipt), hit);
  }

  /** The discount that its day and the days of grace have passed for. */
  private long late(OpenItem item, Receipt receipt) {
    return item instanceof Invoice invoice
            && invoice.terms().isPresent()
            && discount(item, receipt) == 0
        ? invoice.discountEarned(invoice.open(), invoice.issuedOn(), 0).getAmountMinorLong()
        : 0;
  }

  private long discount(OpenItem item, Receipt receipt) {
    return item instanceof Invoice invoice
        ? invoice
            .discountEarned(
                invoice.open(), receipt.receivedOn(), snapshot.policy().discountGraceDays())
            .getAmountMinorLong()
        : 0;
  }
}
