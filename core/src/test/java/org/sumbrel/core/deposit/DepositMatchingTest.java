package org.sumbrel.core.deposit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.deposit.DepositTest.held;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.DepositMatch.Fix.What;
import org.sumbrel.core.deposit.DepositMatch.Kind;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.core.settle.FeeTerms;

class DepositMatchingTest {

  private static final LocalDate BANKED = TODAY.minusDays(2);
  private static final List<FeeTerms> FEES =
      List.of(FeeTerms.parse("15.00", USD), FeeTerms.parse("2.9 % + 0.30", USD));

  private static InTransit transit(String id, String slip, LocalDate on, HeldReceipt... receipts) {
    var deposit = Deposit.of("mill", USD, on, List.of(receipts), List.of());
    return new InTransit(id, slip, deposit.total(), deposit);
  }

  private static InTransit wednesday() {
    return transit(
        "d1",
        "0412",
        BANKED,
        held("2214", PaidBy.CHEQUE, "1880.00"),
        held("90117", PaidBy.CHEQUE, "1150.00"),
        held("371", PaidBy.CHEQUE, "640.00"),
        held("till", PaidBy.CASH, "640.00"));
  }

  private static BankCredit shown(String amount, String text) {
    return new BankCredit("e", BANKED.plusDays(1), usd(amount), text);
  }

  private static List<DepositMatch> matches(
      BankCredit entry, List<InTransit> deposits, HeldReceipt... pouch) {
    return new DepositMatching(deposits, List.of(pouch), FEES).matches(entry, List.of(entry));
  }

  @Test
  void findsADepositByItsAmountAndItsSlip() {
    var found = matches(shown("4310.00", "COUNTER DEPOSIT 412"), List.of(wednesday()));
    assertThat(found).hasSize(1);
    var first = found.get(0);
    assertThat(first.kind()).isEqualTo(Kind.AGREES);
    assertThat(first.gap()).isEqualTo(usd("0.00"));
    assertThat(first.reasons())
        .containsExactly(
            "the amount to the cent",
            "the slip's number 0412 stands in what the bank says",
            "banked a day before");
  }

  @Test
  void findsADepositHoweverOldItIs() {
    var old = transit("d9", "77", BANKED.minusYears(1), held("c", PaidBy.CASH, "99.99"));
    assertThat(matches(shown("99.99", "DEPOSIT"), List.of(old)))
        .extracting(DepositMatch::kind)
        .containsExactly(Kind.AGREES);
  }

  @Test
  void saysWhatWouldFillAGap() {
    var found =
        matches(
            shown("4400.00", "COUNTER DEPOSIT 0412"),
            List.of(wednesday()),
            held("58", PaidBy.CHEQUE, "90.00", BANKED));
    var near = found.get(0);
    assertThat(near.kind()).isEqualTo(Kind.NEAR);
    assertThat(near.gap()).isEqualTo(usd("90.00"));
    assertThat(near.reasons().get(0)).isEqualTo("90.00 more than this deposit of 4,310.00");
    assertThat(near.fixes())
        .extracting(DepositMatch.Fix::what)
        .contains(What.PUT_IN, What.ADD_LINE);
    assertThat(near.fixes().get(0).says())
        .isEqualTo("Cheque 58 of 90.00 is still in the pouch; with it the deposit agrees");
    assertThat(near.fixes().get(1).says())
        .startsWith("the cash of it is 640.00; if the bank counted 730.00, it agrees");
  }

  @Test
  void knowsRefusedChequesFeesNotesAndFiguresThatChangedPlaces() {
    var refused = matches(shown("3160.00", "DEPOSIT 0412"), List.of(wednesday())).get(0);
    assertThat(refused.fixes().get(0).what()).isEqualTo(What.TAKE_OUT);
    assertThat(refused.fixes().get(0).receiptIds()).containsExactly("90117");

    var fee = matches(shown("4295.00", "DEPOSIT 0412"), List.of(wednesday())).get(0);
    assertThat(fee.fixes().get(0).line().orElseThrow().amount()).isEqualTo(usd("-15.00"));

    var note = matches(shown("4330.00", "DEPOSIT 0412"), List.of(wednesday())).get(0);
    assertThat(note.fixes().get(0).says()).endsWith("the difference is one piece of 20.00");

    // 460.00 counted for 640.00
    var swapped = matches(shown("4130.00", "DEPOSIT 0412"), List.of(wednesday())).get(0);
    assertThat(swapped.fixes().get(0).says()).endsWith("two figures have changed places");
  }

  @Test
  void findsDepositsShownAsOneAndOneShownInParts() {
    var second = transit("d2", "0413", BANKED, held("c", PaidBy.CASH, "90.00"));
    var together = matches(shown("4400.00", "DEPOSITS"), List.of(wednesday(), second)).get(0);
    assertThat(together.kind()).isEqualTo(Kind.TOGETHER);
    assertThat(together.depositIds()).containsExactlyInAnyOrder("d1", "d2");

    var entry = shown("4000.00", "DEPOSIT 0412");
    var rest = new BankCredit("f", BANKED.plusDays(2), usd("310.00"), "DEPOSIT 0412");
    var parts =
        new DepositMatching(List.of(wednesday()), List.of(), List.of())
            .matches(entry, List.of(entry, rest));
    assertThat(parts.get(0).kind()).isEqualTo(Kind.IN_PARTS);
    assertThat(parts.get(0).entryIds()).containsExactly("e", "f");
    assertThat(parts.get(0).reasons().get(0))
        .isEqualTo("with the 310.00 of 29 May 2026 it is this deposit to the cent");
  }

  @Test
  void findsTheForgottenDepositInThePouch() {
    var found =
        matches(
            shown("910.00", "COUNTER DEPOSIT"),
            List.of(),
            held("58", PaidBy.CHEQUE, "412.30", BANKED),
            held("till", PaidBy.CASH, "497.70", BANKED),
            held("59", PaidBy.CHEQUE, "33.00", BANKED),
            held("late", PaidBy.CHEQUE, "910.00", BANKED.plusDays(5)));
    assertThat(found).hasSize(1);
    assertThat(found.get(0).kind()).isEqualTo(Kind.IN_POUCH);
    assertThat(found.get(0).receiptIds()).containsExactly("58", "till");
    assertThat(found.get(0).reasons())
        .containsExactly("412.30 and 497.70 in the pouch make exactly this");
  }

  @Test
  void knowsACardBatchLessWhatTheAcquirerKeeps() {
    var batch =
        transit(
            "b1",
            "batch 77",
            BANKED,
            held("s1", PaidBy.CARD, "80.00"),
            held("s2", PaidBy.CARD, "45.50"));
    // 125.50 less 2.9 % (3.64) and 0.30
    var net = matches(shown("121.56", "MERCHANT SETTLEMENT"), List.of(batch)).get(0);
    assertThat(net.kind()).isEqualTo(Kind.NEAR);
    assertThat(net.fixes().get(0).says())
        .isEqualTo("acquirers are known to keep 2.9 % + 0.30, which is 3.94");
    assertThat(net.fixes().get(0).line().orElseThrow().kind())
        .isEqualTo(DepositLine.Kind.PROCESSING_FEE);
  }

  @Test
  void saysNothingOfWhatIsFarAway() {
    assertThat(matches(shown("12.00", "WIRE FROM SOMEBODY"), List.of(wednesday()))).isEmpty();
    var future = transit("d3", "9", TODAY.plusDays(3), held("c", PaidBy.CASH, "500.00"));
    assertThat(matches(shown("510.00", "TRANSFER"), List.of(future))).isEmpty();
  }
}
