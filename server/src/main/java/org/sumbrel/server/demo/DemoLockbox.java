package org.sumbrel.server.demo;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.receivables.CheckDigit;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.lockbox.BaiLockboxWriter;
import org.sumbrel.server.outside.Envelopes.Seen;

/**
 * The morning's lockbox file of the demo: 24 cheques in a batch, with what goes wrong in an
 * envelope.
 */
final class DemoLockbox {

  static final String BOX = "4410";
  static final String BATCH = "001";
  private static final int PLAIN = 16;
  private static final int UNDER = 160;
  private static final int FAR_UNDER = 27_500;

  private final DemoBooks books;
  private final List<DemoInvoice> free;
  private final List<LockboxCheque> cheques = new ArrayList<>();
  private final List<Seen> seen = new ArrayList<>();

  private DemoLockbox(DemoBooks books) {
    this.books = books;
    this.free = books.leftByDayAndPouch();
  }

  /** What stands on the cheques, for the mail room that shows them. */
  static List<Seen> seen(DemoBooks books) {
    var lockbox = new DemoLockbox(books);
    lockbox.fill();
    return lockbox.seen;
  }

  static String file(DemoBooks books) {
    var lockbox = new DemoLockbox(books);
    lockbox.fill();
    var batch =
        new LockboxBatch(
            BATCH,
            BOX,
            CurrencyUnit.USD,
            Optional.of(DemoBooks.TODAY),
            Optional.empty(),
            Optional.empty(),
            lockbox.cheques);
    return BaiLockboxWriter.write(
        "LARKSTOW", "COPPERBECK", DemoBooks.TODAY.atTime(LocalTime.of(7, 30)), List.of(batch));
  }

  private void fill() {
    oneForTwo();
    var order = take();
    cheque(order, order.cents(), order.order(), item(order.order(), order.cents()));
    var under = take();
    cheque(
        under,
        under.cents() - UNDER,
        under.number() + ", less postage",
        item(under.number(), under.cents() - UNDER));
    var far = takeAbove(FAR_UNDER + 10_000);
    cheque(
        far,
        far.cents() - FAR_UNDER,
        far.number() + ", rest follows",
        item(far.number(), far.cents() - FAR_UNDER));
    addUpWithoutAWord();
    nothingOpen();
    // the slip says another sum than the cheque
    var odd = take();
    cheque(odd, odd.cents(), odd.number(), item(odd.number(), odd.cents() - 1_000));
    // nobody read the drawer, the slip lost its zeros
    var bare = take();
    add(
        "",
        bare.customer(),
        bare.cents(),
        bare.number(),
        List.of(bare),
        item(bare.number().substring(5), bare.cents()));
    for (var n = 0; n < PLAIN; n++) {
      var one = take();
      cheque(one, one.cents(), one.number(), item(one.number(), one.cents()));
    }
  }

  private void oneForTwo() {
    var pair = pair();
    forTwo(
        pair,
        item(pair.get(0).number(), pair.get(0).cents()),
        item(pair.get(1).number(), pair.get(1).cents()));
  }

  /** Two items that only their sum points at. */
  private void addUpWithoutAWord() {
    forTwo(pair());
  }

  private void forTwo(List<DemoInvoice> pair, RemittanceItem... items) {
    var drawer = pair.get(0).customer();
    var cents = pair.get(0).cents() + pair.get(1).cents();
    var memo = items.length == 0 ? "two bills" : pair.get(0).number() + ", " + pair.get(1).number();
    add(drawer.bankName(), drawer, cents, memo, pair, items);
  }

  private void nothingOpen() {
    var busy = new HashSet<String>();
    books.invoices().stream()
        .filter(i -> !books.isPaid(i))
        .forEach(i -> busy.add(i.customer().number()));
    var settled =
        books.customers().stream()
            .filter(c -> c.parent().isEmpty() && !busy.contains(c.number()))
            .findFirst()
            .orElse(books.customers().get(books.customers().size() - 1));
    add(settled.bankName(), settled, 31_415, "for the summer order", List.of());
  }

  private DemoInvoice take() {
    return takeAbove(0);
  }

  private DemoInvoice takeAbove(int cents) {
    var found = free.stream().filter(i -> i.cents() > cents).findFirst().orElseThrow();
    free.remove(found);
    return found;
  }

  private List<DemoInvoice> pair() {
    for (var one : free) {
      for (var other : free) {
        if (one != other && one.customer().equals(other.customer())) {
          free.removeAll(List.of(one, other));
          return List.of(one, other);
        }
      }
    }
    throw new IllegalStateException("no customer has two invoices left");
  }

  private static Money usd(int cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  private static RemittanceItem item(String reference, int cents) {
    return new RemittanceItem(reference, usd(cents), usd(0), usd(0), "");
  }

  private void cheque(DemoInvoice pays, int cents, String memo, RemittanceItem item) {
    var drawer = pays.customer();
    add(drawer.bankName(), drawer, cents, memo, List.of(pays), item);
  }

  private void add(
      String readAs,
      DemoCustomer drawer,
      int cents,
      String memo,
      List<DemoInvoice> pays,
      RemittanceItem... items) {
    var place = cheques.size() + 1;
    var number = Integer.parseInt(drawer.number().substring(1));
    var bank = "9990%04d".formatted(number % 7);
    cheques.add(
        new LockboxCheque(
            String.valueOf(place),
            String.valueOf(1_000 + 37 * number % 800 + place),
            bank + CheckDigit.aba(bank),
            "77%06d".formatted(number * 7_919),
            usd(cents),
            readAs,
            Optional.of(DemoBooks.TODAY),
            List.of(items)));
    seen.add(
        new Seen(
            String.valueOf(place),
            drawer.name(),
            memo,
            pays.stream().map(DemoInvoice::number).toList()));
  }
}
