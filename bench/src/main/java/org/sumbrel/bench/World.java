package org.sumbrel.bench;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.propose.PastPayer;
import org.sumbrel.core.propose.Snapshot;
import org.sumbrel.core.receivables.CheckDigit;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.CreditorReference;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.Policy;

/** A made-up company's customers and their items, from a seed. */
final class World {

  static final CurrencyUnit USD = CurrencyUnit.USD;
  static final LocalDate TODAY = LocalDate.of(2026, 5, 29);
  private static final String COMPANY = "mill";
  private static final String[] FIRST =
      ("Amber Ash Birch Blue Bramble Brook Cedar Chalk Clover Copper Coral Crane Dale Dell Elder Ember"
              + " Fallow Fern Flint Forge Fox Garnet Glen Golden Granite Green Hallow Harbor Hazel Heron"
              + " Hollow Iron Ivory Juniper Kestrel Lark Linden Maple Marsh Meadow Mill Moss North Oak Old"
              + " Orchard Otter Pebble Pine Quarry Raven Red River Robin Rowan Sable Sage Shale Silver"
              + " Sparrow Stone Swift Thistle Timber Umber Vale Velvet Walnut Wander White Willow Winter Wren")
          .split(" ");
  private static final String[] SECOND =
      ("Bakehouse Bakery Bagels Bistro Bread Buns Cafe Canteen Catering Crusts Deli Diner Flatbreads"
              + " Foods Grill Hearth Inn Kitchen Kitchens Loaves Markets Ovens Pantry Pastries Patisserie"
              + " Pizzeria Provisions Rolls Sourdough Stores Table Tavern Traders Wholesale")
          .split(" ");
  private static final String[] MIDDLE =
      ("Street Lane Bridge Hill Farm Gate Square Brothers Sisters Corner Row Wharf Green Park")
          .split(" ");

  final Random random;
  final List<Customer> customers = new ArrayList<>();
  final Map<String, List<OpenItem>> open = new HashMap<>();
  final Map<String, List<OpenItem>> settled = new HashMap<>();
  final Map<String, OpenItem> byId = new HashMap<>();
  final List<OpenItem> items = new ArrayList<>();
  final List<Alias> aliases = new ArrayList<>();
  final List<PastPayer> history = new ArrayList<>();
  final Map<String, String> accounts = new LinkedHashMap<>();
  final Map<String, String> thirdParty = new HashMap<>();
  final Map<String, List<String>> children = new HashMap<>();

  final NumberStyle style;

  World(long seed, int size, int itemsEach) {
    this(seed, size, itemsEach, NumberStyle.PADDED);
  }

  World(long seed, int size, int itemsEach, NumberStyle style) {
    this.style = style;
    random = new Random(seed);
    Set<String> names = new HashSet<>();
    for (var n = 0; n < size; n++) {
      var id = "C%05d".formatted(n);
      var parent =
          n % 20 > 16 ? Optional.of("C%05d".formatted(n - n % 20 + 16)) : Optional.<String>empty();
      var account =
          "%010d".formatted(1_000_000_000L + Math.abs(random.nextLong() % 8_999_999_999L));
      accounts.put(id, account);
      var known = random.nextInt(100) < 60;
      customers.add(
          new Customer(
              id,
              COMPANY,
              name(names),
              parent,
              known ? List.of(account) : List.of(),
              random.nextInt(100) < 3));
      parent.ifPresent(p -> children.computeIfAbsent(p, x -> new ArrayList<>()).add(id));
      if (random.nextInt(100) < 4) {
        var payer = "PAYROLL SERVICE " + FIRST[random.nextInt(FIRST.length)] + " " + n;
        thirdParty.put(id, payer);
        if (random.nextBoolean()) {
          aliases.add(Alias.ofText(payer, id));
        } else {
          for (var times = 0; times < 3; times++) {
            history.add(new PastPayer(payer, "", id));
          }
        }
      }
      if (!known && random.nextInt(100) < 50) {
        history.add(new PastPayer(customers.get(n).name(), account, id));
        history.add(new PastPayer(customers.get(n).name(), account, id));
      }
      open.put(id, new ArrayList<>());
      settled.put(id, new ArrayList<>());
      write(id, 1 + random.nextInt(2 * itemsEach - 1));
    }
    number();
  }

  private String name(Set<String> names) {
    for (var tries = 0; ; tries++) {
      var name =
          FIRST[random.nextInt(FIRST.length)]
              + (random.nextInt(3) == 0 || tries > 5
                  ? " " + MIDDLE[random.nextInt(MIDDLE.length)]
                  : "")
              + (tries > 20 ? " " + FIRST[random.nextInt(FIRST.length)] : "")
              + " "
              + SECOND[random.nextInt(SECOND.length)];
      if (names.add(name)) {
        return name;
      }
    }
  }

  /** An invoice or credit note before it has its number. */
  private record Writing(
      String customer,
      LocalDate issued,
      long total,
      boolean credit,
      boolean settled,
      Optional<EarlyPaymentTerms> terms,
      int dice) {}

  private final List<Writing> writings = new ArrayList<>();

  private void write(String customer, int count) {
    var standing = 5_000 + random.nextInt(200_000);
    var terms =
        random.nextInt(100) < 30
            ? Optional.of(new EarlyPaymentTerms(BigDecimal.valueOf(2), 10, 30))
            : Optional.<EarlyPaymentTerms>empty();
    for (var n = 0; n < count; n++) {
      var issued = TODAY.minusDays(2 + random.nextInt(55));
      var total = random.nextInt(100) < 35 ? standing : 2_000 + random.nextInt(400_000);
      writings.add(
          new Writing(
              customer,
              issued,
              total,
              random.nextInt(100) < 6,
              random.nextInt(100) < 20,
              terms,
              random.nextInt()));
    }
  }

  /** Numbers run through all customers in the order of issue, so that neighbours are strangers. */
  private void number() {
    writings.sort(Comparator.comparing(Writing::issued).thenComparing(Writing::dice));
    var nextNumber = style.first();
    for (var written : writings) {
      nextNumber += 1 + random.nextInt(3);
      var item = written.credit() ? creditNote(written, nextNumber) : invoice(written, nextNumber);
      items.add(item);
      byId.put(item.id(), item);
      (item.open().isZero() ? settled : open).get(item.customerId()).add(item);
    }
  }

  private OpenItem creditNote(Writing written, int n) {
    var number = style.credit(n);
    var total = money(-written.total() / 10 - 100);
    return new CreditNote(
        number,
        COMPANY,
        written.customer(),
        number,
        written.issued(),
        written.issued(),
        total,
        total);
  }

  private OpenItem invoice(Writing written, int n) {
    var number = style.invoice(n);
    return new Invoice(
        number,
        COMPANY,
        written.customer(),
        number,
        written.issued(),
        written.issued().plusDays(30),
        money(written.total()),
        money(written.settled() ? 0 : written.total()),
        random.nextInt(100) < 40 ? "PO-" + (10_000 + random.nextInt(90_000)) : "",
        random.nextInt(100) < 20 ? reference(n) : "",
        written.terms());
  }

  /** A structured reference of one of the standards, around the number. */
  private String reference(int n) {
    var ten = "%010d".formatted(n);
    var long26 = "%026d".formatted(n);
    return switch (random.nextInt(5)) {
      case 0 -> long26 + CheckDigit.mod10Recursive(long26);
      case 1 -> ten + "%02d".formatted(CheckDigit.belgian97(ten));
      case 2 -> "7" + n + CheckDigit.finnish731("7" + n);
      case 3 -> "4471" + n + CheckDigit.luhn("4471" + n);
      default -> CreditorReference.around("LM" + n).value();
    };
  }

  boolean hasAlias(String payer, String customer) {
    return aliases.stream()
        .anyMatch(a -> a.payerText().equals(payer) && a.customerId().equals(customer));
  }

  static Money money(long minor) {
    return Money.ofMinor(USD, minor);
  }

  static Policy policy() {
    var standard = Policy.standard(USD);
    var fees = new ArrayList<>(standard.usualFees());
    fees.add(FeeTerms.parse("2.9 % + 0.30", USD));
    return new Policy(
        standard.discountGraceDays(),
        standard.clerk(),
        standard.supervisor(),
        fees,
        standard.feeTaxPercent(),
        standard.roundingStep(),
        standard.customs(),
        standard.clearAt(),
        standard.tornWithin());
  }

  Snapshot snapshot() {
    return new Snapshot(items, Map.of(), customers, aliases, history, policy());
  }
}
