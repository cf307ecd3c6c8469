package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** The statement of the day: at least one of every situation that a clerk meets. */
final class DemoDay {

  private static final LocalDate TODAY = DemoBooks.TODAY;
  private static final LocalDate YESTERDAY = TODAY.minusDays(1);

  private final DemoBooks books;
  private final List<DemoReceipt> receipts = new ArrayList<>();
  private final Set<DemoInvoice> used = new HashSet<>();

  DemoDay(DemoBooks books) {
    this.books = books;
  }

  List<DemoReceipt> receipts() {
    plainOnes();
    damagedReferences();
    twoWays();
    damagedAmounts();
    familiesAndStrangers();
    notReceipts();
    return receipts;
  }

  /** The invoices that it pays, or that stand for what it shows. */
  Set<DemoInvoice> used() {
    return used;
  }

  private DemoInvoice take(String customer) {
    var invoice =
        books.openOf(customer).stream().filter(i -> !used.contains(i)).findFirst().orElseThrow();
    used.add(invoice);
    return invoice;
  }

  private DemoInvoice newest(String customer) {
    var free = books.openOf(customer).stream().filter(i -> !used.contains(i)).toList();
    var invoice = free.get(free.size() - 1);
    used.add(invoice);
    return invoice;
  }

  private void credit(LocalDate on, int cents, DemoCustomer payer, String memo) {
    add(on, cents, "CREDIT", payer.bankName(), payer.account(), memo);
  }

  private void add(LocalDate on, int cents, String type, String name, String account, String memo) {
    var id = "CB" + on.toString().replace("-", "") + "%04d".formatted(9_001 + receipts.size());
    receipts.add(new DemoReceipt(id, on, cents, type, name, account, memo, List.of(), 0));
  }

  private void plainOnes() {
    var plain = books.customers().stream().filter(c -> c.number().compareTo("C031") >= 0).toList();
    var written = 0;
    for (var customer : plain) {
      if (written < 11 && books.openOf(customer.number()).size() > 1) {
        var invoice = take(customer.number());
        credit(
            written % 2 == 0 ? YESTERDAY : TODAY,
            invoice.cents(),
            customer,
            "INV " + invoice.number() + " FLOUR");
        written++;
      }
    }
    var first = take("C008");
    var second = take("C008");
    credit(
        YESTERDAY,
        first.cents() + second.cents(),
        first.customer(),
        first.number() + " AND " + second.number());
  }

  private void damagedReferences() {
    var zeros = take("C001");
    credit(
        TODAY,
        zeros.cents(),
        zeros.customer(),
        "INV " + Integer.parseInt(zeros.number().substring(3)) + " THANK YOU");
    var order = take("C006");
    credit(YESTERDAY, order.cents(), order.customer(), "OUR ORDER " + order.order());
    var near = take("C004");
    add(TODAY, near.cents(), "CREDIT", "BAKEHSE OSKAR LANE", "", "FLOUR WEEK 21");
    var settled =
        books.history().stream()
            .filter(r -> r.name().startsWith("HALLOWAY"))
            .findFirst()
            .orElseThrow();
    add(
        TODAY,
        settled.cents(),
        "CREDIT",
        settled.name(),
        "",
        "INV " + settled.pays().get(0).number());
  }

  private void twoWays() {
    add(
        YESTERDAY,
        307_200,
        "CREDIT",
        "OSKAR DAUGHTERS BAKEHSE",
        "",
        "ACH CREDIT ID 77120 FLOUR MAY TRACE 021000089340112");
    var weekly = take("C007");
    credit(TODAY, weekly.cents(), weekly.customer(), "WEEKLY FLOUR");
  }

  private void damagedAmounts() {
    var inTime = newest("C005");
    credit(
        TODAY,
        inTime.cents() - inTime.discountCents(),
        inTime.customer(),
        inTime.number() + " LESS 2 PCT");
    var late = take("C012");
    credit(
        TODAY, late.cents() - late.discountCents(), late.customer(), late.number() + " LESS 2 PCT");
    var fee = take("C001");
    credit(TODAY, fee.cents() - 1_500, fee.customer(), "WIRE " + fee.number() + " CHGS SHA");
    var cents = take("C005");
    credit(YESTERDAY, cents.cents() - 40, cents.customer(), "INV " + cents.number());
    var over = take("C012");
    credit(YESTERDAY, over.cents() + 1_200, over.customer(), "INV " + over.number());
    var part = take("C004");
    credit(YESTERDAY, 100_000, part.customer(), "PART PAYMENT " + part.number());
    books.invoices().stream()
        .filter(DemoInvoice::creditNote)
        .skip(6)
        .limit(1)
        .forEach(this::withCreditNote);
  }

  private void withCreditNote(DemoInvoice note) {
    var open =
        books.openOf(note.customer().number()).stream().filter(i -> !used.contains(i)).findFirst();
    open.ifPresent(
        invoice -> {
          used.add(invoice);
          credit(
              YESTERDAY,
              invoice.cents() - note.cents(),
              note.customer(),
              invoice.number() + " LESS TORN SACKS");
        });
  }

  private void familiesAndStrangers() {
    var parent =
        books.customers().stream().filter(c -> c.number().equals("C002")).findFirst().orElseThrow();
    var schools = List.of(take("C021"), take("C024"), take("C027"));
    credit(
        TODAY,
        schools.stream().mapToInt(DemoInvoice::cents).sum(),
        parent,
        "SCHOOLS " + String.join(" ", schools.stream().map(DemoInvoice::order).toList()));
    var round =
        books.customers().stream().filter(c -> c.number().equals("C009")).findFirst().orElseThrow();
    credit(YESTERDAY, 250_000, round, "ON ACCOUNT");
    var stranger = take("C010");
    add(TODAY, stranger.cents(), "CREDIT", "B QUILL", "", "FOR THE FERRYMANS REST");
    var split = List.of(newest("C003"), newest("C003"));
    add(
        TODAY,
        split.stream().mapToInt(DemoInvoice::cents).sum() - 40,
        "CREDIT",
        "TRANSFER 88120 HALLORAN",
        "",
        "FLOUR");
    add(YESTERDAY, 93_200, "DEP", "MOBILE DEPOSIT 0417", "", "");
  }

  private void notReceipts() {
    add(TODAY, 418_766, "CREDIT", "CHIPFOLD PAYOUTS", "", "SETTLEMENT 22-28 MAY");
    add(YESTERDAY, 211_904, "CREDIT", "GROCERS ROW", "", "MARKET PAYOUT W21");
    add(TODAY, 317, "INT", "COPPERBECK SAVINGS BANK", "", "INTEREST MAY");
    add(TODAY, -1_800, "FEE", "COPPERBECK SAVINGS BANK", "", "WIRE CHARGES");
    add(TODAY, -450, "SRVCHG", "COPPERBECK SAVINGS BANK", "", "ACCOUNT FEE MAY");
    add(YESTERDAY, -500_000, "XFER", "TO LOCKBOX ACCOUNT", "", "OWN TRANSFER");
    add(TODAY, -61_230, "CHECK", "RETURNED CHEQUE 1187", "", "CAFE TAMARISK INSUFFICIENT FUNDS");
  }
}
