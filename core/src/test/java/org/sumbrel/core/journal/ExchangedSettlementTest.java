package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.Books;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.Policies;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.RemainderOption.Kind;
import org.sumbrel.core.settle.SettlementRefused;

/** A receipt in one currency settles items in others, in books kept in a third or one of them. */
class ExchangedSettlementTest {

  private static final CurrencyUnit EUR = CurrencyUnit.EUR;
  private static final CurrencyUnit USD = CurrencyUnit.USD;

  private static final Policies STANDARD = where -> Policy.standard(where.currency());

  private static Money money(String text) {
    return Money.parse(text);
  }

  private static Invoice invoice(String id, Money open) {
    return Books.invoice(id, "c", open);
  }

  private static Receipt receipt(Money amount) {
    return new Receipt("R", COMPANY, TODAY, amount, "payer", "", "");
  }

  private static RateUsed rate(CurrencyUnit from, CurrencyUnit to, String perUnit) {
    return new RateUsed(new Rate(from, to, new BigDecimal(perUnit)), Source.TABLE, "of the day");
  }

  private static ValuedBooks inDollars(String eurRate, Map<String, Money> worth) {
    return new ValuedBooks(USD, Map.of(EUR, new Rate(EUR, USD, new BigDecimal(eurRate))), worth);
  }

  private static List<String> lines(JournalEntry entry) {
    return entry.lines().stream()
        .map(l -> l.role() + " " + l.amount() + l.worth().map(w -> " = " + w).orElse(""))
        .toList();
  }

  @Test
  void euroMoneySettlesADollarInvoiceWithTheBanksOwnFigures() {
    // instructed 1,000.00 USD, at 0.9217, 15.00 EUR kept: 921.70 less 15.00
    var draft =
        new Draft(
            receipt(money("EUR 906.70")),
            List.of(Application.of(invoice("I", money("USD 1000.00")), money("USD 1000.00"))),
            List.of(new FeeWithheld(money("EUR 15.00"), KeptBy.BANK, money("EUR 0.00"))),
            money("EUR 0.00"),
            Optional.empty(),
            List.of(Exchanged.atRate(COMPANY, money("USD 1000.00"), rate(USD, EUR, "0.9217"))));
    var settlement = draft.settle(STANDARD, Authority.CLERK);
    assertThat(settlement.itemsAfter().get(0).open()).isEqualTo(money("USD 0.00"));
    var entry = Posting.entryFor(settlement, TODAY, "x", inDollars("1.0754", Map.of()));
    // the euros are worth 991.20 dollars on their day; 8.80 is lost
    assertThat(lines(entry))
        .containsExactly(
            "BANK EUR 906.70 = USD 975.07",
            "BANK_FEES EUR 15.00 = USD 16.13",
            "RECEIVABLE USD -1000.00",
            "CURRENCY_CONVERSION EUR -921.70 = USD -991.20",
            "CURRENCY_CONVERSION USD 991.20",
            "EXCHANGE_DIFFERENCES USD 8.80");
  }

  /**
   * A sale on credit in a foreign currency, settled in that currency at another rate: IAS 21.21
   * (the sale at the rate of its day) and 21.28 (the difference to profit or loss). The shape of
   * the case is the usual one of textbooks on the standard; its figures are from memory and made
   * round.
   */
  @Test
  void aSaleInAForeignCurrencySettledAtAnotherRateRealisesTheDifference() {
    var sold = invoice("I", money("EUR 50000.00"));
    var draft =
        new Draft(
            receipt(money("EUR 50000.00")),
            List.of(Application.of(sold, money("EUR 50000.00"))),
            List.of(),
            money("EUR 0.00"),
            Optional.empty());
    var entry =
        Posting.entryFor(
            draft.settle(STANDARD, Authority.CLERK),
            TODAY,
            "x",
            inDollars("1.0990", Map.of("I", money("USD 53750.00"))));
    assertThat(lines(entry))
        .containsExactly(
            "BANK EUR 50000.00 = USD 54950.00",
            "RECEIVABLE EUR -50000.00 = USD -53750.00",
            "EXCHANGE_DIFFERENCES EUR 0.00 = USD -1200.00");
  }

  @Test
  void whatIsLeftIsTreatedInTheCurrencyInWhichItBelongs() {
    var draft =
        new Draft(
            receipt(money("EUR 900.00")),
            List.of(Application.of(invoice("I", money("USD 1000.00")), money("USD 1000.00"))),
            List.of(),
            money("EUR 0.00"),
            Optional.of("c"),
            List.of(Exchanged.atRate(COMPANY, money("USD 1000.00"), rate(USD, EUR, "0.92"))));
    assertThat(draft.tally().left()).isEqualTo(money("EUR -20.00"));
    var options = RemainderOption.of(draft, STANDARD, Authority.CLERK);
    assertThat(options.stream().map(o -> o.kind() + " " + o.amount()))
        .containsExactly(
            "EXCHANGE EUR 20.00",
            "BANK_FEE EUR 20.00",
            "PROCESSING_FEE EUR 20.00",
            "WRITE_OFF USD 21.74",
            "CLAIM USD 21.74",
            "LEAVE_OWING USD 21.74");
    for (var option : options) {
      if (option.allowed()) {
        var treated =
            RemainderOption.taken(
                draft, option.kind(), Optional.empty(), STANDARD, Authority.CLERK);
        assertThat(treated.settle(STANDARD, Authority.SUPERVISOR)).isNotNull();
      }
    }
    var owing =
        RemainderOption.taken(draft, Kind.LEAVE_OWING, Optional.empty(), STANDARD, Authority.CLERK);
    assertThat(owing.applications().get(0).amount()).isEqualTo(money("USD 978.26"));
    assertThat(owing.exchanges().get(0).given()).isEqualTo(money("EUR 900.00"));
  }

  @Test
  void aRateFarFromTheDaysNeedsASupervisorAndFurtherNobodyMayTakeIt() {
    var far = exchangedAt("880.00");
    assertThatThrownBy(() -> far.settle(STANDARD, Authority.CLERK))
        .isInstanceOf(SettlementRefused.class)
        .hasMessageContaining(
            "40.00 cannot be taken as an exchange difference without a supervisor");
    assertThat(far.settle(STANDARD, Authority.SUPERVISOR)).isNotNull();
    assertThatThrownBy(() -> exchangedAt("800.00").settle(STANDARD, Authority.SUPERVISOR))
        .hasMessageContaining("120.00 cannot be taken as an exchange difference: the limit is 6 %");
  }

  private static Draft exchangedAt(String received) {
    return new Draft(
        receipt(money("EUR " + received)),
        List.of(Application.of(invoice("I", money("USD 1000.00")), money("USD 1000.00"))),
        List.of(),
        money("EUR 0.00"),
        Optional.empty(),
        List.of(
            new Exchanged(
                COMPANY,
                money("EUR " + received),
                money("USD 1000.00"),
                Optional.of(rate(USD, EUR, "0.92")))));
  }

  @Test
  void ofAVerySmallAmountNothingIsLeftInTheOtherCurrency() {
    var tiny = money("KWD 0.001");
    var draft =
        new Draft(
            receipt(money("EUR 100.00")),
            List.of(
                Application.of(invoice("I", money("EUR 100.00")), money("EUR 100.00")),
                Application.of(invoice("T", tiny), tiny)),
            List.of(),
            money("EUR 0.00"),
            Optional.empty(),
            List.of(Exchanged.atRate(COMPANY, tiny, rate(CurrencyUnit.of("KWD"), EUR, "3.0"))));
    var worths = inDollars("1.0800", Map.of("I", money("USD 108.00"), "T", money("USD 0.00")));
    var entry = Posting.entryFor(draft.settle(STANDARD, Authority.CLERK), TODAY, "x", worths);
    assertThat(entry.worth(USD)).contains(money("USD 0.00"));
    assertThat(lines(entry)).contains("CURRENCY_CONVERSION KWD 0.001 = USD 0.00");
  }

  @Test
  void anItemInACurrencyInWhichNothingCountsIsRefused() {
    var draft =
        new Draft(
            receipt(money("EUR 900.00")),
            List.of(Application.of(invoice("I", money("USD 1000.00")), money("USD 1000.00"))),
            List.of(),
            money("EUR 0.00"),
            Optional.empty());
    assertThatThrownBy(draft::tally).hasMessageContaining("I is in USD, the receipt in EUR");
  }

  @Property
  void everyEntryBalancesInEachCurrencyAndInThatOfTheBooks(@ForAll long seed) {
    var made = new RandomPlaces(seed, List.of(COMPANY));
    if (made.applications.isEmpty()) {
      return;
    }
    var settlement = made.settlement(way -> Statistics.label("way").collect(way));
    var kept = made.kept(COMPANY);
    var books = kept.books();
    // each currency by itself is held by the entry; here also what all is worth
    var entry = Posting.entryFor(settlement, TODAY, "x", kept);
    assertThat(entry.worth(books)).contains(Money.zero(books));
    assertThat(RandomPlaces.worthOn(entry, AccountRole.CURRENCY_CONVERSION, books))
        .isEqualTo(Money.zero(books));
    for (var application : settlement.applications()) {
      if (application.amount().equals(application.item().open())) {
        assertThat(kept.ofItem(application.item(), application.amount()))
            .isEqualTo(kept.worth().get(application.item().id()));
      }
    }
    var back = entry.mirrored(TODAY, "back");
    assertThat(back.worth(books)).contains(Money.zero(books));
    for (var role : AccountRole.values()) {
      assertThat(
              RandomPlaces.worthOn(entry, role, books)
                  .plus(RandomPlaces.worthOn(back, role, books)))
          .isEqualTo(Money.zero(books));
    }
  }

  @Property
  void anEntryOfOneCurrencyIsWorthNothingTogetherAtAnyRate(@ForAll long seed) {
    var made = new RandomPlaces(seed, List.of(COMPANY));
    var books = made.books(COMPANY);
    var random = new Random(seed);
    var unit = made.any();
    var total = Money.ofMinor(unit, 3 + random.nextInt(9_000_000));
    var tax = Money.ofMinor(unit, random.nextInt((int) total.getAmountMinorLong()));
    var entry = Posting.entryFor(invoice("I", total), tax).orElseThrow();
    var valued = entry.valued(books, from -> made.rate(COMPANY, from));
    assertThat(valued.worth(books)).contains(Money.zero(books));
    var rounded = RandomPlaces.worthOn(valued, AccountRole.ROUNDING_DIFFERENCES, books);
    assertThat(Math.abs(rounded.getAmountMinorLong())).isLessThanOrEqualTo(1);
  }

  @Test
  void anEntryWithoutARateStaysAsItIs() {
    var entry = Posting.entryFor(invoice("I", money("EUR 100.00"))).orElseThrow();
    assertThat(entry.valued(USD, unit -> Optional.empty())).isEqualTo(entry);
    assertThat(entry.worth(USD)).isEmpty();
  }
}
