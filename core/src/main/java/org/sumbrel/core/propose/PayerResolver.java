package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntConsumer;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.WrittenForm;

/** Second stage: who sent the money, by account, alias, history and name. */
final class PayerResolver {

  private static final int MOST_LEADS = 4;
  private static final int KEY_LENGTH = 4;
  private static final int TELLING = 200;
  private static final int SHORTEST_ALIAS_IN_TEXT = 5;

  private static final TreeSet<String> NOBODY = new TreeSet<>();

  /** Of two that are as strong the same one in whichever order they are found. */
  private static final Comparator<Evidence> STRONGER =
      Comparator.comparingDouble(Evidence::weight)
          .thenComparing(Evidence::code, Comparator.reverseOrder())
          .thenComparing(Evidence::text, Comparator.reverseOrder());

  /** The longest field that banks have for a name. */
  private static final int NAME_LENGTH = 140;

  private final Map<String, Customer> customers = new HashMap<>();
  private final Map<String, List<String>> byAccount = new HashMap<>();
  private final Map<String, TreeSet<String>> byAlias = new HashMap<>();
  private final Map<String, List<KnownName>> byNameKey = new HashMap<>();
  private final Map<String, List<KnownName>> aliasesByFirstWord = new HashMap<>();
  private final Map<String, List<String>> byJoinedName = new HashMap<>();
  private final PastPayers past;

  /**
   * A name that stands for a customer.
   *
   * @param code of the evidence that it gives
   * @param weight of a payer who has exactly this name
   */
  private record KnownName(PayerName name, String customerId, String code, double weight) {}

  private PayerResolver(PastPayers past) {
    this.past = past;
  }

  static PayerResolver over(Snapshot snapshot) {
    var resolver = new PayerResolver(PastPayers.of(snapshot.history()));
    snapshot.customers().forEach(customer -> resolver.add(customer, q -> {}));
    snapshot.aliases().forEach(alias -> resolver.add(alias, q -> {}));
    for (var key : resolver.past.nameKeys()) {
      resolver.pastNames(key).forEach(resolver::know);
    }
    return resolver;
  }

  /**
   * Takes up a customer.
   *
   * @param changed hears which questions have another answer now
   */
  void add(Customer customer, IntConsumer changed) {
    customers.put(customer.id(), customer);
    for (var account : customer.accounts()) {
      var key = PastPayers.account(account);
      byAccount.computeIfAbsent(key, a -> new ArrayList<>()).add(customer.id());
      changed.accept(Question.BANK_ACCOUNT.about(key));
    }
    var name = PayerName.of(customer.name());
    byJoinedName.computeIfAbsent(name.joined(), k -> new ArrayList<>(1)).add(customer.id());
    changed.accept(Question.NAME.about(name.joined()));
    var known = new KnownName(name, customer.id(), "payer.name", Weights.PAYER_NAME);
    know(known);
    changed(known, changed);
  }

  /** Takes up an alias. */
  void add(Alias alias, IntConsumer changed) {
    if (alias.payerText().isBlank()) {
      var account = PastPayers.account(alias.payerAccount());
      byAccount.computeIfAbsent(account, a -> new ArrayList<>()).add(alias.customerId());
      changed.accept(Question.BANK_ACCOUNT.about(account));
      return;
    }
    var written = WrittenForm.compact(alias.payerText());
    byAlias.computeIfAbsent(written, w -> new TreeSet<>()).add(alias.customerId());
    var known = known(alias);
    know(known);
    if (foundInText(known.name())) {
      aliasesByFirstWord
          .computeIfAbsent(known.name().words().get(0), w -> new ArrayList<>(1))
          .add(known);
    }
    changed(written, known, changed);
  }

  /** Forgets an alias. */
  void remove(Alias alias, IntConsumer changed) {
    if (alias.payerText().isBlank()) {
      var account = PastPayers.account(alias.payerAccount());
      byAccount.get(account).remove(alias.customerId());
      changed.accept(Question.BANK_ACCOUNT.about(account));
      return;
    }
    var written = WrittenForm.compact(alias.payerText());
    byAlias.get(written).remove(alias.customerId());
    var known = known(alias);
    forget(known);
    if (foundInText(known.name())) {
      aliasesByFirstWord.get(known.name().words().get(0)).remove(known);
    }
    changed(written, known, changed);
  }

  private static void changed(String written, KnownName known, IntConsumer changed) {
    changed.accept(Question.ALIAS.about(written));
    changed(known, changed);
    if (foundInText(known.name())) {
      changed.accept(Question.ALIAS_WORD.about(known.name().words().get(0)));
    }
  }

  private static KnownName known(Alias alias) {
    return new KnownName(
        PayerName.of(alias.payerText()), alias.customerId(), "payer.alias", Weights.PAYER_ALIAS);
  }

  private static boolean foundInText(PayerName name) {
    return name.joined().length() >= SHORTEST_ALIAS_IN_TEXT;
  }

  /** Counts a payment in, or out again where {@code by} is -1. */
  void count(PastPayer payment, int by, IntConsumer changed) {
    var named = !payment.payerName().isBlank();
    var key = named ? PastPayers.nameKey(payment.payerName()) : "";
    var before = named ? pastNames(key) : List.<KnownName>of();
    past.count(payment, by);
    for (var asked : PastPayers.keys(payment.payerName(), payment.payerAccount())) {
      changed.accept(Question.PAST.about(asked));
    }
    var after = named ? pastNames(key) : List.<KnownName>of();
    if (!before.equals(after)) {
      before.forEach(this::forget);
      after.forEach(this::know);
      before.forEach(known -> changed(known, changed));
      after.forEach(known -> changed(known, changed));
    }
  }

  private static void changed(KnownName known, IntConsumer changed) {
    keys(known.name()).forEach(key -> changed.accept(Question.NAME_KEY.about(key)));
  }

  private void know(KnownName known) {
    for (var key : keys(known.name())) {
      byNameKey.computeIfAbsent(key, k -> new ArrayList<>()).add(known);
    }
  }

  private void forget(KnownName known) {
    for (var key : keys(known.name())) {
      byNameKey.get(key).remove(known);
    }
  }

  /** Under which other names than their own customers' money came with this name's key. */
  private List<KnownName> pastNames(String key) {
    var names = new ArrayList<KnownName>();
    for (var spelling : past.spellings(key)) {
      var own = customers.get(spelling.customerId());
      var name = PayerName.of(spelling.written());
      if (own == null || !PayerName.of(own.name()).words().equals(name.words())) {
        names.add(new KnownName(name, spelling.customerId(), "payer.history", spelling.weight()));
      }
    }
    return names;
  }

  private static Set<String> keys(PayerName name) {
    var keys = new LinkedHashSet<String>();
    for (var word : name.words()) {
      keys.add(word.substring(0, Math.min(KEY_LENGTH, word.length())));
    }
    return keys;
  }

  /** Who may have sent it, most likely first; empty where it is nobody we know. */
  List<PayerLead> resolve(Receipt receipt, Asked asked) {
    var leads = new HashMap<String, Evidence>();
    if (!receipt.payerAccount().isBlank()) {
      var account = PastPayers.account(receipt.payerAccount());
      asked.ask(Question.BANK_ACCOUNT, account);
      for (var id : byAccount.getOrDefault(account, List.of())) {
        keep(
            leads,
            id,
            "payer.account",
            "the money came from an account of " + name(id),
            Weights.PAYER_ACCOUNT);
      }
    }
    var written = WrittenForm.compact(receipt.payerName());
    asked.ask(Question.ALIAS, written);
    for (var alias : byAlias.getOrDefault(written, NOBODY)) {
      keep(
          leads,
          alias,
          "payer.alias",
          "\"" + receipt.payerName() + "\" is an alias of " + name(alias),
          Weights.PAYER_ALIAS);
    }
    resolveByHistory(receipt, leads, asked);
    resolveByName(receipt.payerName(), leads, asked);
    resolveByAliasInText(receipt, leads, asked);
    if (leads.isEmpty()) {
      // where the bank's name says nothing, the text often begins with one
      resolveByName(beginning(receipt), leads, asked);
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

  private void resolveByHistory(Receipt receipt, Map<String, Evidence> leads, Asked asked) {
    for (var key : PastPayers.keys(receipt.payerName(), receipt.payerAccount())) {
      asked.ask(Question.PAST, key);
      var counts = past.counts(key);
      counts.forEach(
          (id, count) -> {
            var weight = PastPayers.weight(counts, id);
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

  private void resolveByName(String written, Map<String, Evidence> leads, Asked asked) {
    var name = PayerName.of(written);
    if (name.words().isEmpty()) {
      return;
    }
    asked.ask(Question.NAME, name.joined());
    var exactly = byJoinedName.getOrDefault(name.joined(), List.of());
    for (var id : exactly) {
      keep(leads, id, "payer.name", "the payer's name is " + name(id), Weights.PAYER_NAME);
    }
    if (!exactly.isEmpty()) {
      return;
    }
    for (var known : sharingATellingWord(name, asked)) {
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
  private void resolveByAliasInText(Receipt receipt, Map<String, Evidence> leads, Asked asked) {
    if (receipt.text().isBlank()) {
      return;
    }
    var words = PayerName.of(beginning(receipt)).words();
    for (var at = 0; at < words.size(); at++) {
      asked.ask(Question.ALIAS_WORD, words.get(at));
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
  private List<KnownName> sharingATellingWord(PayerName name, Asked asked) {
    var keys = keys(name);
    keys.forEach(key -> asked.ask(Question.NAME_KEY, key));
    var lists =
        keys.stream()
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
    leads.merge(
        id, new Evidence(code, text, weight), (a, b) -> STRONGER.compare(a, b) >= 0 ? a : b);
  }

  private String name(String id) {
    var customer = customers.get(id);
    return customer == null ? id : customer.name();
  }
}
