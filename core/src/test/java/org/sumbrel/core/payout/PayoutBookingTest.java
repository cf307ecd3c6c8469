package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.deposit.Takings;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.JournalLine;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.payout.PayoutBooking.Joined;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.core.settle.ToAccount;

/** The books after a payout, whatever is in it and whatever was recorded before. */
class PayoutBookingTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 28);
  private static final PayoutAccounts ACCOUNTS =
      new PayoutAccounts(
          "clearing",
          "reserve",
          "sales",
          "refunds",
          "chargebacks",
          "fees",
          "adjustments",
          "exchange");

  /** How a sale of the payout is known: by an invoice, as a sale on the spot, or not at all. */
  private enum Known {
    INVOICED,
    RECORDED,
    NEW
  }

  private record Made(PayoutItem item, Known known) {}

  private static Money cents(long cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  private static PayoutItem item(
      PayoutItemType type, long gross, long fee, long tax, long feeTax, int day) {
    return new PayoutItem(
        1,
        "",
        type,
        type.name(),
        "",
        "",
        Optional.of(DAY.minusDays(day)),
        cents(type.isFee() ? 0 : gross),
        cents(fee),
        cents(type.isFee() ? 0 : tax),
        cents(feeTax),
        "",
        "",
        "");
  }

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

  private static Payout payout(List<Made> made, long previous) {
    return new Payout(
        "Chipfold",
        "P",
        CurrencyUnit.USD,
        Optional.empty(),
        Optional.empty(),
        Optional.of(DAY),
        cents(previous),
        Optional.empty(),
        made.stream().map(Made::item).toList());
  }

  /** What stands on each account; the clearing account is one, by whichever rule it is reached. */
  private static final class Books {
    private final Map<String, Money> balances = new HashMap<>();

    void write(JournalEntry entry) {
      entry.lines().forEach(line -> balances.merge(account(line), line.amount(), Money::plus));
      balances.values().removeIf(Money::isZero);
    }

    private static String account(JournalLine line) {
      if (line.role() == AccountRole.PROCESSOR_CLEARING) {
        return "clearing";
      }
      if (line.role() == AccountRole.PROCESSING_FEES) {
        return "fees";
      }
      return line.accountId().orElseGet(() -> line.role().name());
    }

    Money of(String account) {
      return balances.getOrDefault(account, cents(0));
    }
  }

  private static Invoice invoice(int n, Money total) {
    return new Invoice(
        "i" + n, "1", "c" + n, "INV-" + n, DAY, DAY, total, total, "", "", Optional.empty());
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

  private static Claim claim(int n, Money total) {
    return new Claim("i" + n, "1", "c" + n, "CL-" + n, DAY, total, total, ClaimReason.CHARGEBACK);
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

  private static PayoutBooking book(
      boolean eachSale, Map<String, ? extends OpenItem> items, Joined... joined) {
    var made = Stream.of(joined).map(j -> new Made(j.item(), Known.NEW)).toList();
    return PayoutBooking.of(
        "1", payout(made, 0), List.of(joined), items::get, ACCOUNTS, eachSale, DAY);
  }

  private static Map<String, Money> booked(PayoutBooking booking) {
    var books = new Books();
    books.write(Posting.entryFor(booking.draft().settleAsReported(), DAY, "payout"));
    return books.balances;
  }

  @Test
  void opensTheInvoiceOfAChargebackAgainAndNoFurtherThanItWasPaid() {
    var chargeback = item(PayoutItemType.CHARGEBACK, -5_000, 1_500, 0, 0, 0);
    var joined = new Joined(chargeback, new Join.ToSale("7", true), Optional.of("i7"));
    var paid = invoice(7, cents(5_000)).withOpen(cents(0));
    var booking = book(false, Map.of("i7", paid), joined);
    assertThat(booked(booking))
        .containsEntry("RECEIVABLE", cents(5_000))
        .containsEntry("fees", cents(1_500))
        .containsEntry("clearing", cents(-6_500))
        .hasSize(3);
    var settlement = booking.draft().settleAsReported();
    assertThat(settlement.itemsAfter()).containsExactly(paid.withOpen(cents(5_000)));
    // paid again in the meantime: taking the payout back would pay it a second time
    var paidAgain = Map.<String, OpenItem>of("i7", paid.withOpen(cents(1_000)));
    assertThatThrownBy(() -> settlement.itemsAfterReversal(paidAgain, List.of()))
        .hasMessage(
            "40.00 of the 50.00 that were opened again of INV-7 has been settled since; reverse that first.");
    var lessPaid = book(false, Map.of("i7", paid.withOpen(cents(10))), joined);
    assertThatThrownBy(() -> lessPaid.draft().settleAsReported())
        .hasMessage("Of INV-7 49.90 are settled; 50.00 of it cannot be opened again.");
  }

  @Test
  void leavesAnInvoiceThatIsPaidAndTakenBackInTheSamePayoutAsItWas() {
    var open = invoice(7, cents(5_000));
    var booking =
        book(
            false,
            Map.of("i7", open),
            new Joined(
                item(PayoutItemType.SALE, 5_000, 150, 0, 0, 3),
                new Join.ToInvoice("i7"),
                Optional.empty()),
            new Joined(
                item(PayoutItemType.CHARGEBACK, -5_000, 0, 0, 0, 0),
                new Join.ToSale("7", true),
                Optional.of("i7")));
    assertThat(booking.draft().applications()).isEmpty();
    assertThat(booked(booking))
        .containsExactlyInAnyOrderEntriesOf(Map.of("fees", cents(150), "clearing", cents(-150)));
  }

  @Test
  void settlesTheClaimOfAChargebackThatWasWonLater() {
    var won = item(PayoutItemType.CHARGEBACK_REVERSAL, 5_000, 0, 0, 0, 0);
    var joined = new Joined(won, new Join.ToSale("7"), Optional.of("i7"));
    assertThat(booked(book(false, Map.of("i7", claim(7, cents(5_000))), joined)))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("CLAIMS", cents(-5_000), "clearing", cents(5_000)));
  }

  @Test
  void claimsNothingOfAChargebackThatIsWonInTheSamePayout() {
    var joined = new Join.ToSale("7");
    var booking =
        book(
            false,
            Map.of("i7", invoice(7, cents(5_000)).withOpen(cents(0))),
            new Joined(
                item(PayoutItemType.CHARGEBACK, -5_000, 0, 0, 0, 2), joined, Optional.of("i7")),
            new Joined(
                item(PayoutItemType.CHARGEBACK_REVERSAL, 5_000, 0, 0, 0, 0),
                joined,
                Optional.empty()));
    assertThat(booked(booking)).isEmpty();
  }

  @Test
  void writesEachNewSaleAsALineOfItsOwnWhereThatIsAsked() {
    var sale = new Join.NewSale();
    var one = new Joined(item(PayoutItemType.SALE, 10_600, 0, 600, 0, 1), sale, Optional.empty());
    var two = new Joined(item(PayoutItemType.SALE, 5_300, 0, 300, 0, 1), sale, Optional.empty());
    var byDay = book(false, Map.of(), one, two).draft();
    assertThat(byDay.adjustments())
        .hasSize(2)
        .first()
        .extracting(a -> a.amount())
        .isEqualTo(cents(-15_900));
    var later =
        new Joined(
            new PayoutItem(
                2,
                "",
                PayoutItemType.SALE,
                "",
                "WEB-8",
                "",
                Optional.of(DAY),
                cents(5_300),
                cents(0),
                cents(300),
                cents(0),
                "",
                "A Corwin",
                ""),
            sale,
            Optional.empty());
    var each = book(true, Map.of(), one, later).draft();
    assertThat(each.adjustments())
        .filteredOn(ToAccount.class::isInstance)
        .extracting(a -> ((ToAccount) a).text())
        .contains("Sale WEB-8, A Corwin, line 2 of 28 May 2026");
    assertThat(booked(book(true, Map.of(), one, later)))
        .isEqualTo(booked(book(false, Map.of(), one, two)));
  }

  @Test
  void makesAClaimOfAChargebackWhoseDebtorIsKnown() {
    var item = item(PayoutItemType.CHARGEBACK, -5_000, 1_500, 0, 0, 0);
    var made = List.of(new Made(item, Known.NEW));
    var booking =
        PayoutBooking.of(
            "1",
            payout(made, 0),
            List.of(new Joined(item, new Join.ToSale("7"), Optional.of("i7"))),
            id -> invoice(7, cents(5_000)).withOpen(cents(0)),
            ACCOUNTS,
            false,
            DAY);
    var books = new Books();
    books.write(Posting.entryFor(booking.draft().settleAsReported(), DAY, "payout"));
    assertThat(books.balances)
        .containsEntry("CLAIMS", cents(5_000))
        .containsEntry("fees", cents(1_500))
        .containsEntry("clearing", cents(-6_500));
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
