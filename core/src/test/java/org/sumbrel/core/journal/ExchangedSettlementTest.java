package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
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
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
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

  /** ISO 4217 gives them two, two, no and three digits. */
  private static final List<CurrencyUnit> UNITS =
      List.of(EUR, USD, CurrencyUnit.JPY, CurrencyUnit.of("KWD"));

  /** About what one of each is worth in dollars. */
  private static final Map<CurrencyUnit, Double> IN_DOLLARS =
      Map.of(EUR, 1.08, USD, 1.0, CurrencyUnit.JPY, 0.0065, CurrencyUnit.of("KWD"), 3.25);

  private static final Policies STANDARD = Policy::standard;

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

  /** Books with a rate of the day for each currency, and what each item stands in them with. */
  private record Kept(CurrencyUnit books, Map<CurrencyUnit, Rate> day, Map<String, Money> worth)
      implements Worths {

    @Override
    public Money ofDay(Money amount) {
      return amount.getCurrencyUnit().equals(books)
          ? amount
          : day.get(amount.getCurrencyUnit()).of(amount);
    }

    @Override
    public Money ofItem(OpenItem item, Money part) {
      var all = worth.get(item.id());
      return part.equals(item.open())
          ? all
          : Money.of(
              books,
              all.getAmount()
                  .multiply(part.getAmount())
                  .divide(item.open().getAmount(), 20, RoundingMode.HALF_EVEN),
              RoundingMode.HALF_EVEN);
    }
  }

  private static Kept inDollars(String eurRate, Map<String, Money> worth) {
    return new Kept(USD, Map.of(EUR, new Rate(EUR, USD, new BigDecimal(eurRate))), worth);
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
            List.of(Exchanged.atRate(money("USD 1000.00"), rate(USD, EUR, "0.9217"))));
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
            List.of(Exchanged.atRate(money("USD 1000.00"), rate(USD, EUR, "0.92"))));
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
            new Exchanged(money("EUR " + received), money("USD 1000.00"), rate(USD, EUR, "0.92"))));
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
            List.of(Exchanged.atRate(tiny, rate(CurrencyUnit.of("KWD"), EUR, "3.0"))));
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

  /** A case of random currencies, rates, items and amount, made from one number. */
  private static final class Case {
    final Random random;
    final CurrencyUnit books;
    final CurrencyUnit received;
    final Map<CurrencyUnit, Rate> day = new HashMap<>();
    final Map<String, Money> worth = new HashMap<>();
    final List<Application> applications = new ArrayList<>();
    final List<Exchanged> exchanges = new ArrayList<>();

    Case(long seed) {
      random = new Random(seed);
      books = any();
      received = any();
      UNITS.stream().filter(u -> !u.equals(books)).forEach(u -> day.put(u, about(u, books)));
      for (var n = 0; n < 1 + random.nextInt(4); n++) {
        var unit = any();
        var open = Money.ofMinor(unit, 1_000 + random.nextInt(5_000_000));
        var item = invoice("I" + n, open);
        worth.put(item.id(), unit.equals(books) ? open : about(unit, books).of(open));
        var part =
            random.nextBoolean()
                ? open
                : Money.ofMinor(unit, 1 + random.nextInt((int) open.getAmountMinorLong()));
        applications.add(Application.of(item, part));
      }
      for (var unit : UNITS) {
        var counted =
            MoneySum.of(
                unit,
                applications.stream()
                    .filter(a -> a.amount().getCurrencyUnit().equals(unit))
                    .toList(),
                Application::amount);
        if (!unit.equals(received) && counted.isPositive()) {
          var used = new RateUsed(about(unit, received), Source.TABLE, "");
          if (used.rate().of(counted).isPositive()) {
            exchanges.add(Exchanged.atRate(counted, used));
          } else {
            applications.removeIf(a -> a.amount().getCurrencyUnit().equals(unit));
          }
        }
      }
    }

    private CurrencyUnit any() {
      return UNITS.get(random.nextInt(UNITS.size()));
    }

    private Rate about(CurrencyUnit from, CurrencyUnit to) {
      var middle = IN_DOLLARS.get(from) / IN_DOLLARS.get(to);
      return new Rate(
          from,
          to,
          BigDecimal.valueOf(middle * (0.95 + random.nextDouble() / 10))
              .setScale(8, RoundingMode.HALF_EVEN));
    }

    /** What all of it takes, and sometimes a little less or more. */
    Draft draft() {
      var own =
          MoneySum.of(
              received,
              applications.stream()
                  .filter(a -> a.amount().getCurrencyUnit().equals(received))
                  .toList(),
              Application::amount);
      var takes = own.plus(MoneySum.of(received, exchanges, Exchanged::given));
      var off = Money.ofMinor(received, random.nextInt(61) - 30);
      var amount = random.nextBoolean() || !takes.plus(off).isPositive() ? takes : takes.plus(off);
      return new Draft(
          receipt(amount),
          applications,
          List.of(),
          Money.zero(received),
          Optional.of("c"),
          exchanges);
    }

    Kept kept() {
      return new Kept(books, day, worth);
    }
  }

  @Property
  void everyEntryBalancesInEachCurrencyAndInThatOfTheBooks(@ForAll long seed) {
    var made = new Case(seed);
    if (made.applications.isEmpty()) {
      return;
    }
    var draft = made.draft();
    var ways = RemainderOption.of(draft, STANDARD, Authority.SUPERVISOR);
    var allowed = ways.stream().filter(RemainderOption::allowed).toList();
    if (!allowed.isEmpty()) {
      var way = allowed.get(made.random.nextInt(allowed.size())).kind();
      draft = RemainderOption.taken(draft, way, Optional.empty(), STANDARD, Authority.SUPERVISOR);
      Statistics.label("way").collect(way);
    }
    var settlement = draft.settle(STANDARD, Authority.SUPERVISOR);
    var kept = made.kept();
    // each currency by itself is held by the entry; here also what all is worth
    var entry = Posting.entryFor(settlement, TODAY, "x", kept);
    assertThat(entry.worth(made.books)).contains(Money.zero(made.books));
    assertThat(worthOn(entry, AccountRole.CURRENCY_CONVERSION, made.books))
        .isEqualTo(Money.zero(made.books));
    for (var application : settlement.applications()) {
      if (application.amount().equals(application.item().open())) {
        assertThat(kept.ofItem(application.item(), application.amount()))
            .isEqualTo(made.worth.get(application.item().id()));
      }
    }
    var back = entry.mirrored(TODAY, "back");
    assertThat(back.worth(made.books)).contains(Money.zero(made.books));
    for (var role : AccountRole.values()) {
      assertThat(worthOn(entry, role, made.books).plus(worthOn(back, role, made.books)))
          .isEqualTo(Money.zero(made.books));
    }
  }

  private static Money worthOn(JournalEntry entry, AccountRole role, CurrencyUnit books) {
    return MoneySum.of(
        books,
        entry.lines().stream().filter(l -> l.role() == role).toList(),
        l ->
            l.worth()
                .orElse(
                    l.amount().getCurrencyUnit().equals(books) ? l.amount() : Money.zero(books)));
  }

  @Property
  void anEntryOfOneCurrencyIsWorthNothingTogetherAtAnyRate(@ForAll long seed) {
    var made = new Case(seed);
    var random = new Random(seed);
    var unit = UNITS.get(random.nextInt(UNITS.size()));
    var total = Money.ofMinor(unit, 3 + random.nextInt(9_000_000));
    var tax = Money.ofMinor(unit, random.nextInt((int) total.getAmountMinorLong()));
    var entry = Posting.entryFor(invoice("I", total), tax).orElseThrow();
    var valued = entry.valued(made.books, from -> Optional.ofNullable(made.day.get(from)));
    assertThat(valued.worth(made.books)).contains(Money.zero(made.books));
    var rounded = worthOn(valued, AccountRole.ROUNDING_DIFFERENCES, made.books);
    assertThat(Math.abs(rounded.getAmountMinorLong())).isLessThanOrEqualTo(1);
  }

  @Test
  void anEntryWithoutARateStaysAsItIs() {
    var entry = Posting.entryFor(invoice("I", money("EUR 100.00"))).orElseThrow();
    assertThat(entry.valued(USD, unit -> Optional.empty())).isEqualTo(entry);
    assertThat(entry.worth(USD)).isEmpty();
  }
}
