package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.payout.BookedPayouts.ACCOUNTS;
import static org.sumbrel.core.payout.BookedPayouts.DAY;
import static org.sumbrel.core.payout.BookedPayouts.book;
import static org.sumbrel.core.payout.BookedPayouts.booked;
import static org.sumbrel.core.payout.BookedPayouts.cents;
import static org.sumbrel.core.payout.BookedPayouts.item;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.payout.BookedPayouts.Books;
import org.sumbrel.core.payout.PayoutBooking.Joined;
import org.sumbrel.core.settle.FeeTerms;

/**
 * The entries of card settlement against what textbooks write. Debits are positive. What is quoted
 * is from memory, no print was at hand; what has no source says so.
 */
class CardSettlementEntriesTest {

  private static Joined newSale(long gross, long fee) {
    return new Joined(
        item(PayoutItemType.SALE, gross, fee, 0, 0, 1), new Join.NewSale(), Optional.empty());
  }

  private static Joined alone(PayoutItemType type, long gross) {
    return new Joined(item(type, gross, 0, 0, 0, 0), new Join.Nothing(), Optional.empty());
  }

  private static long fee(String terms, long gross) {
    return FeeTerms.parse(terms, CurrencyUnit.USD).of(cents(gross)).getAmountMinorLong();
  }

  /**
   * A sale on a credit card at a percentage. Principles of Accounting, Volume 1 (OpenStax), section
   * 9.1, from memory: a sale of 800 at a charge of 4 % debits the card company's receivable with
   * 768 and credit card expense with 32, and credits sales with 800.
   */
  @Test
  void aSaleAtAPercentage() {
    assertThat(fee("4 %", 80_000)).isEqualTo(3_200);
    assertThat(booked(book(false, Map.of(), newSale(80_000, fee("4 %", 80_000)))))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("clearing", cents(76_800), "fees", cents(3_200), "sales", cents(-80_000)));
  }

  /** The same with a fixed amount for each sale: common practice, worked by hand, no source. */
  @Test
  void salesAtAPercentageAndAFixedAmountEach() {
    var terms = "2.9 % + 0.30";
    var booking =
        book(
            false,
            Map.of(),
            newSale(10_000, fee(terms, 10_000)),
            newSale(25_000, fee(terms, 25_000)));
    assertThat(booked(booking))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("clearing", cents(33_925), "fees", cents(1_075), "sales", cents(-35_000)));
  }

  /**
   * A reserve is money of ours that the processor holds: an asset until it is let go, no expense.
   * Common practice, no source.
   */
  @Test
  void aReserveStaysOursUntilItIsLetGo() {
    var held =
        book(false, Map.of(), newSale(100_000, 0), alone(PayoutItemType.RESERVE_HELD, -10_000));
    assertThat(booked(held))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("clearing", cents(90_000), "reserve", cents(10_000), "sales", cents(-100_000)));
    assertThat(booked(book(false, Map.of(), alone(PayoutItemType.RESERVE_RELEASED, 10_000))))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("clearing", cents(10_000), "reserve", cents(-10_000)));
  }

  /**
   * A chargeback of a sale that no customer is known for: the sale's amount and the processor's
   * charge for the dispute are taken from what it owes us. Common practice, no source.
   */
  @Test
  void aChargebackAndItsFee() {
    var lost =
        book(
            false,
            Map.of(),
            alone(PayoutItemType.CHARGEBACK, -8_480),
            new Joined(
                item(PayoutItemType.FEE, 0, 1_500, 0, 0, 0), new Join.Nothing(), Optional.empty()));
    assertThat(booked(lost))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of("chargebacks", cents(8_480), "fees", cents(1_500), "clearing", cents(-9_980)));
  }

  /**
   * A sale in a foreign currency that the processor changes at another rate than that of its day:
   * what the exchange account holds, at the rate of the sale, is the realised difference of IAS
   * 21.28. Figures made up; the rule is the standard's, from memory.
   */
  @Test
  void aSaleInAForeignCurrencyLeavesTheRealisedDifferenceOnTheExchangeAccount() {
    var sold =
        statement(
            CurrencyUnit.EUR,
            in(CurrencyUnit.EUR, PayoutItemType.SALE, 4_800, 576, new Join.NewSale()),
            in(CurrencyUnit.EUR, PayoutItemType.CONVERSION, -4_224, 0, new Join.Nothing()));
    var got =
        statement(
            CurrencyUnit.USD,
            in(CurrencyUnit.USD, PayoutItemType.CONVERSION, 4_583, 0, new Join.Nothing()));
    var euros = Money.ofMinor(CurrencyUnit.EUR, 4_224);
    assertThat(balance(sold, "exchange")).isEqualTo(euros);
    assertThat(sold.balances).doesNotContainKey("clearing");
    assertThat(balance(got, "exchange")).isEqualTo(cents(-4_583));
    var booked = new Rate(CurrencyUnit.EUR, CurrencyUnit.USD, new BigDecimal("1.10"));
    // 42.24 at 1.10 are 46.46; 45.83 came in: a loss of 0.63, a debit of the account
    assertThat(booked.realisedOn(euros, cents(4_583))).isEqualTo(cents(-63));
    assertThat(booked.of(balance(sold, "exchange")).plus(balance(got, "exchange")))
        .isEqualTo(cents(63));
  }

  private static Money balance(Books books, String account) {
    return books.balances.get(account);
  }

  private static Joined in(
      CurrencyUnit currency, PayoutItemType type, long gross, long fee, Join join) {
    var zero = Money.zero(currency);
    return new Joined(
        new PayoutItem(
            1,
            "",
            type,
            "",
            "",
            "",
            Optional.of(DAY),
            Money.ofMinor(currency, gross),
            Money.ofMinor(currency, fee),
            zero,
            zero,
            "",
            "",
            ""),
        join,
        Optional.empty());
  }

  private static Books statement(CurrencyUnit currency, Joined... joined) {
    var payout =
        new Payout(
            "Grocer's Row",
            "W21",
            currency,
            Optional.empty(),
            Optional.empty(),
            Optional.of(DAY),
            Money.zero(currency),
            Optional.empty(),
            List.of(joined).stream().map(Joined::item).toList());
    var booking = PayoutBooking.of("1", payout, List.of(joined), id -> null, ACCOUNTS, false, DAY);
    var books = new Books();
    books.write(Posting.entryFor(booking.draft().settleAsReported(), DAY, "payout"));
    return books;
  }
}
