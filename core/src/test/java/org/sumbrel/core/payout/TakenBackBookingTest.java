package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.payout.BookedPayouts.DAY;
import static org.sumbrel.core.payout.BookedPayouts.book;
import static org.sumbrel.core.payout.BookedPayouts.booked;
import static org.sumbrel.core.payout.BookedPayouts.cents;
import static org.sumbrel.core.payout.BookedPayouts.claim;
import static org.sumbrel.core.payout.BookedPayouts.invoice;
import static org.sumbrel.core.payout.BookedPayouts.item;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.payout.PayoutBooking.Joined;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.ToAccount;

/** Chargebacks, lost and won, and how new sales are written; made up, no source. */
class TakenBackBookingTest {

  @Test
  void makesAClaimOfAChargebackWhoseDebtorIsKnown() {
    var joined =
        new Joined(
            item(PayoutItemType.CHARGEBACK, -5_000, 1_500, 0, 0, 0),
            new Join.ToSale("7"),
            Optional.of("i7"));
    var paid = invoice(7, cents(5_000)).withOpen(cents(0));
    assertThat(booked(book(false, Map.of("i7", paid), joined)))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("CLAIMS", cents(5_000), "fees", cents(1_500), "clearing", cents(-6_500)));
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
  void aWonChargebackSettlesWhatItLeftOpenWithItsAmountAndNothingElse() {
    var won = cents(5_000);
    var paid = invoice(7, won);
    assertThat(WonChargeback.settles(won, true, paid, List.of())).contains(paid);
    // settled in part since: more would come back than is open
    assertThat(WonChargeback.settles(won, true, paid.withOpen(cents(4_999)), List.of())).isEmpty();
    var own = claim(7, won);
    var others = claim(8, won);
    var smaller = claim(7, cents(4_999));
    assertThat(WonChargeback.settles(won, false, paid, List.of(others, smaller, own)))
        .contains(own);
    assertThat(WonChargeback.settles(won, false, paid, List.of(others, smaller))).isEmpty();
  }
}
