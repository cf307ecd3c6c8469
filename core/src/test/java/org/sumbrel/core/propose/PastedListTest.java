package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.Books.withReferences;
import static org.sumbrel.core.Books.withTerms;

import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.core.propose.PastedList.Outcome;
import org.sumbrel.core.receivables.OpenItem;

class PastedListTest {

  private static final List<OpenItem> ITEMS =
      List.of(
          invoice("LM-0020401", "a", "1204.50"),
          withReferences(invoice("LM-0020402", "a", "300.00"), "PO-7731", ""),
          creditNote("CN-0000518", "a", "-35.00"),
          invoice("LM-0020403", "a", "80.00").withOpen(usd("0")),
          withTerms(
              invoice("LM-0020404", "a", "1000.00", LocalDate.of(2026, 6, 20)), "2/10 net 30"));

  private static List<PastedList.Row> read(String text) {
    return PastedList.read(text, receipt("5000.00", "", ""), 3, ITEMS);
  }

  @Test
  void readsAListAsASpreadsheetGivesIt() {
    var rows =
        read(
            "Invoice\tDate\tAmount\n"
                + "LM-0020401\t2026-05-04\t1,204.50\n"
                + "PO-7731\t2026-05-05\t250.00\n"
                + "CN-0000518\t2026-05-06\t-35.00\n"
                + "\n"
                + "Total\t\t1,419.50\n");
    assertThat(rows)
        .extracting(PastedList.Row::line, PastedList.Row::outcome, r -> r.amount().orElse(null))
        .containsExactly(
            tuple(1, Outcome.NO_REFERENCE, null),
            tuple(2, Outcome.UNDERSTOOD, usd("1204.50")),
            tuple(3, Outcome.UNDERSTOOD, usd("250.00")),
            tuple(4, Outcome.UNDERSTOOD, usd("-35.00")),
            tuple(6, Outcome.NO_REFERENCE, null));
    assertThat(rows.get(2).message()).contains("50.00 stays open");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "LM-0020401 1,204.50",
        "LM-0020401;1.204,50",
        "LM-0020401 : USD 1 204.50",
        "lm 20401  1204.50",
        "1,204.50 for LM0020401",
        "\"LM-0020401\",\"1204.50\"",
        "LM-0020401 | 04.05.2026 | $1,204.50",
        "LM-0020401 1204,5"
      })
  void readsAmountsAsPeopleWriteThem(String line) {
    assertThat(read(line))
        .extracting(PastedList.Row::outcome, r -> r.amount().orElse(null))
        .containsExactly(tuple(Outcome.UNDERSTOOD, usd("1204.50")));
  }

  @Test
  void takesACreditNoteInItsSignHoweverItIsWritten() {
    for (var line : List.of("CN-0000518 35.00", "CN-0000518 (35.00)", "CN-518 35.00-")) {
      assertThat(read(line).get(0).amount()).as(line).contains(usd("-35.00"));
    }
  }

  @Test
  void takesAShortNumberAtItsWord() {
    var shortOne = invoice("Q-1", "a", "400.00");
    var rows = PastedList.read("Q-1 400.00", receipt("400.00", "", ""), 3, List.of(shortOne));
    assertThat(rows.get(0).amount()).contains(usd("400.00"));
    assertThat(read("Q-9 12.00").get(0).outcome()).isEqualTo(Outcome.UNKNOWN);
  }

  @Test
  void seesTheDiscountInAnAmount() {
    var row = read("LM-0020404 980.00").get(0);
    assertThat(row.amount()).contains(usd("1000.00"));
    assertThat(row.discount()).contains(usd("20.00"));
    assertThat(row.message()).contains("discount of 20.00");
  }

  @Test
  void saysWhatCannotBeUsedWithTheFigures() {
    assertThat(read("LM-0020401 1,300.00").get(0).message()).contains("1,204.50", "1,300.00");
    assertThat(read("LM-0020403 80.00").get(0).message()).contains("80.00 is settled already");
    assertThat(read("LM-0099999 80.00").get(0).outcome()).isEqualTo(Outcome.UNKNOWN);
    assertThat(read("LM-0020401 1.00\nLM-0020401 2.00").get(1).outcome()).isEqualTo(Outcome.TWICE);
    assertThat(read("LM-0020401 LM-0020402 10.00").get(0).outcome()).isEqualTo(Outcome.SEVERAL);
    assertThat(read("LM-0020402").get(0).message()).contains("taken whole");
  }

  /** Whatever is pasted: no failure, no row lost, and nothing applied beyond what is open. */
  @Property(tries = 500)
  void survivesAnything(@ForAll Random random) {
    var scraps =
        List.of(
            "LM-0020401",
            "CN-518",
            "\t",
            ";",
            "1.204,50",
            "-",
            "99999999999999",
            "\n",
            " ",
            "((",
            "é",
            "€",
            "0");
    var text = new StringBuilder();
    for (var n = 0; n < 30; n++) {
      text.append(scraps.get(random.nextInt(scraps.size())));
    }
    var rows = read(text.toString());
    assertThat(rows).hasSize((int) text.toString().lines().filter(l -> !l.isBlank()).count());
    for (var row : rows) {
      row.amount()
          .ifPresent(
              amount ->
                  assertThat(amount.abs().isGreaterThan(row.item().orElseThrow().open().abs()))
                      .isFalse());
    }
  }
}
