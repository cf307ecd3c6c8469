package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.sumbrel.core.receivables.WrittenForm;

/** Where the money of each payer went before, by his account and by his name. */
final class PastPayers {

  private final Map<String, Map<String, Integer>> counts = new HashMap<>();

  /** How often a payer's name was written in each way, by its key and the customer. */
  private final Map<String, Map<String, TreeMap<String, Integer>>> spellings = new HashMap<>();

  /** A way of writing a payer's name that a customer's money came under. */
  record Spelling(String written, String customerId, double weight) {}

  static PastPayers of(Collection<PastPayer> history) {
    var payers = new PastPayers();
    history.forEach(past -> payers.count(past, 1));
    return payers;
  }

  /** Counts a payment in, or out again where {@code by} is -1. */
  void count(PastPayer past, int by) {
    for (var key : keys(past.payerName(), past.payerAccount())) {
      count(counts.computeIfAbsent(key, k -> new TreeMap<>()), past.customerId(), by);
      if (counts.get(key).isEmpty()) {
        counts.remove(key);
      }
    }
    if (!past.payerName().isBlank()) {
      var key = nameKey(past.payerName());
      var ofKey = spellings.computeIfAbsent(key, k -> new TreeMap<>());
      var ofCustomer = ofKey.computeIfAbsent(past.customerId(), c -> new TreeMap<>());
      count(ofCustomer, past.payerName(), by);
      if (ofCustomer.isEmpty()) {
        ofKey.remove(past.customerId());
      }
    }
  }

  private static void count(Map<String, Integer> counts, String what, int by) {
    counts.merge(what, by, (a, b) -> a + b == 0 ? null : Integer.valueOf(a + b));
  }

  /** How often the money of a payer with this key went to each customer. */
  Map<String, Integer> counts(String key) {
    return counts.getOrDefault(key, Map.of());
  }

  /** All names under which money came. */
  Collection<String> nameKeys() {
    return spellings.keySet();
  }

  /** Under a name's key one way of writing it for each customer. */
  List<Spelling> spellings(String nameKey) {
    var found = new ArrayList<Spelling>();
    spellings
        .getOrDefault(nameKey, Map.of())
        .forEach(
            (customer, written) ->
                found.add(
                    new Spelling(written.firstKey(), customer, weight(counts(nameKey), customer))));
    return found;
  }

  /**
   * What it counts that a payer's money went to a customer before. A prior of one receipt for
   * "somebody else" keeps a single odd payment from ruling.
   */
  static double weight(Map<String, Integer> counts, String customerId) {
    var all = counts.values().stream().mapToInt(Integer::intValue).sum();
    return Math.min(
        Weights.PAYER_HISTORY_MOST,
        Weights.PAYER_NAME + Math.log(counts.get(customerId) / (all + 1.0)));
  }

  static List<String> keys(String name, String account) {
    var keys = new ArrayList<String>();
    if (!account.isBlank()) {
      keys.add("account " + account(account));
    }
    if (!name.isBlank()) {
      keys.add(nameKey(name));
    }
    return keys;
  }

  static String nameKey(String name) {
    return "name " + WrittenForm.compact(name);
  }

  static String account(String written) {
    return written.replaceAll("\\s", "").toUpperCase(Locale.ROOT);
  }
}
