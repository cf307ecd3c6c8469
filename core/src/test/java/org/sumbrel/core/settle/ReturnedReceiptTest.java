package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.usd;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.ReturnedReceipt.Debit;
import org.sumbrel.core.settle.ReturnedReceipt.Taken;

/** A receipt that the bank took back: which debit it was, and what it cost. */
class ReturnedReceiptTest {

  private static final Receipt CHEQUE =
      new Receipt("1", COMPANY, TODAY.minusDays(10), usd("612.30"), "CAFE TAMARISK", "", "flour");

  private static Debit debit(long key, int daysAgo, String amount, String told) {
    return new Debit(key, TODAY.minusDays(daysAgo), usd(amount), told);
  }

  @Test
  void costsWhatTheBankTookBeyondIt() {
    assertThat(ReturnedReceipt.fee(usd("612.30"), usd("-612.30"), usd("0"))).isEqualTo(usd("0"));
    assertThat(ReturnedReceipt.fee(usd("612.30"), usd("-624.30"), usd("0")))
        .isEqualTo(usd("12.00"));
    assertThat(ReturnedReceipt.fee(usd("612.30"), usd("-612.30"), usd("-15.00")))
        .isEqualTo(usd("15.00"));
  }

  @Test
  void isNotReturnedByLessThanArrived() {
    assertThatThrownBy(() -> ReturnedReceipt.fee(usd("612.30"), usd("-600.00"), usd("-20.00")))
        .hasMessageContaining("took 600.00")
        .hasMessageContaining("612.30 had arrived")
        .hasMessageContaining("12.30 of it is still here");
  }

  @Test
  void isLikeliestReturnedByTheSameAmountAndByWhatNamesIt() {
    var wages = debit(1, 2, "-640.00", "WAGES");
    var named = debit(2, 1, "-612.30", "RETURNED CHEQUE 1187");
    var alike = debit(3, 5, "-612.30", "TRANSFER");
    var before = debit(4, 20, "-612.30", "RETURNED CHEQUE 1187");
    var rent = debit(5, 1, "-2400.00", "RENT");
    var found =
        ReturnedReceipt.candidates(CHEQUE, "1187", List.of(wages, named, alike, before, rent));
    assertThat(found).containsExactly(named, alike, wages);
    assertThat(
            ReturnedReceipt.candidates(
                CHEQUE, "", List.of(alike, debit(6, 1, "-612.30", "CAFE TAMARISK RECALLED"))))
        .extracting(Debit::key)
        .containsExactly(6L, 3L);
  }

  @Test
  void isFoundFromTheDebitByItsNumberOrAmount() {
    var others =
        List.of(
            new Taken(receipt("2", 12, "612.30", "WRENHOUSE"), "55"),
            new Taken(receipt("3", 9, "600.00", "HALLORAN"), "77"),
            new Taken(receipt("4", 3, "612.30", "OSKAR"), ""),
            new Taken(CHEQUE, "1187"));
    var found = ReturnedReceipt.takenBackBy(debit(9, 1, "-612.30", "RETURNED CHEQUE 1187"), others);
    // its number first, then those of its amount, the latest first; a lower one is not named
    assertThat(found).extracting(t -> t.receipt().id()).containsExactly("1", "4", "2");
    // with a fee in it, only what it names
    assertThat(ReturnedReceipt.takenBackBy(debit(9, 1, "-627.30", "RET CHQ 1187"), others))
        .extracting(t -> t.receipt().id())
        .containsExactly("1");
    assertThat(ReturnedReceipt.least(usd("627.30"))).isEqualTo(usd("527.30"));
    assertThat(ReturnedReceipt.least(usd("40.00"))).isEqualTo(usd("0.01"));
    assertThat(ReturnedReceipt.least(usd("11000.00"))).isEqualTo(usd("10000.00"));
  }

  private static Receipt receipt(String id, int daysAgo, String amount, String payer) {
    return new Receipt(id, COMPANY, TODAY.minusDays(daysAgo), usd(amount), payer, "", "");
  }

  @Test
  void hasItsFeeOnTheDayOrSoonAfter() {
    var fee = debit(1, 1, "-12.00", "RETURNED ITEM FEE");
    var later = debit(2, 0, "-4.50", "ACCOUNT FEE");
    var rent = debit(3, 1, "-2400.00", "RENT");
    var before = debit(4, 3, "-12.00", "FEE");
    assertThat(ReturnedReceipt.fees(TODAY.minusDays(1), List.of(later, fee, rent, before)))
        .containsExactly(fee, later);
  }

  @Test
  void chargesItsFeeOnOrBearsIt() {
    var borne = Posting.returnFee(COMPANY, usd("12.00"), Optional.empty(), TODAY, "Fee");
    assertThat(borne.lines())
        .extracting(l -> l.role() + " " + l.amount())
        .containsExactly("BANK_FEES USD 12.00", "BANK USD -12.00");
    var charged = Posting.returnFee(COMPANY, usd("12.00"), Optional.of("C1"), TODAY, "Fee");
    assertThat(charged.lines()).extracting(l -> l.role()).first().isEqualTo(AccountRole.RECEIVABLE);
    assertThat(charged.lines().get(0).customerId()).contains("C1");
  }
}
