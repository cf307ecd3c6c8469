package org.sumbrel.core.deposit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.DepositRefused.Code;
import org.sumbrel.core.deposit.Takings.Sale;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.PaidBy;

class TakingsTest {

  private static HeldReceipt paid(PaidBy method, String amount) {
    return HeldReceipt.recorded(method, TODAY, usd(amount), "Till 1", "", Optional.empty(), TODAY);
  }

  private static Sale sale(String amount, String tax) {
    return new Sale(Optional.empty(), usd(amount), usd(tax));
  }

  private static Takings till(String cashByTill, List<Sale> sales, HeldReceipt... paid) {
    return Takings.of("mill", USD, TODAY, "Till 1", sales, usd(cashByTill), List.of(paid));
  }

  private static Money on(JournalEntry entry, AccountRole role) {
    return MoneySum.of(
        USD, entry.lines().stream().filter(l -> l.role() == role).toList(), l -> l.amount());
  }

  /**
   * A day of a till as bookkeeping texts show it: cash over and short is the difference between the
   * cash that was counted and the cash sales of the till (OpenStax, Principles of Accounting,
   * volume 1, section 8.4, on cash over and short; the figures are made up for this check).
   */
  @Test
  void booksADayWithOneEntryAndTheCashThatIsShort() {
    var takings =
        till(
            "412.60",
            List.of(sale("848.00", "48.00")),
            paid(PaidBy.CASH, "410.60"),
            paid(PaidBy.CHEQUE, "120.00"),
            paid(PaidBy.CARD, "315.40"));

    var entry = DepositPosting.taken(takings, "Takings");

    assertThat(takings.difference()).isEqualTo(usd("-2.00"));
    assertThat(on(entry, AccountRole.RECEIPTS_ON_HAND)).isEqualTo(usd("530.60"));
    assertThat(on(entry, AccountRole.PROCESSOR_CLEARING)).isEqualTo(usd("315.40"));
    assertThat(on(entry, AccountRole.SALES)).isEqualTo(usd("-800.00"));
    assertThat(on(entry, AccountRole.TAX)).isEqualTo(usd("-48.00"));
    assertThat(on(entry, AccountRole.CASH_DIFFERENCES)).isEqualTo(usd("2.00"));
    assertThat(entry.lines()).hasSize(5);
  }

  @Test
  void saysByHowMuchTheTillContradictsItself() {
    assertThatThrownBy(
            () ->
                till(
                    "400.00",
                    List.of(sale("848.00", "48.00")),
                    paid(PaidBy.CASH, "400.00"),
                    paid(PaidBy.CARD, "438.00")))
        .isInstanceOfSatisfying(
            DepositRefused.class,
            e -> {
              assertThat(e.code()).isEqualTo(Code.DOES_NOT_AGREE);
              assertThat(e)
                  .hasMessage(
                      "Sales of 848.00 and what the till says was paid differ by 10.00: cash 400.00, cheques 0.00, cards 438.00 come to 838.00.");
              assertThat(e.figures()).containsEntry("paid", usd("838.00"));
            });
  }

  @Test
  void refusesATaxThatIsNotContainedAndATransferOverTheCounter() {
    assertThatThrownBy(
            () -> till("10.00", List.of(sale("10.00", "10.00")), paid(PaidBy.CASH, "10.00")))
        .hasMessage("A tax of 10.00 cannot be contained in sales of 10.00.");
    assertThatThrownBy(
            () -> till("0.00", List.of(sale("10.00", "0.00")), paid(PaidBy.TRANSFER, "10.00")))
        .hasMessageContaining("A transfer is not taken over the counter");
    assertThatThrownBy(() -> till("0.00", List.of(sale("10.00", "0.00"))))
        .hasMessageContaining("sold is 10.00, received 0.00");
  }

  @Test
  void countsMoreTakenBackThanSoldOfOneKindAgainstTheOthers() {
    var back = new Sale(Optional.of("4010"), usd("-21.20"), usd("-1.20"));
    var takings = till("84.80", List.of(sale("106.00", "6.00"), back), paid(PaidBy.CASH, "84.80"));

    assertThat(takings.sold()).isEqualTo(usd("84.80"));
    assertThat(on(DepositPosting.taken(takings, "t"), AccountRole.TAX)).isEqualTo(usd("-4.80"));
  }

  /** Whatever a till reports, its entry balances and holds what was received. */
  @Property(tries = 300)
  void everyReportIsOneBalancedEntryThatHoldsWhatWasReceived(@ForAll Random random) {
    var paid = new ArrayList<HeldReceipt>();
    var due = Money.zero(USD);
    for (var n = 0; n < 1 + random.nextInt(6); n++) {
      var method = List.of(PaidBy.CHEQUE, PaidBy.CARD).get(random.nextInt(2));
      var one = Money.ofMinor(USD, 1 + random.nextInt(90_000));
      paid.add(HeldReceipt.recorded(method, TODAY, one, "Till", "" + n, Optional.empty(), TODAY));
      due = due.plus(one);
    }
    var byTill = Money.ofMinor(USD, random.nextInt(50_000));
    var counted = byTill.plus(Money.ofMinor(USD, random.nextInt(400) - 200));
    if (counted.isPositive()) {
      paid.add(
          HeldReceipt.recorded(PaidBy.CASH, TODAY, counted, "Till", "", Optional.empty(), TODAY));
    }
    var sold = due.plus(byTill);
    var tax = IncludedTax.in(sold, java.math.BigDecimal.valueOf(6));
    var takings =
        Takings.of(
            "mill",
            USD,
            TODAY,
            "Till",
            List.of(new Sale(Optional.empty(), sold, tax)),
            byTill,
            paid);

    var entry = DepositPosting.taken(takings, "t");

    assertThat(MoneySum.of(USD, entry.lines(), l -> l.amount())).isEqualTo(Money.zero(USD));
    assertThat(
            on(entry, AccountRole.RECEIPTS_ON_HAND).plus(on(entry, AccountRole.PROCESSOR_CLEARING)))
        .isEqualTo(takings.received());
    assertThat(takings.received()).isEqualTo(takings.sold().plus(takings.difference()));
  }
}
