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

/**
 * The morning's lockbox file of the demo: 24 cheques in a batch, with what goes wrong in an
 * envelope.
 */
final class DemoLockbox {

  static final String BOX = "4410";
  private static final int PLAIN = 16;
  private static final int UNDER = 160;
  private static final int FAR_UNDER = 27_500;

  private final DemoBooks books;
  private final List<DemoInvoice> free;
  private final List<LockboxCheque> cheques = new ArrayList<>();

  private DemoLockbox(DemoBooks books) {
    this.books = books;
    this.free = books.leftByDayAndPouch();
  }

  static String file(DemoBooks books) {
    var lockbox = new DemoLockbox(books);
    lockbox.fill();
    var batch =
        new LockboxBatch(
            "001",
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
    cheque(order.customer(), order.cents(), item(order.order(), order.cents()));
    var under = take();
    cheque(under.customer(), under.cents() - UNDER, item(under.number(), under.cents() - UNDER));
    var far = takeAbove(FAR_UNDER + 10_000);
    cheque(far.customer(), far.cents() - FAR_UNDER, item(far.number(), far.cents() - FAR_UNDER));
    addUpWithoutAWord();
    nothingOpen();
    // the slip says another sum than the cheque
    var odd = take();
    cheque(odd.customer(), odd.cents(), item(odd.number(), odd.cents() - 1_000));
    // nobody read the drawer, the slip lost its zeros
    var bare = take();
    add("", bare.customer(), bare.cents(), item(bare.number().substring(5), bare.cents()));
    for (var n = 0; n < PLAIN; n++) {
      var one = take();
      cheque(one.customer(), one.cents(), item(one.number(), one.cents()));
    }
  }

  private void oneForTwo() {
    var pair = pair();
    cheque(
        pair.get(0).customer(),
        pair.get(0).cents() + pair.get(1).cents(),
        item(pair.get(0).number(), pair.get(0).cents()),
        item(pair.get(1).number(), pair.get(1).cents()));
  }

  /** Two items that only their sum points at. */
  private void addUpWithoutAWord() {
    var pair = pair();
    cheque(pair.get(0).customer(), pair.get(0).cents() + pair.get(1).cents());
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
    cheque(settled, 31_415);
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

  private void cheque(DemoCustomer drawer, int cents, RemittanceItem... items) {
    add(drawer.bankName(), drawer, cents, items);
  }

  private void add(String readAs, DemoCustomer drawer, int cents, RemittanceItem... items) {
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
  }
}
