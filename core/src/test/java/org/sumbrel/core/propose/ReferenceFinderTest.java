package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.withReferences;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.core.propose.ReferenceHit.Form;

class ReferenceFinderTest {

  private final ReferenceFinder finder =
      ReferenceFinder.over(
          List.of(
              withReferences(invoice("LM-0020418", "a", "1420.00"), "PO-7731", "RF18539007547034"),
              invoice("LM-0020431", "a", "1652.00"),
              invoice("LM-0000518", "b", "90.00")));

  private List<ReferenceHit> find(String text) {
    return finder.find(receipt("500.00", "", text));
  }

  @ParameterizedTest
  @CsvSource({
    "INV LM-0020418 FLOUR MAY, NUMBER",
    "lm 0020418, NUMBER",
    "ref:LM/0020418., NUMBER",
    "20418, DIGITS",
    "INV20418 THANKS, DIGITS",
    "0020418, DIGITS",
    "OUR ORDER PO 7731, ORDER",
    "RF18 5390 0754 7034 MERCI, CREDITOR_REFERENCE",
    "RF18539007547034, CREDITOR_REFERENCE"
  })
  void readsANumberInEachOfItsForms(String text, Form form) {
    assertThat(find(text))
        .singleElement()
        .satisfies(
            hit -> {
              assertThat(hit.item().number()).isEqualTo("LM-0020418");
              assertThat(hit.form()).isEqualTo(form);
            });
  }

  @Test
  void findsSeveralInTheTextsOrderAndSaysWhereTheyStand() {
    var text = "PAYMENT LM-0020431 AND 518 AND PO-7731";
    assertThat(find(text))
        .extracting(h -> text.substring(h.start(), h.end()), h -> h.item().number())
        .containsExactly(
            tuple("LM-0020431", "LM-0020431"),
            tuple("518", "LM-0000518"),
            tuple("PO-7731", "LM-0020418"));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "RF19 5390 0754 7034",
        "DUE 20418.00",
        "2026-05-18 518.00",
        "TRACE 021000020418112",
        "5/18/2026",
        "",
        "   "
      })
  void passesOverWhatOnlyLooksLikeOne(String text) {
    assertThat(find(text)).isEmpty();
  }

  /**
   * A swap, a wrong, a missing, an extra figure, the end cut off, letters that look like figures.
   */
  @ParameterizedTest
  @ValueSource(
      strings = {"LM-0020481", "LM-0029418", "LM-002048", "LM-00204118", "120418", "LM-OO2O4I8"})
  void readsOneSlipIntoIt(String text) {
    assertThat(find(text))
        .anySatisfy(
            hit -> {
              assertThat(hit.item().number()).isEqualTo("LM-0020418");
              assertThat(hit.weight()).isLessThan(Weights.of(Form.NUMBER, 10));
            });
  }

  /** Numbers of a year and a count are written with other strokes, and called by the count. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "INV/2026/123",
        "2026-123",
        "inv 2026 00123",
        "INV202600123",
        "PAYMENT 00123",
        "INVOICE NO. 123",
        "INV-2026-0 0123",
        "INV-2O26-OO123",
        "INV-2026-00l23"
      })
  void readsNumbersOfSeveralParts(String text) {
    var several =
        ReferenceFinder.over(
            List.of(
                invoice("INV-2026-00123", "a", "1.00"), invoice("INV-2026-00987", "a", "2.00")));
    assertThat(several.find(receipt("10.00", "", text)))
        .extracting(h -> h.item().number())
        .containsExactly("INV-2026-00123");
  }

  /** Early in the year the count alone is short; with its zeros it is known all the same. */
  @Test
  void readsAShortCountByItsZeros() {
    var several =
        ReferenceFinder.over(
            List.of(
                invoice("INV-2026-00012", "a", "1.00"), invoice("INV-2026-00013", "a", "2.00")));
    assertThat(several.find(receipt("3.00", "", "00012 and 00013")))
        .extracting(h -> h.item().number())
        .containsExactly("INV-2026-00012", "INV-2026-00013");
    assertThat(several.find(receipt("3.00", "", "12 and 13"))).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"ORDER 7731", "P.O. NO. 7731", "your order: 7731", "PO7731", "7731"})
  void readsTheOrderInPlaceOfTheNumber(String text) {
    assertThat(find(text)).extracting(h -> h.item().number()).containsExactly("LM-0020418");
  }

  /** A figure of four tells less where most such figures name something. */
  @Test
  void countsFiguresByHowRarelyTheyHitByAccident() {
    var many =
        ReferenceFinder.over(
            IntStream.range(1_000, 9_000).mapToObj(n -> invoice("LM-" + n, "a", "1.00")).toList());
    var few = ReferenceFinder.over(List.of(invoice("LM-2345", "a", "1.00")));
    var common = many.find(receipt("10.00", "", "2345")).get(0).weight();
    assertThat(few.find(receipt("10.00", "", "2345")).get(0).weight()).isGreaterThan(common + 3);
  }

  @Test
  void readsListsAsPeopleShortenThem() {
    var four =
        ReferenceFinder.over(
            List.of(
                invoice("LM-0004410", "a", "1.00"),
                invoice("LM-0004411", "a", "2.00"),
                invoice("LM-0004412", "a", "3.00"),
                invoice("LM-0004413", "a", "4.00")));
    for (var list : List.of("4410-4413", "LM-4410-13", "4410/11/12/13", "4410, 11 & 12, 13")) {
      assertThat(four.find(receipt("10.00", "", list)))
          .as(list)
          .extracting(h -> h.item().number())
          .containsExactlyInAnyOrder("LM-0004410", "LM-0004411", "LM-0004412", "LM-0004413");
    }
  }

  @Test
  void saysOfARunWhichNumbersItHolds() {
    var three =
        ReferenceFinder.over(
            List.of(
                invoice("LM-0004410", "a", "1.00"),
                invoice("LM-0004411", "a", "2.00"),
                invoice("LM-0004412", "a", "3.00")));
    assertThat(three.find(receipt("10.00", "", "LM-0004410-12")))
        .extracting(h -> h.evidence().text())
        .containsExactly(
            "LM-0004410 stands in the text",
            "LM-0004411 is one of the run of numbers up to 12",
            "12 in the list stands for LM-0004412");
  }

  @Test
  void doesNotTakeTheAmountForANumber() {
    assertThat(finder.find(receipt("518.00", "", "PAID 518 TODAY"))).isEmpty();
    assertThat(finder.find(receipt("204.18", "", "20418"))).isEmpty();
  }

  @Test
  void readsTheLongestFormFirst() {
    var both =
        ReferenceFinder.over(
            List.of(invoice("LM-418", "a", "1.00"), invoice("LM-418-2", "a", "2.00")));
    assertThat(both.find(receipt("9.00", "", "LM 418 2")))
        .extracting(h -> h.item().number())
        .containsExactly("LM-418-2");
  }

  @Test
  void countsAFormThatNamesSeveralItemsForLess() {
    var two =
        ReferenceFinder.over(
            List.of(invoice("LM-777", "a", "1.00"), invoice("LX-777", "b", "2.00")));
    var hits = two.find(receipt("9.00", "", "777"));
    assertThat(hits)
        .hasSize(2)
        .allSatisfy(h -> assertThat(h.weight()).isLessThan(Weights.of(Form.DIGITS, 3)));
  }
}
