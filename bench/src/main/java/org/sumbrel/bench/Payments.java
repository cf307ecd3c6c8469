package org.sumbrel.bench;

import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.sumbrel.bench.Truth.Part;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OldestFirst;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** Made-up payments of a world's customers, each with what it truly pays. */
final class Payments {

  /** How much goes wrong: of references that are written, and of all payments. */
  enum Profile {
    EASY(5, 4, 10),
    MIXED(18, 12, 30),
    HARD(40, 28, 60);

    private final int slipPercent;
    private final int silentPercent;
    private final int noisePercent;

    Profile(int slipPercent, int silentPercent, int noisePercent) {
      this.slipPercent = slipPercent;
      this.silentPercent = silentPercent;
      this.noisePercent = noisePercent;
    }
  }

  /** Money that none of the customers sent. */
  static final String NOBODY = "nobody";

  private static final long DAYS_OF_GRACE = 3;

  private final World world;
  private final Profile profile;
  private final Random random;
  private final Damage damage;
  private final Wording wording;
  private final Readable readable;
  private final Set<String> used = new HashSet<>();
  private final Map<String, Truth> truths = new LinkedHashMap<>();
  private final List<Receipt> receipts = new ArrayList<>();

  private Payments(World world, Profile profile) {
    this.world = world;
    this.profile = profile;
    this.random = world.random;
    this.damage = new Damage(random);
    this.wording = new Wording(world, damage);
    this.readable = new Readable(world);
  }

  /** Receipts in the order they were made up, and the truth about each by its id. */
  record Made(List<Receipt> receipts, Map<String, Truth> truths) {}

  static Made of(World world, Profile profile, int count) {
    var payments = new Payments(world, profile);
    var customers = world.customers;
    for (var tries = 0; payments.receipts.size() < count && tries < count * 20; tries++) {
      payments.pay(customers.get(payments.random.nextInt(customers.size())));
    }
    return new Made(payments.receipts, payments.truths);
  }

  private List<OpenItem> free(String customer) {
    return world.open.get(customer).stream().filter(i -> !used.contains(i.id())).toList();
  }

  private List<OpenItem> freeInvoices(String customer) {
    return free(customer).stream().filter(i -> i.open().isPositive()).toList();
  }

  private void pay(Customer customer) {
    var invoices = freeInvoices(customer.id());
    if (random.nextInt(100) < 2) {
      nobody();
      return;
    }
    if (invoices.isEmpty()) {
      if (random.nextInt(100) < 10 && !customer.oldestFirst()) {
        ahead(customer);
      }
      return;
    }
    var day = World.TODAY.minusDays(random.nextInt(2));
    if (customer.oldestFirst() && random.nextBoolean()) {
      oldestFirst(customer, day, invoices);
      return;
    }
    switch (random.nextInt(20)) {
      case 0, 1, 2 -> whole(customer, day, some(invoices, 1), "one");
      case 3, 4 -> whole(customer, day, some(invoices, 2 + random.nextInt(2)), "list");
      case 5 -> whole(customer, day, some(invoices, 4 + random.nextInt(5)), "long list");
      case 6, 7 -> discounted(customer, day, invoices);
      case 8 -> fee(customer, day, invoices);
      case 9 -> cents(customer, day, invoices);
      case 10 -> claim(customer, day, invoices);
      case 11 -> inPart(customer, day, invoices);
      case 12 -> over(customer, day, invoices);
      case 13 -> rarely(customer, day, invoices);
      case 14 -> withCredit(customer, day, invoices);
      case 15 -> statement(customer, day);
      case 16 -> parent(customer, day);
      case 18 -> together(customer, day);
      case 17 -> silent(customer, day, some(invoices, 1 + random.nextInt(3)));
      default -> whole(customer, day, some(invoices, 1), "one");
    }
  }

  /** Oldest first, as most payers do, or any. */
  private List<OpenItem> some(List<OpenItem> from, int count) {
    var items = new ArrayList<>(from);
    var chosen = new ArrayList<OpenItem>();
    while (!items.isEmpty() && chosen.size() < count) {
      chosen.add(items.remove(random.nextInt(3) > 0 ? 0 : random.nextInt(items.size())));
    }
    return chosen;
  }

  private static long sum(List<OpenItem> items) {
    return items.stream().mapToLong(i -> i.open().getAmountMinorLong()).sum();
  }

  private static List<Part> inFull(List<OpenItem> items) {
    return items.stream().map(i -> new Part(i.id(), i.open().getAmountMinorLong(), 0)).toList();
  }

  private void whole(Customer customer, LocalDate day, List<OpenItem> items, String behaviour) {
    var sum = sum(items);
    if (sum > 0) {
      send(customer, day, sum, items, "", new Truth(behaviour, true, inFull(items), "", 0, 0));
    }
  }

  private void discounted(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var with =
        invoices.stream().map(Invoice.class::cast).filter(i -> i.terms().isPresent()).toList();
    if (with.isEmpty()) {
      return;
    }
    var first = with.get(random.nextInt(with.size()));
    var inTime = inTime(first, day);
    // whoever takes the discount takes it on all that he pays and that is in time alike
    var items =
        with.stream()
            .filter(i -> i == first || inTime && inTime(i, day))
            .limit(1 + random.nextInt(3))
            .toList();
    var less = items.stream().mapToLong(Payments::discount).sum();
    var amount = items.stream().mapToLong(i -> i.open().getAmountMinorLong()).sum() - less;
    var parts =
        items.stream()
            .map(i -> new Part(i.id(), i.open().getAmountMinorLong(), inTime ? discount(i) : 0))
            .toList();
    if (inTime && random.nextInt(8) == 0) {
      var fee = 500L * (3 + random.nextInt(2));
      var truth = new Truth("discount and fee", true, parts, "fee", fee, 0);
      send(customer, day, amount - fee, List.copyOf(items), "", truth);
      return;
    }
    if (inTime && random.nextInt(8) == 0) {
      var little = 1 + random.nextInt(99);
      var truth = new Truth("discount and cents", true, parts, "write_off", little, 0);
      send(customer, day, amount - little, List.copyOf(items), "", truth);
      return;
    }
    var truth =
        inTime
            ? new Truth("discount", true, parts, "", 0, 0)
            : new Truth("late discount", true, parts, "claim", less, 0);
    send(customer, day, amount, List.copyOf(items), "", truth);
  }

  private static long discount(Invoice invoice) {
    var percent = invoice.terms().orElseThrow().percent().movePointLeft(2);
    return invoice.open().multipliedBy(percent, RoundingMode.HALF_UP).getAmountMinorLong();
  }

  private static boolean inTime(Invoice invoice, LocalDate day) {
    var days = invoice.terms().orElseThrow().discountDays() + DAYS_OF_GRACE;
    return !day.isAfter(invoice.issuedOn().plusDays(days));
  }

  /** A round sum of a customer who is known to pay oldest first, without a word. */
  private void oldestFirst(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var amount = 10_000L * (1 + random.nextInt(60));
    var left = amount;
    var parts = new ArrayList<Part>();
    for (var invoice : invoices.stream().sorted(OldestFirst.ORDER).toList()) {
      var taken = Math.min(left, invoice.open().getAmountMinorLong());
      if (taken > 0) {
        parts.add(new Part(invoice.id(), taken, 0));
        left -= taken;
      }
    }
    if (invoices.size() == world.open.get(customer.id()).size()
        && !world.children.containsKey(customer.id())) {
      send(
          customer,
          day,
          amount,
          List.of(),
          "",
          new Truth("oldest first", true, parts, "", 0, left));
    }
  }

  /** Cheques of several customers banked together: one sum, the numbers in the bank's text. */
  private void together(Customer first, LocalDate day) {
    var items = new ArrayList<>(some(freeInvoices(first.id()), 1));
    var customers = world.customers;
    for (var more = 1 + random.nextInt(3); more > 0; more--) {
      var other = customers.get(random.nextInt(customers.size()));
      if (items.stream().noneMatch(i -> i.customerId().equals(other.id()))) {
        items.addAll(some(freeInvoices(other.id()), 1));
      }
    }
    if (items.size() > 1) {
      var truth = new Truth("banked together", true, inFull(items), "", 0, 0);
      receive(null, day, sum(items), items, "", truth);
    }
  }

  private void fee(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 1 + random.nextInt(2));
    var sum = sum(items);
    var fees = World.policy().usualFees();
    var fee = fees.get(random.nextInt(fees.size())).of(World.money(sum)).getAmountMinorLong();
    if (sum > 4 * fee) {
      send(
          customer,
          day,
          sum - fee,
          items,
          random.nextBoolean() ? "less charges" : "",
          new Truth("fee", true, inFull(items), "fee", fee, 0));
    }
  }

  private void cents(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 1);
    var little = 1 + random.nextInt(199);
    send(
        customer,
        day,
        sum(items) - little,
        items,
        "",
        new Truth("cents short", true, inFull(items), "write_off", little, 0));
  }

  private void claim(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 1);
    var held = 1_000 + random.nextInt((int) Math.max(1, sum(items) / 4));
    if (held < sum(items) / 2 && usualFee(held, sum(items))) {
      var why =
          List.of(
                  "less damaged goods",
                  "short delivery deducted",
                  "less return",
                  "price difference")
              .get(random.nextInt(4));
      send(
          customer,
          day,
          sum(items) - held,
          items,
          why,
          new Truth("claim", true, inFull(items), "claim", held, 0));
    }
  }

  private static boolean usualFee(long amount, long of) {
    return World.policy().usualFees().stream()
        .noneMatch(f -> f.of(World.money(of)).getAmountMinorLong() == amount);
  }

  private void inPart(Customer customer, LocalDate day, List<OpenItem> invoices) {
    switch (random.nextInt(6)) {
      case 0 -> unexplained(customer, day, invoices);
      case 1 -> stated(customer, day, invoices);
      default -> part(customer, day, invoices);
    }
  }

  /** Short by an odd sum without a word: mostly it stays owing, sometimes it was held back. */
  private void unexplained(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 1);
    var missing = 300 + random.nextInt((int) Math.max(1, sum(items) / 3));
    if (missing < sum(items) / 2 && usualFee(missing, sum(items))) {
      var truth =
          random.nextInt(4) > 0
              ? new Truth(
                  "short without a word",
                  false,
                  List.of(new Part(items.get(0).id(), sum(items) - missing, 0)),
                  "",
                  0,
                  0)
              : new Truth("short without a word", false, inFull(items), "claim", missing, 0);
      send(customer, day, sum(items) - missing, items, "", truth);
    }
  }

  /** Several items of which the last is paid in part, with the amount of each in the text. */
  private void stated(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 2 + random.nextInt(2));
    if (items.size() < 2) {
      return;
    }
    var parts = new ArrayList<>(inFull(items));
    var last = parts.get(parts.size() - 1);
    var paid = last.amount() * (20 + random.nextInt(60)) / 100;
    parts.set(parts.size() - 1, new Part(last.itemId(), paid, 0));
    var sum = parts.stream().mapToLong(Part::amount).sum();
    send(customer, day, sum, items, "", new Truth(Wording.STATED, true, parts, "", 0, 0));
  }

  private void part(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 1);
    var round = (10 + random.nextInt(60)) * sum(items) / 100 / 10_000 * 10_000;
    if (round > 0 && round < sum(items) - 5_000) {
      send(
          customer,
          day,
          round,
          items,
          List.of("part payment", "on account", "").get(random.nextInt(3)),
          new Truth("part", true, List.of(new Part(items.get(0).id(), round, 0)), "", 0, 0));
    }
  }

  private void over(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var items = some(invoices, 1);
    var more = 300 + random.nextInt(20_000);
    send(
        customer,
        day,
        sum(items) + more,
        items,
        "",
        new Truth("overpaid", true, inFull(items), "", 0, more));
  }

  /** Nobody pays twice as often as once. */
  private void rarely(Customer customer, LocalDate day, List<OpenItem> invoices) {
    if (random.nextInt(4) == 0) {
      twice(customer, day);
    } else {
      whole(customer, day, some(invoices, 1), "one");
    }
  }

  private void twice(Customer customer, LocalDate day) {
    var settled =
        world.settled.get(customer.id()).stream()
            .filter(i -> used.add("settled " + i.id()))
            .findFirst();
    settled.ifPresent(
        item ->
            send(
                customer,
                day,
                item.total().getAmountMinorLong(),
                List.of(item),
                "",
                new Truth(
                    "paid twice", true, List.of(), "", 0, item.total().getAmountMinorLong())));
  }

  private void ahead(Customer customer) {
    var amount = 10_000L * (1 + random.nextInt(40));
    send(
        customer,
        World.TODAY,
        amount,
        List.of(),
        "advance",
        new Truth("paid ahead", world.open.get(customer.id()).isEmpty(), List.of(), "", 0, amount));
  }

  private void withCredit(Customer customer, LocalDate day, List<OpenItem> invoices) {
    var credits = free(customer.id()).stream().filter(i -> i.open().isNegative()).toList();
    if (credits.isEmpty()) {
      return;
    }
    var items = new ArrayList<>(some(invoices, 1 + random.nextInt(2)));
    items.addAll(some(credits, 1));
    whole(customer, day, items, "credit note");
  }

  private void statement(Customer customer, LocalDate day) {
    var all = free(customer.id());
    if (all.size() == world.open.get(customer.id()).size() && sum(all) > 0 && all.size() > 1) {
      send(
          customer,
          day,
          sum(all),
          List.of(),
          "all open items",
          new Truth("statement", true, inFull(all), "", 0, 0));
    }
  }

  private void parent(Customer customer, LocalDate day) {
    var branches = world.children.getOrDefault(customer.parentId().orElse(""), List.of());
    if (branches.isEmpty()) {
      return;
    }
    var items = new ArrayList<OpenItem>();
    branches.forEach(b -> items.addAll(some(freeInvoices(b), 1)));
    var parent =
        world.customers.stream()
            .filter(c -> c.id().equals(customer.parentId().get()))
            .findFirst()
            .orElseThrow();
    if (!items.isEmpty()) {
      whole(parent, day, items, "parent");
    }
  }

  private void silent(Customer customer, LocalDate day, List<OpenItem> items) {
    var sum = sum(items);
    send(
        customer,
        day,
        sum,
        List.of(),
        "",
        new Truth("no reference", readable.ways(customer.id(), sum) == 1, inFull(items), "", 0, 0));
  }

  private void nobody() {
    var id = "E%06d".formatted(receipts.size());
    var text =
        List.of("INTEREST PAID MAY", "STATE TAX REFUND 2025", "INSURANCE CLAIM 88213", "REBATE Q1")
            .get(random.nextInt(4));
    receipts.add(
        new Receipt(
            id, "mill", World.TODAY, World.money(100 + random.nextInt(90_000)), "", "", text));
    truths.put(id, new Truth(NOBODY, false, List.of(), "", 0, 0));
  }

  private void send(
      Customer payer, LocalDate day, long amount, List<OpenItem> named, String words, Truth truth) {
    if (amount > 0) {
      receive(payer, day, amount, named, words, truth);
    }
  }

  /**
   * @param payer null where the bank tells nobody's name
   */
  private void receive(
      Customer payer, LocalDate day, long amount, List<OpenItem> named, String words, Truth truth) {
    truth.parts().forEach(p -> used.add(p.itemId()));
    var id = "E%06d".formatted(receipts.size());
    var silent = payer != null && !named.isEmpty() && random.nextInt(100) < profile.silentPercent;
    var slipped = !silent && !named.isEmpty() && random.nextInt(100) < profile.slipPercent;
    var text = silent ? words : (wording.of(named, truth, slipped) + " " + words).strip();
    var account = payer == null ? "" : world.accounts.get(payer.id());
    var byThird = payer == null ? null : world.thirdParty.get(payer.id());
    var throughThird = byThird != null && random.nextBoolean();
    var unknown = payer != null && random.nextInt(100) < 3;
    var saysForWhom = throughThird && random.nextInt(3) == 0 && world.hasAlias(byThird, payer.id());
    var name =
        payer == null
            ? ""
            : unknown || saysForWhom
                ? "Paying agency " + id
                : damage.name(throughThird ? byThird : payer.name());
    receipts.add(
        new Receipt(
            id,
            "mill",
            day,
            World.money(amount),
            name,
            unknown || throughThird || random.nextInt(100) < 40 ? "" : account,
            damage.byTheBank(
                saysForWhom ? byThird + " " + text : text,
                random.nextInt(100) < profile.noisePercent)));
    var plain = truth.adjustment() == 0 && truth.onAccount() == 0 && whole(truth);
    var determined =
        truth.determined()
            && !(unknown && (silent || slipped || named.isEmpty()))
            && (!silent || plain && readable.ways(truth, amount) == 1)
            && (!slipped
                || (plain || truth.adjustment() != 0) && readable.tellsApart(truth, text, named));
    truths.put(
        id,
        new Truth(
            truth.behaviour() + (silent ? ", silent" : slipped ? ", slipped" : ""),
            determined,
            truth.parts(),
            truth.adjustmentKind(),
            truth.adjustment(),
            truth.onAccount()));
    if (plain && !silent && !slipped && !unknown && payer != null && random.nextInt(100) < 2) {
      again(id);
    }
  }

  /** The same order carried out once more; the first has settled what it names. */
  private void again(String first) {
    var receipt = receipts.get(receipts.size() - 1);
    var id = "E%06d".formatted(receipts.size());
    receipts.add(
        new Receipt(
            id,
            receipt.companyId(),
            World.TODAY,
            receipt.amount(),
            receipt.payerName(),
            receipt.payerAccount(),
            receipt.text()));
    var named = truths.get(first).determined() && receipt.text().matches(".*\\d{3}.*");
    truths.put(
        id,
        new Truth(
            "carried out twice", named, List.of(), "", 0, receipt.amount().getAmountMinorLong()));
  }

  private boolean whole(Truth truth) {
    return truth.parts().stream()
        .allMatch(p -> world.byId.get(p.itemId()).open().getAmountMinorLong() == p.amount());
  }
}
