package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
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
  private static final int SHORTEST_ALIAS_IN_TEXT = 5;

  /** The longest field that banks have for a name. */
  private static final int NAME_LENGTH = 140;

  private final Map<String, Customer> customers = new HashMap<>();
  private final Map<String, List<String>> byAccount = new HashMap<>();
  private final Map<String, String> byAlias = new HashMap<>();
  private final Map<String, List<KnownName>> byNameKey = new HashMap<>();
  private final Map<String, List<KnownName>> aliasesByFirstWord = new HashMap<>();
  private final Map<String, List<String>> byJoinedName = new HashMap<>();
  private final Map<String, Map<String, Integer>> history = new HashMap<>();

  /**
   * A name that stands for a customer.
   *
   * @param code of the evidence that it gives
   * @param weight of a payer who has exactly this name
   */
  private record KnownName(PayerName name, String customerId, String code, double weight) {}

  private PayerResolver() {}

  static PayerResolver over(Snapshot snapshot) {
    var resolver = new PayerResolver();
    for (var customer : snapshot.customers()) {
      resolver.customers.put(customer.id(), customer);
      var name = PayerName.of(customer.name());
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
      resolver.know(new KnownName(name, customer.id(), "payer.name", Weights.PAYER_NAME));
    }
    for (var alias : snapshot.aliases()) {
      resolver.byAlias.put(ReferenceIndex.compact(alias.payerText()), alias.customerId());
      resolver.knowAlias(PayerName.of(alias.payerText()), alias.customerId());
    }
    for (var past : snapshot.history()) {
      for (var key : historyKeys(past.payerName(), past.payerAccount())) {
        resolver
            .history
            .computeIfAbsent(key, k -> new TreeMap<>())
            .merge(past.customerId(), 1, Integer::sum);
      }
    }
    resolver.knowPastNames(snapshot);
    return resolver;
  }

  private void know(KnownName known) {
    for (var key : keys(known.name())) {
      byNameKey.computeIfAbsent(key, k -> new ArrayList<>()).add(known);
    }
  }

  private void knowAlias(PayerName name, String customerId) {
    var known = new KnownName(name, customerId, "payer.alias", Weights.PAYER_ALIAS);
    know(known);
    if (name.joined().length() >= SHORTEST_ALIAS_IN_TEXT) {
      aliasesByFirstWord.computeIfAbsent(name.words().get(0), w -> new ArrayList<>(1)).add(known);
    }
  }

  /** Under which other names than their own a customer's payers came before. */
  private void knowPastNames(Snapshot snapshot) {
    var seen = new HashSet<String>();
    for (var past : snapshot.history()) {
      var own = customers.get(past.customerId());
      var key = "name " + ReferenceIndex.compact(past.payerName());
      if (past.payerName().isBlank() || !seen.add(key + " " + past.customerId())) {
        continue;
      }
      var name = PayerName.of(past.payerName());
      if (own == null || !PayerName.of(own.name()).words().equals(name.words())) {
        var weight = pastWeight(history.get(key), past.customerId());
        know(new KnownName(name, past.customerId(), "payer.history", weight));
      }
    }
  }

  /**
   * What it counts that a payer's money went to a customer before. A prior of one receipt for
   * "somebody else" keeps a single odd payment from ruling.
   */
  private static double pastWeight(Map<String, Integer> counts, String customerId) {
    var all = counts.values().stream().mapToInt(Integer::intValue).sum();
    return Math.min(
        Weights.PAYER_HISTORY_MOST,
        Weights.PAYER_NAME + Math.log(counts.get(customerId) / (all + 1.0)));
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
      keys.add("name " + ReferenceIndex.compact(name));
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
    var alias = byAlias.get(ReferenceIndex.compact(receipt.payerName()));
    if (alias != null) {
      keep(
          leads,
          alias,
          "payer.alias",
          "\"" + receipt.payerName() + "\" is an alias of " + name(alias),
          Weights.PAYER_ALIAS);
    }
    resolveByHistory(receipt, leads);
    resolveByName(receipt.payerName(), leads);
    resolveByAliasInText(receipt, leads);
    if (leads.isEmpty()) {
      // where the bank's name says nothing, the text often begins with one
      resolveByName(beginning(receipt), leads);
    }
    return leads.entrySet().stream()
        .map(e -> new PayerLead(e.getKey(), shared(e.getValue(), leads)))
        .sorted(
            Comparator.comparingDouble(PayerLead::weight)
                .reversed()
                .thenComparing(PayerLead::customerId))
        .limit(MOST_LEADS)
        .toList();
  }

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
      counts.forEach(
          (id, count) -> {
            var weight = pastWeight(counts, id);
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
    if (name.words().isEmpty()) {
      return;
    }
    var exactly = byJoinedName.getOrDefault(name.joined(), List.of());
    for (var id : exactly) {
      keep(leads, id, "payer.name", "the payer's name is " + name(id), Weights.PAYER_NAME);
    }
    if (!exactly.isEmpty()) {
      return;
    }
    for (var known : sharingATellingWord(name)) {
      compare(written, name, known, leads);
    }
  }

  private void compare(
      String written, PayerName name, KnownName known, Map<String, Evidence> leads) {
    var id = known.customerId();
    var same = name.words().equals(known.name().words());
    var covered = same ? 1 : name.covers(known.name());
    // a likeness of an alias counts no more than one of the customer's own name
    var most = Math.min(known.weight(), Weights.PAYER_NAME);
    if (same && known.code().equals("payer.name")) {
      keep(leads, id, "payer.name", "the payer's name is " + name(id), known.weight());
    } else if (covered >= 0.94) {
      keep(leads, id, known.code(), likeness(written, known), most - Weights.NAME_CUT);
    } else if (covered >= 0.75) {
      keep(
          leads, id, known.code() + "_part", likeness(written, known), most - Weights.NAME_IN_PART);
    } else if (known.name().covers(name) >= 0.9) {
      keep(leads, id, known.code() + "_like", likeness(written, known), most - Weights.NAME_LIKE);
    }
  }

  private String likeness(String written, KnownName known) {
    return "\"" + shortened(written) + "\" reads like " + alsoKnown(known);
  }

  private String alsoKnown(KnownName known) {
    var own = name(known.customerId());
    return switch (known.code()) {
      case "payer.alias" -> "an alias of " + own;
      case "payer.history" -> "who paid for " + own + " before";
      default -> own;
    };
  }

  /** Where somebody else sends the money, the text often says for whom. */
  private void resolveByAliasInText(Receipt receipt, Map<String, Evidence> leads) {
    if (aliasesByFirstWord.isEmpty() || receipt.text().isBlank()) {
      return;
    }
    var words = PayerName.of(beginning(receipt)).words();
    for (var at = 0; at < words.size(); at++) {
      for (var known : aliasesByFirstWord.getOrDefault(words.get(at), List.of())) {
        var alias = known.name().words();
        var end = at + alias.size();
        if (end <= words.size() && words.subList(at, end).equals(alias)) {
          keep(
              leads,
              known.customerId(),
              "payer.alias",
              "\""
                  + String.join(" ", alias)
                  + "\" in the text is an alias of "
                  + name(known.customerId()),
              Weights.PAYER_ALIAS - Weights.NAME_CUT);
        }
      }
    }
  }

  /**
   * Those with a word in common that tells something: one that hundreds share does not, unless
   * there is no other.
   */
  private List<KnownName> sharingATellingWord(PayerName name) {
    var lists =
        keys(name).stream()
            .map(key -> byNameKey.getOrDefault(key, List.of()))
            .filter(known -> !known.isEmpty())
            .sorted(Comparator.comparingInt(List::size))
            .toList();
    // names are the same only where they are one: comparing their words would take long
    Set<KnownName> looked = Collections.newSetFromMap(new IdentityHashMap<>());
    var ordered = new ArrayList<KnownName>();
    for (var known : lists) {
      if (ordered.isEmpty() || known.size() <= TELLING) {
        known.stream().filter(looked::add).forEach(ordered::add);
      }
    }
    return ordered;
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
