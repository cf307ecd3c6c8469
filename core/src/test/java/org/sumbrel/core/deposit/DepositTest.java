package org.sumbrel.core.deposit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.DepositLine.Kind;
import org.sumbrel.core.receivables.PaidBy;

class DepositTest {

  static HeldReceipt held(String id, PaidBy method, String amount) {
    return held(id, method, amount, TODAY.minusDays(2));
  }

  static HeldReceipt held(String id, PaidBy method, String amount, LocalDate on) {
    return new HeldReceipt(
        id,
        method,
        on,
        usd(amount),
        "Piazza Forno",
        method == PaidBy.CHEQUE ? id : "",
        Optional.empty());
  }

  static DepositLine line(Kind kind, String amount) {
    return new DepositLine(
        kind, usd(amount), kind == Kind.TO_ACCOUNT ? Optional.of("7") : Optional.empty(), "a line");
  }

  static Deposit deposit(List<HeldReceipt> receipts, DepositLine... lines) {
    return Deposit.of("mill", USD, TODAY, receipts, List.of(lines));
  }

  /**
   * The layout of a deposit slip as textbooks have it (currency, coin, cheques one by one, less
   * cash received, net deposit); the figures are made up.
   */
  @Test
  void comesToItsReceiptsAndLines() {
    var cash = held("c", PaidBy.CASH, "640.00");
    var deposit =
        deposit(
            List.of(
                held("2214", PaidBy.CHEQUE, "1880.00"),
                held("90117", PaidBy.CHEQUE, "1150.00"),
                held("371", PaidBy.CHEQUE, "640.00"),
                cash),
            line(Kind.LOOSE_CASH, "100.00"),
            line(Kind.KEPT_BACK, "-50.00"),
            line(Kind.TO_ACCOUNT, "12.00"));
    assertThat(deposit.receiptTotal()).isEqualTo(usd("4310.00"));
    assertThat(deposit.cash()).isEqualTo(usd("690.00"));
    assertThat(deposit.total()).isEqualTo(usd("4372.00"));
    assertThat(deposit.by(PaidBy.CASH)).containsExactly(cash);
    deposit.requireSlip(usd("4372.00"));
    assertThatThrownBy(() -> deposit.requireSlip(usd("4362.00")))
        .hasMessageContaining("4,362.00")
        .hasMessageContaining("4,372.00")
        .hasMessageContaining("10.00 more");
  }

  @Test
  void isHeldAgainstTheCountByDenomination() {
    var deposit = deposit(List.of(held("c", PaidBy.CASH, "186.25")));
    var counted =
        new CashCount(
            USD, Map.of(usd("100"), 1, usd("20"), 4, usd("5"), 1, usd("1"), 1, usd("0.25"), 1));
    assertThat(counted.total()).isEqualTo(usd("186.25"));
    assertThat(counted.pieces().keySet().iterator().next()).isEqualTo(usd("100"));
    deposit.requireCounted(counted);
    var short20 = new CashCount(USD, Map.of(usd("100"), 1, usd("20"), 3, usd("0.25"), 25));
    assertThatThrownBy(() -> deposit.requireCounted(short20))
        .isInstanceOf(DepositRefused.class)
        .hasMessageContaining("186.25")
        .hasMessageContaining("166.25 was counted: 20.00 less");
  }

  private static void refused(DepositRefused.Code code, Runnable making) {
    assertThatThrownBy(making::run)
        .isInstanceOfSatisfying(DepositRefused.class, e -> assertThat(e.code()).isEqualTo(code));
  }

  @Test
  void refusesWhatCannotBeBanked() {
    refused(DepositRefused.Code.EMPTY, () -> deposit(List.of()));
    var cheque = held("58", PaidBy.CHEQUE, "412.30");
    refused(DepositRefused.Code.TWICE, () -> deposit(List.of(cheque, cheque)));
    refused(
        DepositRefused.Code.MIXED,
        () -> deposit(List.of(cheque, held("card", PaidBy.CARD, "10.00"))));
    refused(
        DepositRefused.Code.MORE_CASH_THAN_THERE_IS,
        () -> deposit(List.of(cheque), line(Kind.KEPT_BACK, "-20.00")));
    refused(
        DepositRefused.Code.NOTHING_TO_BANK,
        () -> deposit(List.of(held("c", PaidBy.CASH, "20.00")), line(Kind.KEPT_BACK, "-20.00")));
    var euros =
        new HeldReceipt(
            "e", PaidBy.CASH, TODAY, Money.parse("EUR 5.00"), "A", "", Optional.empty());
    refused(DepositRefused.Code.WRONG_CURRENCY, () -> deposit(List.of(euros)));
    var ahead =
        new HeldReceipt(
            "p", PaidBy.CHEQUE, TODAY, usd("5.00"), "A", "77", Optional.of(TODAY.plusDays(1)));
    assertThatThrownBy(() -> deposit(List.of(ahead)))
        .hasMessageContaining("Cheque 77 of 5.00 is dated 30 May 2026")
        .hasMessageContaining("cannot be banked on 29 May 2026");
  }

  @Test
  void linesHaveTheirSign() {
    assertThatThrownBy(() -> line(Kind.LOOSE_CASH, "-1.00"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> line(Kind.KEPT_BACK, "1.00"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> line(Kind.BANK_FEE, "1.00"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> line(Kind.CASH_DIFFERENCE, "0.00"))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
