package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.Books.withTerms;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.JournalLine;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.RemainderOption.Kind;

/** What each treatment of a difference writes, and what it leaves behind. */
class TreatmentsTest {

  private static final LocalDate LONG_AGO = LocalDate.of(2026, 5, 20);

  private static Draft draft(String received, Application... applications) {
    return new Draft(
        receipt(received, "", ""), List.of(applications), List.of(), usd("0"), Optional.of("a"));
  }

  private static Application whole(OpenItem item) {
    return Application.of(item, item.open());
  }

  private static Draft treated(Draft draft, Kind kind) {
    return RemainderOption.taken(
        draft, kind, Optional.of(ClaimReason.SHORT_DELIVERY), policy(), Authority.CLERK);
  }

  private static void assertWrites(Draft draft, Object... rolesAndAmounts) {
    var lines = Posting.entryFor(draft.settle(policy(), Authority.SUPERVISOR), TODAY, "x").lines();
    var expected = new org.assertj.core.groups.Tuple[rolesAndAmounts.length / 2];
    for (var i = 0; i < expected.length; i++) {
      expected[i] = tuple(rolesAndAmounts[2 * i], usd((String) rolesAndAmounts[2 * i + 1]));
    }
    assertThat(lines).extracting(JournalLine::role, JournalLine::amount).containsExactly(expected);
  }

  /**
   * Source: bank charges deducted from a remittance as the textbooks of accounting treat them (the
   * receivable is credited with its whole amount, the charge is an expense); the example of 1,000
   * with 15 withheld is our own, the treatment recalled from memory.
   */
  @Test
  void aBankFeeSettlesTheInvoiceInFull() {
    var paid = treated(draft("985.00", whole(invoice("LM-1", "a", "1000.00"))), Kind.BANK_FEE);
    assertWrites(
        paid,
        AccountRole.BANK,
        "985.00",
        AccountRole.BANK_FEES,
        "15.00",
        AccountRole.RECEIVABLE,
        "-1000.00");
    assertThat(paid.settle(policy(), Authority.CLERK).itemsAfter().get(0).settled()).isTrue();
  }

  @Test
  void theTaxInAFeeGoesToTax() {
    var fee = new FeeWithheld(usd("12.00"), KeptBy.PROCESSOR, usd("2.00"));
    assertWrites(
        draft("988.00", whole(invoice("LM-1", "a", "1000.00"))).adjustedBy(fee),
        AccountRole.BANK,
        "988.00",
        AccountRole.PROCESSING_FEES,
        "10.00",
        AccountRole.TAX,
        "2.00",
        AccountRole.RECEIVABLE,
        "-1000.00");
    assertThatThrownBy(() -> new FeeWithheld(usd("2.00"), KeptBy.BANK, usd("2.00")))
        .hasMessageContaining("not contained");
  }

  /**
   * Source: Kieso, Weygandt and Warfield, Intermediate Accounting, gross method of cash discounts:
   * a payment after the discount period that is short by the discount leaves it unpaid. Recalled
   * from memory; the figures are our own.
   */
  @Test
  void aDiscountTakenTooLateIsGrantedBilledBackOrLeftOwing() {
    var late = withTerms(invoice("LM-1", "a", "1000.00", LONG_AGO), "2/10 net 30");
    var shortBy20 = draft("980.00", whole(late));
    var options = RemainderOption.of(shortBy20, policy(), Authority.CLERK);
    assertThat(options)
        .extracting(RemainderOption::kind)
        .containsSequence(Kind.GRANT_DISCOUNT, Kind.BILL_BACK_DISCOUNT)
        .contains(Kind.LEAVE_OWING)
        .doesNotContain(Kind.TAKE_DISCOUNT);
    // 20.00 is beyond the clerk's 10.00
    assertThat(options.get(0).approval()).isEqualTo("the limit is 10.00");
    assertWrites(
        treated(shortBy20, Kind.GRANT_DISCOUNT),
        AccountRole.BANK,
        "980.00",
        AccountRole.DISCOUNTS_ALLOWED,
        "20.00",
        AccountRole.RECEIVABLE,
        "-1000.00");
    var billedBack = treated(shortBy20, Kind.BILL_BACK_DISCOUNT);
    assertThat(billedBack.adjustments())
        .containsExactly(new ClaimRaised(usd("20.00"), "a", ClaimReason.UNEARNED_DISCOUNT, ""));
    assertThat(
            treated(shortBy20, Kind.LEAVE_OWING)
                .settle(policy(), Authority.CLERK)
                .itemsAfter()
                .get(0)
                .open())
        .isEqualTo(usd("20.00"));
  }

  @Test
  void aClaimIsAnItemOfItsOwnThatCanBeCredited() {
    var paid = treated(draft("725.00", whole(invoice("LM-1", "a", "1000.00"))), Kind.CLAIM);
    assertWrites(
        paid,
        AccountRole.BANK,
        "725.00",
        AccountRole.CLAIMS,
        "275.00",
        AccountRole.RECEIVABLE,
        "-1000.00");
    var claim = paid.settle(policy(), Authority.CLERK).itemsMade(prefix -> prefix + "-7").get(0);
    assertThat(claim.number()).isEqualTo("CL-7");
    assertThat(claim.open()).isEqualTo(usd("275.00"));
    // credited later, without any money
    var credited =
        new Draft(
            Receipt.none(COMPANY, TODAY, USD),
            List.of(whole(claim), whole(creditNote("CN-1", "a", "-275.00"))),
            List.of(),
            usd("0"),
            Optional.empty());
    assertWrites(credited, AccountRole.CLAIMS, "-275.00", AccountRole.RECEIVABLE, "275.00");
  }

  @Test
  void aRefundIsListedForPayment() {
    var over = draft("1012.00", whole(invoice("LM-1", "a", "1000.00")));
    var promised = treated(over, Kind.REFUND);
    assertWrites(
        promised,
        AccountRole.BANK,
        "1012.00",
        AccountRole.REFUNDS_DUE,
        "-12.00",
        AccountRole.RECEIVABLE,
        "-1000.00");
    assertThat(promised.tally().refund()).isEqualTo(usd("12.00"));
    assertThat(promised.settle(policy(), Authority.CLERK).itemsMade(p -> p).get(0).open())
        .isEqualTo(usd("-12.00"));
    assertThat(
            RemainderOption.of(
                    draft("1020.01", whole(invoice("LM-1", "a", "1000.00"))),
                    policy(),
                    Authority.CLERK)
                .get(1)
                .approval())
        .isEqualTo("the limit is 20.00");
  }

  /** Common practice, no source: where the smallest coin is 0.05, 10.02 is paid as 10.00. */
  @Test
  void aRoundingIsLessThanTheSmallestCoin() {
    var cash = draft("10.00", whole(invoice("LM-1", "a", "10.02")));
    assertWrites(
        treated(cash, Kind.ROUNDING),
        AccountRole.BANK,
        "10.00",
        AccountRole.ROUNDING_DIFFERENCES,
        "0.02",
        AccountRole.RECEIVABLE,
        "-10.02");
    var tooMuch =
        draft("10.00", whole(invoice("LM-1", "a", "10.05"))).adjustedBy(new Rounding(usd("0.05")));
    assertThatThrownBy(() -> tooMuch.settle(policy(), Authority.SUPERVISOR))
        .hasMessageContaining("0.05 is no rounding");
  }

  @Test
  void moneyThatIsNoCustomersGoesToItsAccountWithItsTax() {
    var rent =
        new Draft(receipt("120.00", "", ""), List.of(), List.of(), usd("0"), Optional.empty())
            .adjustedBy(new ToAccount(usd("-120.00"), "4800", usd("-20.00"), "rent"));
    assertWrites(
        rent, AccountRole.BANK, "120.00", AccountRole.OTHER, "-100.00", AccountRole.TAX, "-20.00");
    assertThat(rent.tally().toAccounts()).isEqualTo(usd("120.00"));
  }

  @Test
  void severalSmallOnesCountAsOneLargeOne() {
    var two =
        draft("97.00", whole(invoice("LM-1", "a", "100.00")))
            .adjustedBy(SmallWriteOff.of(usd("1.50")))
            .adjustedBy(SmallWriteOff.of(usd("1.50")));
    assertThatThrownBy(() -> two.settle(policy(), Authority.CLERK))
        .hasMessageContaining("3.00 cannot be written off without a supervisor");
  }

  @Test
  void creditNotesAndMoneyOnAccountArePartOfTheSum() {
    var kept = new OnAccount("OA", COMPANY, "a", "OA-1", TODAY, usd("-50.00"), usd("-50.00"));
    var draft =
        draft(
            "830.00",
            whole(invoice("LM-1", "a", "1000.00")),
            whole(creditNote("CN-1", "a", "-80.00")),
            whole(creditNote("CN-2", "a", "-40.00")),
            whole(kept));
    assertThat(draft.tally().left()).isEqualTo(usd("0.00"));
    assertThat(draft.settle(policy(), Authority.CLERK).itemsAfter())
        .allSatisfy(i -> assertThat(i.settled()).isTrue());
  }

  @Test
  void aParentsPaymentShowsWhatGoesToEachBranch() {
    var draft =
        draft(
            "600.00",
            whole(invoice("LM-1", "north", "100.00")),
            whole(invoice("LM-2", "south", "200.00")),
            whole(invoice("LM-3", "north", "300.00")));
    assertThat(draft.byCustomer())
        .containsExactly(
            new Draft.Share("north", usd("400.00")), new Draft.Share("south", usd("200.00")));
  }

  @Test
  void policiesThatContradictThemselvesAreRefused() {
    assertThatThrownBy(() -> new Tolerance(usd("-1"), usd("0"), BigDecimal.ONE))
        .hasMessageContaining("below zero");
    var p = policy();
    assertThatThrownBy(
            () ->
                new Policy(
                    -1,
                    p.clerk(),
                    p.supervisor(),
                    List.of(),
                    BigDecimal.ZERO,
                    usd("0"),
                    p.customs(),
                    0.99,
                    3))
        .hasMessageContaining("days of grace");
  }
}
