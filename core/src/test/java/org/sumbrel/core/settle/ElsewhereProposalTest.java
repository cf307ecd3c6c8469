package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.Books;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** Euros that may pay what is billed in dollars. */
class ElsewhereProposalTest {

  private static Money money(String text) {
    return Money.parse(text);
  }

  private static OpenItem invoice(String number, String open) {
    return Books.invoice(number, "c", money(open));
  }

  /** Rates from dollars to euros, and what the bank kept. */
  private record Rates(Money charges, String... perDollar) implements ElsewhereProposal.Known {
    @Override
    public List<RateUsed> rates(CurrencyUnit from) {
      return Arrays.stream(perDollar)
          .map(
              rate ->
                  new RateUsed(
                      new Rate(from, CurrencyUnit.EUR, new BigDecimal(rate)),
                      Source.TABLE,
                      "rate " + rate))
          .toList();
    }

    @Override
    public String company(String id) {
      return "the " + id + " company";
    }

    @Override
    public String customer(String id) {
      return "customer " + id;
    }
  }

  private static Rates at(String... perDollar) {
    return new Rates(money("EUR 0.00"), perDollar);
  }

  private static List<ElsewhereProposal> of(
      String received, List<OpenItem> named, List<OpenItem> owed, ElsewhereProposal.Known known) {
    var receipt = new Receipt("R", COMPANY, TODAY, money("EUR " + received), "payer", "", "");
    return ElsewhereProposal.of(
        receipt, named, owed, Optional.of("c"), known, where -> Policy.standard(where.currency()));
  }

  private static Settlement settled(ElsewhereProposal proposal) {
    return proposal.draft().settle(where -> Policy.standard(where.currency()), Authority.CLERK);
  }

  @Test
  void whatTheTextNamesIsTakenWithWhatTheBankKept() {
    var named = List.of(invoice("A", "USD 600.00"), invoice("B", "USD 400.00"));
    var only = of("906.70", named, List.of(), new Rates(money("EUR 15.00"), "0.9217")).get(0);
    assertThat(only.named()).isTrue();
    assertThat(only.why())
        .isEqualTo(
            "A, B are in the text: 1,000.00 USD come to 921.70 EUR at rate 0.9217; the bank kept 15.00 EUR");
    assertThat(settled(only).adjustments().get(0).amount()).isEqualTo(money("EUR 15.00"));
  }

  @Test
  void whatIsOwnAndWhatIsAnotherCompanysStandTogether() {
    var named =
        List.<OpenItem>of(
            invoice("A", "EUR 300.00"),
            Books.of("export", Books.invoice("X", "x", money("EUR 700.00"))),
            Books.of("export", Books.invoice("Y", "x", money("USD 100.00"))));
    var only = of("1092.00", named, List.of(), at("0.92")).get(0);
    assertThat(only.why())
        .isEqualTo(
            "A, X, Y are in the text: 700.00 EUR for the export company, 100.00 USD for the export company come to 92.00 EUR at rate 0.92, to the cent");
    assertThat(settled(only).exchanges()).hasSize(2);
    assertThat(only.places())
        .containsExactly(
            new Place("export", CurrencyUnit.EUR), new Place("export", CurrencyUnit.USD));
    assertThat(settled(only).itemsAfter()).allMatch(OpenItem::settled);
  }

  @Test
  void aDifferenceWithinTheClerksLimitIsOneOfTheRateAndALargerOneIsLeftToHim() {
    var named = List.of(invoice("A", "USD 1000.00"));
    var little = of("910.00", named, List.of(), at("0.92")).get(0);
    assertThat(little.why()).endsWith("; 10.00 EUR less came");
    assertThat(settled(little).exchanges().get(0).given()).isEqualTo(money("EUR 910.00"));
    var much = of("700.00", named, List.of(), at("0.92")).get(0);
    assertThat(much.draft().tally().left()).isEqualTo(money("EUR -220.00"));
  }

  @Test
  void whatComesClosestThroughARateStandsFirstAndWhatIsTooFarNowhere() {
    var owed =
        List.of(
            invoice("A", "USD 1000.00"),
            invoice("B", "USD 990.00"),
            invoice("C", "USD 700.00"),
            invoice("D", "USD 300.00"));
    var found = of("920.00", List.of(), owed, at("0.92"));
    assertThat(found.stream().map(p -> p.why().split(" come")[0]))
        .containsExactly("A", "C, D", "B");
    assertThat(found.get(0).why()).isEqualTo("A comes to 920.00 EUR at rate 0.92, to the cent");
    assertThat(found.get(2).why())
        .isEqualTo("B comes to 910.80 EUR at rate 0.92: 9.20 EUR more came, 1.0 %");
    found.forEach(p -> assertThat(settled(p).itemsAfter()).allMatch(OpenItem::settled));
    assertThat(of("500.00", List.of(), owed, at("0.92"))).isEmpty();
  }

  @Test
  void whatIsOwedToAnotherCompanyFitsToTheCentOrThroughARate() {
    var owed =
        List.<OpenItem>of(
            Books.of("export", Books.invoice("X", "x", money("EUR 700.00"))),
            Books.of("export", Books.invoice("Y", "x", money("EUR 220.00"))),
            Books.of("export", Books.invoice("Z", "x", money("USD 1000.00"))),
            Books.of("import", Books.invoice("X", "y", money("EUR 919.99"))));
    var found = of("920.00", List.of(), owed, at("0.92"));
    assertThat(found.stream().map(ElsewhereProposal::why))
        .containsExactly(
            "Z, owed by customer x to the export company, comes to 920.00 EUR at rate 0.92, to the cent",
            "X, Y, owed by customer x to the export company, come to 920.00 EUR, to the cent");
    for (var one : found) {
      var exchanged = settled(one).exchanges().get(0);
      assertThat(exchanged.companyId()).isEqualTo("export");
      assertThat(exchanged.given()).isEqualTo(money("EUR 920.00"));
      assertThat(settled(one).itemsAfter()).allMatch(OpenItem::settled);
    }
  }

  @Test
  void ofTwoCompaniesItemsOfOneNumberBothAreTold() {
    var owed =
        List.<OpenItem>of(
            Books.of("export", Books.invoice("X", "x", money("EUR 50.00"))),
            Books.of("import", Books.invoice("X", "y", money("EUR 50.00"))));
    assertThat(of("50.00", List.of(), owed, at()).stream().map(ElsewhereProposal::why))
        .containsExactly(
            "X, owed by customer x to the export company, comes to 50.00 EUR, to the cent",
            "X, owed by customer y to the import company, comes to 50.00 EUR, to the cent");
  }

  @Test
  void theRateOfADayBeforeCountsWhereItFitsBetter() {
    var found = of("930.00", List.of(), List.of(invoice("A", "USD 1000.00")), at("0.92", "0.93"));
    assertThat(found).hasSize(1);
    assertThat(found.get(0).why()).isEqualTo("A comes to 930.00 EUR at rate 0.93, to the cent");
  }

  @Test
  void withoutARateNothingIsGuessed() {
    var items = List.of(invoice("A", "USD 1000.00"));
    assertThat(of("920.00", items, List.of(), at())).isEmpty();
    assertThat(of("920.00", List.of(), items, at())).isEmpty();
  }
}
