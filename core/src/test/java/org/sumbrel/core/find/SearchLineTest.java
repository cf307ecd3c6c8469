package org.sumbrel.core.find;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Assume;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.core.receivables.PaidBy;

/** What a typed search line means, and what fits it. */
class SearchLineTest {

  private static final Findable SLIP =
      Findable.of(
          List.of("Chipfold"),
          List.of("SLIP-0512-014", "PO-7731"),
          List.of("card sale, torn sack"),
          List.of(usd("23.50"), usd("-20.00")),
          LocalDate.of(2026, 5, 12),
          Optional.of(PaidBy.CARD));

  private static SearchLine line(String typed) {
    return SearchLine.read(typed, TODAY);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "chipfold",
        "CARD sale",
        "sale card",
        "\"card sale\"",
        "-cash",
        "-\"sale card\"",
        "23.50",
        "23.5",
        "20.00",
        "-20",
        "20..24",
        "..20",
        "23.50..",
        "0512",
        "2026-05-12",
        "may",
        "May 2026",
        "2026-05",
        "before:2026-05-13",
        "before:2026-06",
        "after:2026-05-11",
        "after:april",
        "payer:chip",
        "ref:7731",
        "method:card",
        "gap:231.90",
        "chipfold 23.50 may -cash",
        "ref:",
        "&"
      })
  void fits(String typed) {
    assertThat(line(typed).fits(SLIP)).as(line(typed).toString()).isTrue();
    assertThat(line(typed).problems()).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "wrenhouse",
        "\"sale card\"",
        "-torn",
        "24.50",
        "24..30",
        "..19.99",
        "23.51..",
        "2026-05-13",
        "april",
        "may 2025",
        "before:2026-05-12",
        "after:2026-05-12",
        "after:may",
        "payer:7731",
        "ref:chipfold",
        "method:cheque",
        "chipfold april"
      })
  void doesNotFit(String typed) {
    assertThat(line(typed).fits(SLIP)).as(line(typed).toString()).isFalse();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "before:soon | “before:soon” is no day",
        "2026-13-40  | “2026-13-40” is no day",
        "method:gold | “gold” is no method",
        "gap:much    | “much” is no amount",
        "12..x       | “12..x” is no range of amounts"
      })
  void tellsWhatItCannotReadAndGoesOn(String typed, String told) {
    var read = line(typed.strip() + " chipfold");
    assertThat(read.problems()).singleElement().asString().startsWith(told);
    assertThat(read.terms()).containsExactly(new Term.Word("chipfold"));
  }

  @Test
  void takesAMonthWithoutAYearAsTheLastOfThatName() {
    assertThat(line("june").terms())
        .containsExactly(new Term.Days(LocalDate.of(2025, 6, 1), LocalDate.of(2025, 6, 30)));
    assertThat(line("may").terms())
        .containsExactly(new Term.Days(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 31)));
  }

  @Test
  void ordersByNearnessWhereAskedTo() {
    assertThat(line("oskar gap:1,231.90").near()).contains(new BigDecimal("1231.90"));
    assertThat(line("oskar").near()).isEmpty();
  }

  @Test
  void takesTheMethodFromTheBanksWords() {
    assertThat(PaidBy.of("1187", "card")).isEqualTo(PaidBy.CHEQUE);
    assertThat(PaidBy.of("", "CARD BATCH 0512")).isEqualTo(PaidBy.CARD);
    assertThat(PaidBy.of("", "Cash deposit")).isEqualTo(PaidBy.CASH);
    assertThat(PaidBy.of(" ", "INV 5")).isEqualTo(PaidBy.TRANSFER);
  }

  /**
   * Whatever is typed is read: nothing throws, and what is understood can be held against anything.
   */
  @Provide
  Arbitrary<Findable> anything() {
    var words = Arbitraries.of("oskar", "lane", "lm-00518", "po 61230", "612.30", "5.184", "torn");
    var texts = words.list().ofMaxSize(2);
    var amounts = Arbitraries.longs().between(-70_000, 70_000);
    var days = Arbitraries.integers().between(0, 200).map(LocalDate.of(2025, 12, 1)::plusDays);
    var currencies = Arbitraries.of("USD", "JPY", "BHD").map(CurrencyUnit::of);
    return Combinators.combine(
            texts, texts, amounts.list().ofMinSize(1).ofMaxSize(2), days, currencies)
        .as(
            (names, references, minors, on, currency) ->
                Findable.of(
                    names,
                    references,
                    List.of(),
                    minors.stream().map(m -> Money.ofMinor(currency, m)).toList(),
                    on,
                    Optional.of(PaidBy.CARD)));
  }

  @Provide
  Arbitrary<String> anyLine() {
    return Arbitraries.of(
            "oskar",
            "-torn",
            "612.30",
            "61230",
            "600..700",
            "..50",
            "0.61..",
            "5.184",
            "may",
            "before:2026-03",
            "after:2026-04-12",
            "payer:lane",
            "ref:518",
            "method:card",
            "gap:400")
        .list()
        .ofMaxSize(3)
        .map(terms -> String.join(" ", terms));
  }

  /** What is sifted out beforehand is nothing that the rule would let in. */
  @Property
  void findsAmongManyWhatTheRuleNames(
      @ForAll @Size(max = 60) List<@From("anything") Findable> things,
      @ForAll("anyLine") String typed) {
    var line = line(typed);
    assertThat(new Findables<>(things).fitting(line))
        .isEqualTo(things.stream().filter(line::fits).toList());
  }

  /** The short cut leaves nothing out that the texts themselves would let in. */
  @Property
  void findsWhateverStandsInAText(
      @ForAll @StringLength(max = 40) String before,
      @ForAll @StringLength(min = 1, max = 12) String text,
      @ForAll @StringLength(max = 40) String after) {
    var whole = Findable.text(before + text + after);
    var part = Findable.text(text);
    Assume.that(whole.contains(part));
    assertThat(Sketch.of(whole) & Sketch.of(part)).isEqualTo(Sketch.of(part));
    var one =
        Findable.of(
            List.of("nobody"),
            List.of(whole),
            List.of(),
            List.of(usd("1.00")),
            TODAY,
            Optional.empty());
    assertThat(new SearchLine(List.of(new Term.Word(part)), List.of()).fits(one)).isTrue();
    assertThat(new SearchLine(List.of(new Term.Without(part)), List.of()).fits(one)).isFalse();
  }

  @Test
  void leavesMostOutThatDoesNotFitByItsSketch() {
    var asked = Sketch.of("tamarisk");
    var passed =
        IntStream.range(0, 1_000)
            .filter(n -> (Sketch.of("lm-" + (20_000 + n) + "\noskar lane") & asked) == asked)
            .count();
    assertThat(passed).isLessThan(50);
  }

  @Property(tries = 500)
  void readsWhateverIsTyped(@ForAll @StringLength(max = 60) String typed) {
    var read = line(typed);
    assertThat(read.fits(SLIP)).isIn(true, false);
  }
}
