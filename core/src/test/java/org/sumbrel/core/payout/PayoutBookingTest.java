package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.payout.BookedPayouts.ACCOUNTS;
import static org.sumbrel.core.payout.BookedPayouts.DAY;
import static org.sumbrel.core.payout.BookedPayouts.cents;
import static org.sumbrel.core.payout.BookedPayouts.claim;
import static org.sumbrel.core.payout.BookedPayouts.invoice;
import static org.sumbrel.core.payout.BookedPayouts.item;
import static org.sumbrel.core.payout.BookedPayouts.payout;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.deposit.Takings;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.payout.BookedPayouts.Books;
import org.sumbrel.core.payout.BookedPayouts.Known;
import org.sumbrel.core.payout.BookedPayouts.Made;
import org.sumbrel.core.payout.PayoutBooking.Joined;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.core.settle.Settlement;

/** The books after a payout, whatever is in it and whatever was recorded before. */
class PayoutBookingTest {

  @Provide
  Arbitrary<List<Made>> items() {
    var types =
        Arbitraries.of(PayoutItemType.class)
            .filter(t -> t != PayoutItemType.UNKNOWN && t != PayoutItemType.TRANSFER);
    return Combinators.combine(
            types,
            Arbitraries.longs().between(100, 90_000),
            Arbitraries.longs().between(-900, 900),
            Arbitraries.integers().between(0, 25),
            Arbitraries.integers().between(0, 4),
            Arbitraries.of(Known.class),
            Arbitraries.of(true, false))
        .as(
            (type, amount, fee, percent, day, known, minus) -> {
              var sign = type.sign() != 0 ? type.sign() : minus ? -1 : 1;
              var gross = sign * amount;
              return new Made(
                  item(type, gross, fee, gross * percent / 125, fee * percent / 125, day), known);
            })
        .list()
        .ofMaxSize(30);
  }

  /** Books a payout whose sales are known as they say, or all new. */
  private static Books book(List<Made> made, long previous, boolean recordedBefore) {
    var books = new Books();
    if (previous != 0) {
      books.write(opening(previous));
    }
    var items = new HashMap<String, OpenItem>();
    var receipts = new HashMap<String, HeldReceipt>();
    var joined = new ArrayList<Joined>();
    for (var n = 0; n < made.size(); n++) {
      joined.add(joined(made.get(n), n, recordedBefore, items, receipts, books));
    }
    var payout = payout(made, previous);
    var booking = PayoutBooking.of("1", payout, joined, items::get, ACCOUNTS, false, DAY);
    assertThat(booking.draft().tally().left().isZero()).isTrue();
    if (!booking.draft().applications().isEmpty() || !booking.draft().adjustments().isEmpty()) {
      books.write(Posting.entryFor(booking.draft().settleAsReported(), DAY, "payout"));
    }
    if (payout.paidOut().isPositive()) {
      var deposit =
          Deposit.of(
              "1",
              CurrencyUnit.USD,
              DAY,
              booking.receiptIds().stream().map(receipts::get).toList(),
              booking.bankedLine("clearing", "paid out").stream().toList());
      assertThat(deposit.total()).isEqualTo(payout.paidOut());
      books.write(DepositPosting.made(deposit, "payout"));
    }
    return books;
  }

  private static JournalEntry opening(long previous) {
    var receipt =
        new HeldReceipt("p", PaidBy.CARD, DAY, cents(Math.abs(previous)), "", "", Optional.empty());
    var entry = DepositPosting.recorded("1", receipt);
    return previous > 0 ? entry : entry.mirrored(DAY, "owed");
  }

  private static Joined joined(
      Made made,
      int n,
      boolean recordedBefore,
      Map<String, OpenItem> items,
      Map<String, HeldReceipt> receipts,
      Books books) {
    var item = made.item();
    if (item.type() != PayoutItemType.SALE) {
      return other(item, made.known(), n, items);
    }
    if (made.known() == Known.INVOICED) {
      items.put("i" + n, invoice(n, item.gross()));
      return new Joined(item, new Join.ToInvoice("i" + n), Optional.empty());
    }
    if (made.known() == Known.NEW || !recordedBefore) {
      return new Joined(item, new Join.NewSale(), Optional.empty());
    }
    var receipt =
        new HeldReceipt(
            "r" + n, PaidBy.CARD, item.on().orElseThrow(), item.gross(), "", "", Optional.empty());
    receipts.put("r" + n, receipt);
    var sale = new Takings.Sale(Optional.of("sales"), item.gross(), item.tax());
    books.write(
        DepositPosting.taken(
            Takings.of(
                "1",
                CurrencyUnit.USD,
                item.on().orElseThrow(),
                "web",
                List.of(sale),
                cents(0),
                List.of(receipt)),
            "sold"));
    return new Joined(item, new Join.ToReceipt("r" + n), Optional.empty());
  }

  /**
   * What is taken back of a sale that paid an invoice opens it again, pays a note out, or is owed.
   */
  private static Joined other(PayoutItem item, Known known, int n, Map<String, OpenItem> items) {
    var id = "i" + n;
    var sale = new Join.ToSale("s" + n, known == Known.INVOICED);
    if (item.type() == PayoutItemType.CHARGEBACK && known != Known.NEW) {
      items.put(id, invoice(n, item.gross().abs()).withOpen(cents(0)));
      return new Joined(item, sale, Optional.of(id));
    }
    if (item.type() == PayoutItemType.CHARGEBACK_REVERSAL && known != Known.NEW) {
      items.put(id, claim(n, item.gross()));
      return new Joined(item, sale, Optional.of(id));
    }
    if (item.type() == PayoutItemType.REFUND && known == Known.INVOICED) {
      items.put(
          id, new CreditNote(id, "1", "c" + n, "CN-" + n, DAY, DAY, item.gross(), item.gross()));
      return new Joined(item, new Join.ToInvoice(id), Optional.empty());
    }
    return new Joined(item, new Join.Nothing(), Optional.empty());
  }

  @Property
  void areTheSameWhetherSalesWereRecordedBeforeOrNot(
      @ForAll("items") List<Made> made, @ForAll short previous) {
    assertThat(book(made, previous, true).balances).isEqualTo(book(made, previous, false).balances);
  }

  @Property
  void leaveOnTheClearingAccountWhatWasNotPaidOut(
      @ForAll("items") List<Made> made, @ForAll short previous) {
    var books = book(made, previous, true);
    assertThat(books.of("clearing")).isEqualTo(payout(made, previous).carried());
    assertThat(books.of("BANK")).isEqualTo(payout(made, previous).paidOut());
  }

  @Property
  void holdWhatTheProcessorKeepsAndWhatIsReserved(@ForAll("items") List<Made> made) {
    var books = book(made, 0, true);
    var reserved = 0L;
    var fees = 0L;
    for (var one : made) {
      var item = one.item();
      fees += item.fee().minus(item.feeTax()).getAmountMinorLong();
      if (item.type() == PayoutItemType.RESERVE_HELD
          || item.type() == PayoutItemType.RESERVE_RELEASED) {
        reserved -= item.gross().minus(item.tax()).getAmountMinorLong();
      }
    }
    assertThat(books.of("reserve")).isEqualTo(cents(reserved));
    assertThat(books.of("fees")).isEqualTo(cents(fees));
  }

  @Property
  void areAsBeforeAfterAReversal(@ForAll("items") List<Made> made) {
    var items = new HashMap<String, OpenItem>();
    var books = new Books();
    var joined = new ArrayList<Joined>();
    for (var n = 0; n < made.size(); n++) {
      joined.add(joined(made.get(n), n, false, items, new HashMap<>(), books));
    }
    var draft =
        PayoutBooking.of("1", payout(made, 0), joined, items::get, ACCOUNTS, false, DAY).draft();
    if (draft.applications().isEmpty() && draft.adjustments().isEmpty()) {
      return;
    }
    Settlement settlement = draft.settleAsReported();
    var entry = Posting.entryFor(settlement, DAY, "payout");
    books.write(entry);
    books.write(entry.mirrored(DAY, "reversed"));
    assertThat(books.balances).isEmpty();
    var settled = new HashMap<String, OpenItem>();
    settlement.itemsAfter().forEach(i -> settled.put(i.id(), i));
    // what was open is settled, and what was settled is open again
    assertThat(settled.values())
        .allMatch(i -> i.open().isZero() != items.get(i.id()).open().isZero());
    var before = settlement.applications().stream().map(a -> items.get(a.item().id())).toList();
    assertThat(settlement.itemsAfterReversal(settled, List.of()))
        .containsExactlyInAnyOrderElementsOf(before);
  }

  @Test
  void refusesWhatIsNotKnownOrNotDecided() {
    var odd = item(PayoutItemType.UNKNOWN, 100, 0, 0, 0, 0);
    var sale = item(PayoutItemType.SALE, 100, 0, 0, 0, 0);
    var asked = new Join.Asked(List.of(new Join.NewSale()), "It may be recorded already.");
    assertThatThrownBy(() -> one(odd, new Join.Nothing()))
        .isInstanceOf(PayoutRefused.class)
        .hasMessage("Line 1 is \"UNKNOWN\", of 1.00; say what that is first.");
    assertThatThrownBy(() -> one(sale, asked))
        .isInstanceOf(PayoutRefused.class)
        .hasMessageContaining("It may be recorded already.");
  }

  private static PayoutBooking one(PayoutItem item, Join join) {
    return PayoutBooking.of(
        "1",
        payout(List.of(new Made(item, Known.NEW)), 0),
        List.of(new Joined(item, join, Optional.empty())),
        id -> null,
        ACCOUNTS,
        false,
        DAY);
  }
}
