package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;

/**
 * Four months of Larkstow Mill, made from a seed: customers, some 600 invoices, the receipts that
 * settled most of them, and the statement of the day. The same seed makes the same books on every
 * machine.
 */
final class DemoBooks {

  static final long SEED = 20_260_529L;
  static final LocalDate TODAY = LocalDate.of(2026, 5, 29);

  /** From when on rates are known. */
  static final LocalDate FIRST_RATES = LocalDate.of(2026, 3, 2);

  static final String OPERATING = "4410027719";
  static final String LOCKBOX = "4410027735";

  private static final LocalDate FIRST_ORDER = LocalDate.of(2026, 2, 2);
  private static final int WANTED_INVOICES = 600;
  private static final int WANTED_OPEN = 180;

  private final Random random = new Random(SEED);
  private final List<DemoCustomer> customers = DemoCustomers.all(random);
  private final List<DemoInvoice> invoices = new ArrayList<>();
  private final List<DemoReceipt> history = new ArrayList<>();
  private final Set<DemoInvoice> paid = new HashSet<>();
  private int nextReceipt = 1;

  static DemoBooks make() {
    var books = new DemoBooks();
    books.order();
    books.payUntilYesterday();
    return books;
  }

  List<DemoCustomer> customers() {
    return customers;
  }

  List<DemoInvoice> invoices() {
    return invoices;
  }

  /** The receipts of the past months, by day. */
  List<DemoReceipt> history() {
    return history;
  }

  /** What the bank charged and paid in the past months, and nobody's receipt. */
  static List<DemoReceipt> charges() {
    var charges = new ArrayList<DemoReceipt>();
    var ends =
        List.of(LocalDate.of(2026, 2, 27), LocalDate.of(2026, 3, 31), LocalDate.of(2026, 4, 30));
    var interest = List.of(291, 305, 322);
    for (var n = 0; n < ends.size(); n++) {
      var end = ends.get(n);
      var month = end.getMonth().name().substring(0, 3);
      charges.add(charge(end, -450, "SRVCHG", "ACCOUNT FEE " + month));
      charges.add(charge(end, interest.get(n), "INT", "INTEREST " + month));
    }
    charges.add(charge(LocalDate.of(2026, 3, 12), -1_800, "FEE", "WIRE CHARGES"));
    charges.add(charge(LocalDate.of(2026, 4, 20), -1_800, "FEE", "WIRE CHARGES"));
    return charges;
  }

  private static DemoReceipt charge(LocalDate on, int cents, String type, String memo) {
    var id = "CC" + on.toString().replace("-", "") + Math.abs(cents);
    return new DemoReceipt(id, on, cents, type, "COPPERBECK SAVINGS BANK", "", memo, List.of(), 0);
  }

  List<DemoReceipt> day() {
    return new DemoDay(this).receipts();
  }

  /**
   * Small open invoices of customers of whom the statement of the day brings nothing, one for each
   * customer.
   */
  List<DemoInvoice> leftByTheDay() {
    var day = new DemoDay(this);
    day.receipts();
    var busy =
        day.used().stream()
            .map(i -> i.customer().number())
            .collect(java.util.stream.Collectors.toSet());
    return customers.stream()
        .map(DemoCustomer::number)
        .filter(number -> number.compareTo("C030") > 0 && !busy.contains(number))
        .map(this::openOf)
        .filter(open -> !open.isEmpty())
        .map(open -> open.get(0))
        .filter(i -> i.discountCents() == 0)
        .sorted(Comparator.comparing(DemoInvoice::cents).thenComparing(DemoInvoice::number))
        .toList();
  }

  /** Open invoices of customers of whom the statement of the day brings nothing, and no cheque. */
  List<DemoInvoice> leftByDayAndPouch() {
    var left = leftByTheDay();
    var paid = new HashSet<>(left.subList(0, DemoPouch.CHEQUES));
    var theirs =
        left.stream().map(i -> i.customer().number()).collect(java.util.stream.Collectors.toSet());
    return new ArrayList<>(
        customers.stream()
            .map(DemoCustomer::number)
            .filter(theirs::contains)
            .flatMap(number -> openOf(number).stream())
            .filter(i -> !paid.contains(i))
            .toList());
  }

  boolean isPaid(DemoInvoice invoice) {
    return paid.contains(invoice);
  }

  List<DemoInvoice> openOf(String customer) {
    return invoices.stream()
        .filter(i -> i.customer().number().equals(customer) && !i.creditNote() && !isPaid(i))
        .sorted(Comparator.comparing(DemoInvoice::dueOn).thenComparing(DemoInvoice::number))
        .toList();
  }

  private void order() {
    var drafts = new ArrayList<DemoInvoice>();
    for (var customer : customers) {
      if (customer.everyDays() > 0) {
        var first = FIRST_ORDER.plusDays(random.nextInt(customer.everyDays()));
        for (var day = first; day.isBefore(TODAY); day = day.plusDays(customer.everyDays())) {
          drafts.add(draft(customer, day, cents(customer)));
        }
      }
    }
    while (drafts.size() < WANTED_INVOICES - 2) {
      var customer = customers.get(random.nextInt(customers.size()));
      if (customer.everyDays() > 0) {
        var extra =
            random.nextBoolean()
                ? 4_500 + 100 * random.nextInt(60)
                : 1_800 * (1 + random.nextInt(12));
        drafts.add(draft(customer, FIRST_ORDER.plusDays(random.nextInt(112)), extra));
      }
    }
    // what Oskar & Daughters' 3,072.00 of the day can be explained with in two ways
    drafts.add(draft(named("C003"), LocalDate.of(2026, 4, 20), 307_200));
    drafts.add(draft(named("C003"), LocalDate.of(2026, 5, 3), 165_200));
    drafts.sort(
        Comparator.comparing(DemoInvoice::issuedOn)
            .thenComparing(i -> i.customer().number())
            .thenComparing(DemoInvoice::cents));
    for (var draft : drafts) {
      var number = "LM-%07d".formatted(20_001 + invoices.size());
      var order = "PO-" + (7_100 + invoices.size());
      invoices.add(
          new DemoInvoice(
              number,
              false,
              draft.customer(),
              draft.issuedOn(),
              draft.dueOn(),
              draft.cents(),
              order));
    }
    for (var n = 0; n < 9; n++) {
      var invoice = invoices.get(430 + 17 * n);
      var torn = Math.min(invoice.cents() / 4, 2_800 * (1 + random.nextInt(3)));
      invoices.add(
          new DemoInvoice(
              "CN-%07d".formatted(871 + n),
              true,
              invoice.customer(),
              invoice.issuedOn().plusDays(3),
              invoice.issuedOn().plusDays(3),
              torn,
              ""));
    }
  }

  private DemoCustomer named(String number) {
    return customers.stream().filter(c -> c.number().equals(number)).findFirst().orElseThrow();
  }

  private static DemoInvoice draft(DemoCustomer customer, LocalDate on, int cents) {
    var net = customer.terms().isEmpty() && customer.number().compareTo("C030") > 0 ? 21 : 30;
    return new DemoInvoice("", false, customer, on, on.plusDays(net), cents, "");
  }

  private int cents(DemoCustomer customer) {
    return customer.usualCents() > 0 ? customer.usualCents() : 18_000 + 10 * random.nextInt(19_000);
  }

  /**
   * Pays the oldest until the wanted number is open; each customer a few days early or late, some
   * two at once.
   */
  private void payUntilYesterday() {
    var due = new ArrayList<DemoInvoice>();
    invoices.stream().filter(i -> !i.creditNote()).forEach(due::add);
    due.sort(Comparator.comparing(DemoInvoice::dueOn).thenComparing(DemoInvoice::number));
    var keep = Set.of("307200", "165200");
    var toPay = due.size() - WANTED_OPEN;
    for (var invoice : due) {
      if (paid.size() >= toPay) {
        break;
      }
      if (!isPaid(invoice) && !keep.contains(String.valueOf(invoice.cents()))) {
        pay(invoice);
      }
    }
    history.sort(Comparator.comparing(DemoReceipt::on).thenComparing(DemoReceipt::id));
  }

  private void pay(DemoInvoice invoice) {
    var customer = invoice.customer();
    var early = !customer.terms().isEmpty() && random.nextInt(3) > 0;
    var on =
        early ? invoice.issuedOn().plusDays(6) : invoice.dueOn().plusDays(random.nextInt(9) - 4);
    on = on.isAfter(TODAY.minusDays(2)) ? TODAY.minusDays(2) : on;
    var pays = new ArrayList<DemoInvoice>(List.of(invoice));
    if (!early && random.nextInt(6) == 0) {
      openOf(customer.number()).stream()
          .filter(i -> i != invoice && i.dueOn().isBefore(TODAY.minusDays(25)))
          .findFirst()
          .ifPresent(pays::add);
    }
    paid.addAll(pays);
    var discount = early ? invoice.discountCents() : 0;
    var cents = pays.stream().mapToInt(DemoInvoice::cents).sum() - discount;
    var payer = named(customer.payerNumber());
    history.add(
        new DemoReceipt(
            nextId(on),
            on,
            cents,
            "CREDIT",
            payer.bankName(),
            payer.account(),
            memo(pays),
            List.copyOf(pays),
            discount));
  }

  private String memo(List<DemoInvoice> pays) {
    var numbers = String.join(" ", pays.stream().map(DemoInvoice::number).toList());
    return switch (random.nextInt(4)) {
      case 0 -> "INV " + numbers;
      case 1 -> "PAYMENT " + numbers.replace("LM-00", "").toLowerCase(Locale.ROOT);
      case 2 -> pays.size() == 1 ? "ORDER " + pays.get(0).order() : numbers;
      default -> "FLOUR " + numbers;
    };
  }

  private String nextId(LocalDate on) {
    return "CB" + on.toString().replace("-", "") + "%04d".formatted(nextReceipt++);
  }
}
