package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OldestFirst;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RefundDue;
import org.sumbrel.core.settle.Policy;

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

  /** What a customer has settled, by what it came to; of several the one that is due last. */
  private final Map<String, Map<Long, TreeSet<OpenItem>>> settledByTotal = new HashMap<>();

  private final Map<String, Customer> customers = new HashMap<>();
  private final Policy policy;

  private CandidateSelector(Policy policy) {
    this.policy = policy;
  }

  static CandidateSelector over(Snapshot snapshot) {
    var selector = new CandidateSelector(snapshot.policy());
    snapshot.customers().forEach(customer -> selector.add(customer, q -> {}));
    // each list is in order as it is filled
    snapshot.items().stream()
        .sorted(OldestFirst.ORDER)
        .forEach(item -> selector.put(item, q -> {}));
    return selector;
  }

  /**
   * Takes up a customer.
   *
   * @param changed hears which questions have another answer now
   */
  void add(Customer customer, IntConsumer changed) {
    customers.put(customer.id(), customer);
    if (customer.parentId().isPresent()) {
      var parent = customer.parentId().get();
      var branches = children.computeIfAbsent(parent, p -> new ArrayList<>());
      branches.add(customer.id());
      changed.accept(Question.BRANCHES.about(parent));
    }
  }

  /** Takes up an item as it stands. */
  void put(OpenItem item, IntConsumer changed) {
    if (open(item)) {
      insert(byCustomer.computeIfAbsent(item.customerId(), c -> new ArrayList<>()), item);
      insert(byBalance.computeIfAbsent(balance(item), b -> new ArrayList<>(1)), item);
    }
    if (twin(item)) {
      settledByTotal
          .computeIfAbsent(item.customerId(), c -> new HashMap<>(2))
          .computeIfAbsent(item.total().getAmountMinorLong(), t -> new TreeSet<>(OldestFirst.ORDER))
          .add(item);
    }
    changed(item, changed);
  }

  /** Forgets an item, as it was taken up. */
  void remove(OpenItem item, IntConsumer changed) {
    if (open(item)) {
      byCustomer.get(item.customerId()).remove(item);
      byBalance.get(balance(item)).remove(item);
    }
    if (twin(item)) {
      var totals = settledByTotal.get(item.customerId());
      totals.get(item.total().getAmountMinorLong()).remove(item);
    }
    changed(item, changed);
  }

  private static void changed(OpenItem item, IntConsumer changed) {
    changed.accept(Question.ACCOUNT.about(item.customerId()));
    changed.accept(Question.BALANCE.about(balance(item)));
  }

  /** What is promised back is paid out, not applied. */
  private static boolean open(OpenItem item) {
    return !item.settled() && !(item instanceof RefundDue);
  }

  private static boolean twin(OpenItem item) {
    return item.settled() && item.total().isPositive();
  }

  private static Long balance(OpenItem item) {
    return item.open().getAmountMinorLong();
  }

  private static void insert(List<OpenItem> items, OpenItem item) {
    var at = items.size();
    while (at > 0 && OldestFirst.ORDER.compare(item, items.get(at - 1)) < 0) {
      at--;
    }
    items.add(at, item);
  }

  /** The groups to compose over, most likely payer first. */
  List<CandidateGroup> select(
      Receipt receipt, List<ReferenceHit> hits, List<PayerLead> leads, Asked asked) {
    var groups = new ArrayList<CandidateGroup>();
    var hitByItem = new HashMap<String, ReferenceHit>();
    for (var hit : hits) {
      hitByItem.put(hit.item().id(), hit);
    }
    var covered = new HashSet<String>();
    for (var lead : leads) {
      var items = itemsOfFamily(lead.customerId(), asked);
      items.forEach(i -> covered.add(i.id()));
      groups.add(
          new CandidateGroup(
              Optional.of(lead.customerId()),
              List.of(lead.evidence()),
              candidates(receipt, items, hitByItem),
              elsewhere(receipt, items)));
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
              Optional.empty(),
              strangerTo(leads, named),
              candidates(receipt, named, hitByItem),
              elsewhere(receipt, named)));
    }
    if (leads.isEmpty() && named.isEmpty()) {
      asked.ask(Question.BALANCE, receipt.amount().getAmountMinorLong());
      var equal = byBalance.getOrDefault(receipt.amount().getAmountMinorLong(), List.of());
      var kept = equal.subList(0, Math.min(MOST_BY_AMOUNT, equal.size()));
      groups.add(
          new CandidateGroup(
              Optional.empty(), List.of(), candidates(receipt, kept, hitByItem), Set.of()));
    }
    for (var group : groups) {
      // what their owners have settled already is looked at too
      group.candidates().forEach(c -> asked.ask(Question.ACCOUNT, c.item().customerId()));
    }
    return groups;
  }

  /** An item of this customer that came to the same amount and is settled already. */
  Optional<OpenItem> settledTwin(String customerId, Money amount) {
    var twins = settledByTotal.getOrDefault(customerId, Map.of()).get(amount.getAmountMinorLong());
    return twins == null
        ? Optional.empty()
        : twins.descendingSet().stream().filter(i -> i.total().equals(amount)).findFirst();
  }

  private static Set<CurrencyUnit> elsewhere(Receipt receipt, List<OpenItem> items) {
    return items.stream()
        .map(i -> i.open().getCurrencyUnit())
        .filter(unit -> !unit.equals(receipt.amount().getCurrencyUnit()))
        .collect(Collectors.toCollection(TreeSet::new));
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

  private List<OpenItem> itemsOfFamily(String customerId, Asked asked) {
    asked.ask(Question.ACCOUNT, customerId);
    asked.ask(Question.BRANCHES, customerId);
    var items = new ArrayList<>(byCustomer.getOrDefault(customerId, List.of()));
    var branches = children.getOrDefault(customerId, List.of());
    if (!branches.isEmpty()) {
      for (var child : branches) {
        asked.ask(Question.ACCOUNT, child);
        items.addAll(byCustomer.getOrDefault(child, List.of()));
      }
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
            .discountEarned(invoice.open(), receipt.receivedOn(), policy.discountGraceDays())
            .getAmountMinorLong()
        : 0;
  }
}
