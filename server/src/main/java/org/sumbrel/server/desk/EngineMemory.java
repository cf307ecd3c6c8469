package org.sumbrel.server.desk;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.propose.Change;
import org.sumbrel.core.propose.CurrentProposals;
import org.sumbrel.core.propose.PastChoice;
import org.sumbrel.core.propose.PastPayer;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.core.propose.Snapshot;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.payers.PayerAliases;
import org.sumbrel.server.remittance.Advices;

/**
 * What the engine knows of each company and thinks of what waits there, kept in memory and brought
 * up to date from the rows that were written since. Whoever looks does so for the company alone and
 * within a transaction; where that comes to nothing, the memory is to be {@link #drop}ped.
 */
@Component
class EngineMemory {

  /** So many payments of the past tell who pays for whom. */
  static final int HISTORY = 20_000;

  /** Where so much was written, everything is read again. */
  private static final int MOST_ROWS = 50_000;

  private static final Set<String> READ =
      Set.of(
          "bank_entry",
          "open_item",
          "customer",
          "customer_account",
          "remittance_advice",
          "payer_alias",
          "policy",
          "company");

  private final BankEntryRepository entries;
  private final Customers customers;
  private final Companies companies;
  private final CompanyPolicies policies;
  private final Advices advices;
  private final PayerAliases aliases;
  private final PastChoices pastChoices;
  private final RowChanges changes;
  private final int history;
  private final Map<Long, Memory> memories = new ConcurrentHashMap<>();

  @Autowired
  EngineMemory(
      BankEntryRepository entries,
      Customers customers,
      Companies companies,
      CompanyPolicies policies,
      Advices advices,
      PayerAliases aliases,
      PastChoices pastChoices,
      RowChanges changes) {
    this(entries, customers, companies, policies, advices, aliases, pastChoices, changes, HISTORY);
  }

  EngineMemory(
      BankEntryRepository entries,
      Customers customers,
      Companies companies,
      CompanyPolicies policies,
      Advices advices,
      PayerAliases aliases,
      PastChoices pastChoices,
      RowChanges changes,
      int history) {
    this.history = history;
    this.entries = entries;
    this.customers = customers;
    this.companies = companies;
    this.policies = policies;
    this.advices = advices;
    this.aliases = aliases;
    this.pastChoices = pastChoices;
    this.changes = changes;
  }

  /**
   * What came of a look.
   *
   * @param whole whether everything was thought about, rather than what changed
   * @param results what is thought and was not thought before
   * @param gone ids of entries that no longer wait
   */
  record News(boolean whole, List<ReceiptProposals> results, Set<Long> gone) {}

  /** Forgets a company; the next look reads everything. */
  void drop(Long company) {
    memories.remove(company);
  }

  /** Whether a look costs no more than what changed. */
  boolean knows(Long company) {
    return memories.containsKey(company);
  }

  /**
   * What is new since the last look.
   *
   * @param progress hears how many entries that came have been thought about, and of how many
   */
  News look(Long company, Progress progress) {
    var memory = memories.get(company);
    var told = memory == null ? null : memory.reader.next();
    if (told != null && memory.follows(told)) {
      return memory.take(told, progress);
    }
    memories.remove(company);
    var fresh = new Memory(company);
    var news = fresh.readAll(progress);
    memories.put(company, fresh);
    return news;
  }

  /**
   * What would be thought otherwise of what waits in a currency if an alias were held to; empty
   * where the company is not known yet.
   */
  Optional<List<ReceiptProposals>> ifKnown(Long company, CurrencyUnit currency, Alias alias) {
    return Optional.ofNullable(memories.get(company))
        .map(memory -> memory.current.get(currency))
        .map(current -> current.ifKnown(alias));
  }

  /** What would be thought of a receipt; empty where nothing is known of its currency yet. */
  Optional<ReceiptProposals> ifCame(Long company, Receipt receipt) {
    return Optional.ofNullable(memories.get(company))
        .map(memory -> memory.current.get(receipt.amount().getCurrencyUnit()))
        .map(current -> current.ifCame(receipt));
  }

  /** What would be thought of all that waits in a currency if the policy were another. */
  List<ReceiptProposals> ifDecided(Long company, CurrencyUnit currency, Policy policy) {
    var other = new Memory(company);
    other.decided.put(currency, policy);
    var ids = new HashSet<String>();
    var results = other.readAll((done, of) -> {}).results();
    other.waiting.forEach(
        (id, unit) -> {
          if (unit.equals(currency)) {
            ids.add(id.toString());
          }
        });
    return results.stream().filter(r -> ids.contains(r.receiptId())).toList();
  }

  /** Hears how far a long look is. */
  interface Progress {
    void thought(int done, int of);
  }

  /** One company. */
  private final class Memory {

    private final Long company;
    private final RowChanges.Reader reader = changes.reader();
    private final Map<String, Customer> known = new HashMap<>();
    private final Map<CurrencyUnit, Policy> decided = new HashMap<>();
    private final Map<CurrencyUnit, CurrentProposals> current = new HashMap<>();
    private final Map<Long, CurrencyUnit> waiting = new HashMap<>();
    private final Set<Long> items = new HashSet<>();
    private final TreeMap<Long, PastPayer> past = new TreeMap<>();
    private final Map<Long, Long> adviceOf = new HashMap<>();
    private final Map<Long, Alias> held = new HashMap<>();
    private final Map<Long, PastChoice> chosen = new HashMap<>();

    Memory(Long company) {
      this.company = company;
    }

    News readAll(Progress progress) {
      reader.next();
      customers.all(company).forEach(c -> known.put(c.id(), c));
      entries
          .settledLast(company, Limit.of(history))
          .forEach(e -> e.toPastPayer().ifPresent(p -> past.put(e.id(), p)));
      held.putAll(aliases.all(company));
      chosen.putAll(pastChoices.all(company));
      var said = said();
      // of whatever currency: what the text names may be in another one than the receipt
      var some = customers.itemsOf(company);
      some.forEach(item -> items.add(item.id()));
      var came = entries.findByCompanyIdAndStatus(company, BankEntryEntity.Status.WAITING);
      var tasks = new HashMap<CurrencyUnit, Change>();
      for (var entry : came) {
        var currency = entry.amount().getCurrencyUnit();
        waiting.put(entry.id(), currency);
        tasks.computeIfAbsent(currency, c -> new Change()).receipt(entry.toReceipt());
      }
      tasks
          .keySet()
          .forEach(
              currency ->
                  current.put(currency, CurrentProposals.over(snapshot(currency, some), said)));
      return new News(true, taken(tasks, progress), Set.of());
    }

    private Map<String, RemittanceAdvice> said() {
      var said = new HashMap<String, RemittanceAdvice>();
      advices
          .tied(company)
          .forEach(
              (entry, kept) -> {
                adviceOf.put(kept.id(), entry);
                said.put(entry.toString(), kept.advice());
              });
      return said;
    }

    private Snapshot snapshot(CurrencyUnit currency, Collection<OpenItemEntity> some) {
      var policy = decided.computeIfAbsent(currency, c -> policies.of(company, c));
      return EngineBooks.of(
          some, known.values(), held.values(), past.values(), chosen.values(), policy);
    }

    private List<ReceiptProposals> taken(Map<CurrencyUnit, Change> tasks, Progress progress) {
      var all = tasks.values().stream().mapToInt(Change::receiptCount).sum();
      var before = 0;
      var results = new ArrayList<ReceiptProposals>();
      for (var task : tasks.entrySet()) {
        var done = before;
        IntConsumer heard = n -> progress.thought(done + n, all);
        results.addAll(current.get(task.getKey()).take(task.getValue(), heard));
        before += task.getValue().receiptCount();
      }
      return results;
    }

    /** Whether these changes can be followed one by one. */
    boolean follows(RowChanges.Told told) {
      var count = READ.stream().mapToInt(table -> told.rows(table).size()).sum();
      if (told.everything() || count > MOST_ROWS) {
        return false;
      }
      for (var policy : decided.entrySet()) {
        if (!told.rows("policy").isEmpty()
            && !policies.of(company, policy.getKey()).equals(policy.getValue())) {
          return false;
        }
      }
      var about = new HashSet<>(told.rows("customer"));
      about.addAll(told.rows("customer_account"));
      var now = new HashMap<String, Customer>();
      customers.some(company, about).forEach(c -> now.put(c.id(), c));
      // who is new is taken up; who is known and not what he was changes what is thought of many
      return about.stream()
          .map(Object::toString)
          .allMatch(id -> !known.containsKey(id) || known.get(id).equals(now.get(id)));
    }

    News take(RowChanges.Told told, Progress progress) {
      var happened = new Happened();
      happened.customers(told.rows("customer"));
      happened.items(told.rows("open_item"));
      happened.advices(told.rows("remittance_advice"));
      happened.aliases(told.rows("payer_alias"));
      happened.choices(told.rows("settlement"));
      happened.entries(told.rows("bank_entry"));
      happened.begin();
      return new News(false, taken(happened.changes, progress), happened.gone);
    }

    /** What the rows that were written mean, for each currency. */
    private final class Happened {

      private final Map<CurrencyUnit, Change> changes = new HashMap<>();
      private final Map<CurrencyUnit, Change> begun = new HashMap<>();
      private final Set<Long> gone = new HashSet<>();

      Happened() {
        current.keySet().forEach(currency -> changes.put(currency, new Change()));
      }

      private void everywhere(Consumer<Change> what) {
        changes.values().forEach(what);
      }

      private Change in(CurrencyUnit currency) {
        return changes.getOrDefault(currency, new Change());
      }

      void customers(Set<Long> ids) {
        for (var customer : customers.some(company, ids)) {
          if (known.put(customer.id(), customer) == null) {
            everywhere(change -> change.customer(customer));
          }
        }
      }

      void items(Set<Long> ids) {
        var left = new HashSet<>(ids);
        for (var item : customers.itemsThere(company, ids)) {
          left.remove(item.id());
          items.add(item.id());
          everywhere(change -> change.item(item.toItem(), Optional.ofNullable(item.settledOn())));
        }
        for (var id : left) {
          if (items.remove(id)) {
            everywhere(change -> change.itemGone(id.toString()));
          }
        }
      }

      void advices(Set<Long> ids) {
        var said = new HashMap<Long, Optional<RemittanceAdvice>>();
        for (var id : ids) {
          var entry = adviceOf.remove(id);
          if (entry != null) {
            said.put(entry, Optional.empty());
          }
        }
        for (var kept : advices.some(company, ids)) {
          if (kept.entryId() != null) {
            adviceOf.put(kept.id(), kept.entryId());
            said.put(kept.entryId(), Optional.of(kept.advice()));
          }
        }
        said.forEach((entry, advice) -> everywhere(c -> c.advice(entry.toString(), advice)));
      }

      void aliases(Set<Long> ids) {
        var now = aliases.some(company, ids);
        for (var id : ids) {
          var before = now.containsKey(id) ? held.put(id, now.get(id)) : held.remove(id);
          if (before != null && !now.containsKey(id)) {
            everywhere(change -> change.aliasGone(before));
          }
          if (before == null && now.containsKey(id)) {
            everywhere(change -> change.alias(now.get(id)));
          }
        }
      }

      void choices(Set<Long> ids) {
        var now = pastChoices.some(company, ids);
        for (var id : ids) {
          var before = now.containsKey(id) ? chosen.put(id, now.get(id)) : chosen.remove(id);
          if (before != null && !before.equals(now.get(id))) {
            everywhere(change -> change.choiceGone(before));
          }
          if (now.containsKey(id) && !now.get(id).equals(before)) {
            everywhere(change -> change.choice(now.get(id)));
          }
        }
      }

      void entries(Set<Long> ids) {
        var left = new HashSet<>(ids);
        for (var entry : entries.findAllById(ids)) {
          if (entry.companyId().equals(company)) {
            left.remove(entry.id());
            entry(entry);
          }
        }
        left.forEach(this::waitsNoMore);
        left.forEach(id -> past(id, null));
        keepHistory();
      }

      private void entry(BankEntryEntity entry) {
        if (entry.status() == BankEntryEntity.Status.WAITING) {
          var currency = entry.amount().getCurrencyUnit();
          waiting.put(entry.id(), currency);
          var change =
              current.containsKey(currency)
                  ? in(currency)
                  : begun.computeIfAbsent(currency, c -> new Change());
          change.receipt(entry.toReceipt());
        } else {
          waitsNoMore(entry.id());
        }
        past(entry.id(), entry.toPastPayer().orElse(null));
      }

      private void waitsNoMore(Long id) {
        var currency = waiting.remove(id);
        if (currency != null) {
          in(currency).receiptGone(id.toString());
          gone.add(id);
        }
      }

      private void past(Long entry, PastPayer now) {
        var before = now == null ? past.remove(entry) : past.put(entry, now);
        if (before != null && !before.equals(now)) {
          everywhere(change -> change.pastGone(before));
        }
        if (now != null && !now.equals(before)) {
          everywhere(change -> change.past(now));
        }
      }

      /** The latest payments count, as many as there may be. */
      private void keepHistory() {
        while (past.size() > history) {
          past(past.firstKey(), null);
        }
        if (past.size() < history && !past.isEmpty()) {
          var missing = Limit.of(history - past.size());
          entries
              .settledBefore(company, past.firstKey(), missing)
              .forEach(e -> past(e.id(), e.toPastPayer().orElse(null)));
        }
      }

      /** In a currency in which nothing waited everything else is read first. */
      void begin() {
        for (var currency : begun.keySet()) {
          current.put(
              currency,
              CurrentProposals.over(snapshot(currency, customers.itemsOf(company)), said()));
        }
        changes.putAll(begun);
      }
    }
  }
}
