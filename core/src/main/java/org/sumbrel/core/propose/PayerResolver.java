package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Receipt;

/** Second stage: who sent the money, by account, alias, history and name. */
final class PayerResolver {

  private static final int MOST_LEADS = 4;
  private static final int KEY_LENGTH = 4;
  private static final int TELLING = 200;

  /** The longest field that banks have for a name. */
  private static final int NAME_LENGTH = 140;

  private final Map<String, Customer> customers = new HashMap<>();
  private final Map<String, PayerName> names = new HashMap<>();
  private final Map<String, List<String>> byAccount = new HashMap<>();
  private final Map<String, String> byAlias = new HashMap<>();
  private final Map<String, List<String>> byNameKey = new HashMap<>();
  private final Map<String, List<String>> byJoinedName = new HashMap<>();
  private final Map<String, Map<String, Integer>> history = new HashMap<>();

  private PayerResolver() {}

  static PayerResolver over(Snapshot snapshot) {
    var resolver = new PayerResolver();
    for (var customer : snapshot.customers()) {
      resolver.customers.put(customer.id(), customer);
      var name = PayerName.of(customer.name());
      resolver.names.put(customer.id(), name);
      for (var account : customer.accounts()) {
        resolver
            .byAccount
            .computeIfAbsent(account(account), a -> new ArrayList<>())
            .add(customer.id());
      }
      resolver
          .byJoinedName
          .computeIfAbsent(name.joined(), k -> new ArrayList<>(1))
          .add(customer.id());
      for (var key : keys(name)) {
        resolver.byNameKey.computeIfAbsent(key, k -> new ArrayList<>()).add(customer.id());
      }
    }
    for (var alias : snapshot.aliases()) {
      resolver.byAlias.put(ReferenceFinder.compact(alias.payerText()), alias.customerId());
    }
    for (var past : snapshot.history()) {
      for (var key : historyKeys(past.payerName(), past.payerAccount())) {
        resolver
            .history
            .computeIfAbsent(key, k -> new TreeMap<>())
            .merge(past.customerId(), 1, Integer::sum);
      }
    }
    return resolver;
  }

  private static String account(String written) {
    return written.replaceAll("\\s", "").toUpperCase(Locale.ROOT);
  }

  private static Set<String> keys(PayerName name) {
    var keys = new LinkedHashSet<String>();
    for (var word : name.words()) {
      keys.add(word.substring(0, Math.min(KEY_LENGTH, word.length())));
    }
    return keys;
  }

  private static List<String> historyKeys(String name, String account) {
    var keys = new ArrayList<String>();
    if (!account.isBlank()) {
      keys.add("account " + account(account));
    }
    if (!name.isBlank()) {
      keys.add("name " + ReferenceFinder.compact(name));
    }
    return keys;
  }

  /** Who may have sent it, most likely first; empty where it is nobody we know. */
  List<PayerLead> resolve(Receipt receipt) {
    var leads = new HashMap<String, Evidence>();
    if (!receipt.payerAccount().isBlank()) {
      for (var id : byAccount.getOrDefault(account(receipt.payerAccount()), List.of())) {
        keep(
            leads,
            id,
            "payer.account",
            "the money came from an account of " + name(id),
            Weights.PAYER_ACCOUNT);
      }
    }
    var alias = byAlias.get(ReferenceFinder.compact(receipt.payerName()));
    if (alias != null) {
      keep(
          leads,
          alias,
          "payer.alias",
          "\"" + receipt.payerName() + "\" is an alias of " + name(alias),
          Weights.PAYER_ALIAS);
    }
    resolveByHistory(receipt, leads);
    resolveByName(receipt.payerName().isBlank() ? beginning(receipt) : receipt.payerName(), leads);
    return leads.entrySet().stream()
        .map(e -> new PayerLead(e.getKey(), shared(e.getValue(), leads)))
        .sorted(
            Comparator.comparingDouble(PayerLead::weight)
                .reversed()
                .thenComparing(PayerLead::customerId))
        .limit(MOST_LEADS)
        .toList();
  }

  /** Where the bank gives no name, the text often begins with it. */
  private static String beginning(Receipt receipt) {
    return receipt.text().substring(0, Math.min(NAME_LENGTH, receipt.text().length()));
  }

  /** A name that fits several customers as well speaks for each of them less. */
  private static Evidence shared(Evidence name, Map<String, Evidence> leads) {
    if (!name.code().startsWith("payer.name")) {
      return name;
    }
    var alike =
        leads.values().stream()
            .filter(e -> e.code().equals(name.code()) && e.weight() == name.weight())
            .count();
    return alike == 1
        ? name
        : new Evidence(
            name.code(),
            name.text() + ", as like as " + (alike - 1) + (alike == 2 ? " other" : " others"),
            name.weight() - Math.log(alike));
  }

  private void resolveByHistory(Receipt receipt, Map<String, Evidence> leads) {
    for (var key : historyKeys(receipt.payerName(), receipt.payerAccount())) {
      var counts = history.getOrDefault(key, Map.of());
      var all = counts.values().stream().mapToInt(Integer::intValue).sum();
      counts.forEach(
          (id, count) -> {
            // a prior of one receipt for "somebody else", so that a single odd payment does not
            // rule
            var weight =
                Math.min(
                    Weights.PAYER_HISTORY_MOST, Weights.PAYER_NAME + Math.log(count / (all + 1.0)));
            var times = count == 1 ? "once" : count + " times";
            keep(
                leads,
                id,
                "payer.history",
                "this payer's money went to " + name(id) + " " + times + " before",
                weight);
          });
    }
  }

  private void resolveByName(String written, Map<String, Evidence> leads) {
    var name = PayerName.of(written);
    var exactly = byJoinedName.getOrDefault(name.joined(), List.of());
    for (var id : exactly) {
      keep(leads, id, "payer.name", "the payer's name is " + name(id), Weights.PAYER_NAME);
    }
    if (!exactly.isEmpty()) {
      return;
    }
    var says = "\"" + shortened(written) + "\" reads like ";
    for (var id : sharingATellingWord(name)) {
      var known = names.get(id);
      if (name.words().equals(known.words())) {
        keep(leads, id, "payer.name", "the payer's name is " + name(id), Weights.PAYER_NAME);
        continue;
      }
      var covered = name.covers(known);
      if (covered >= 0.94) {
        keep(leads, id, "payer.name", says + name(id), Weights.PAYER_NAME - 0.2);
      } else if (covered >= 0.75) {
        keep(leads, id, "payer.name_part", says + name(id), Weights.PAYER_NAME_PART);
      } else if (known.covers(name) >= 0.9) {
        keep(leads, id, "payer.name_like", says + name(id), Weights.PAYER_NAME_LIKE);
      }
    }
  }

  /**
   * Those with a word in common that tells something: one that hundreds share does not, unless
   * there is no other.
   */
  private Set<String> sharingATellingWord(PayerName name) {
    var lists =
        keys(name).stream()
            .map(key -> byNameKey.getOrDefault(key, List.of()))
            .filter(ids -> !ids.isEmpty())
            .sorted(Comparator.comparingInt(List::size))
            .toList();
    var looked = new LinkedHashSet<String>();
    for (var ids : lists) {
      if (looked.isEmpty() || ids.size() <= TELLING) {
        looked.addAll(ids);
      }
    }
    return looked;
  }

  private static String shortened(String written) {
    return written.length() <= 40 ? written : written.substring(0, 39) + "…";
  }

  private static void keep(
      Map<String, Evidence> leads, String id, String code, String text, double weight) {
    leads.merge(id, new Evidence(code, text, weight), (a, b) -> a.weight() >= b.weight() ? a : b);
  }

  private String name(String id) {
    var customer = customers.get(id);
    return customer == null ? id : customer.name();
  }
}
