package org.sumbrel.formats.ageing;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.formats.sheet.SheetWriter;

class AgeingWritersTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);

  private static AgeingSheet.Line line(String number, String name, int overdue, String minor) {
    var item =
        new CreditNote(
            "1",
            "1",
            "1",
            "N",
            DAY,
            DAY.minusDays(overdue),
            Money.parse(minor),
            Money.parse(minor));
    return new AgeingSheet.Line(number, name, Ageing.of(CurrencyUnit.USD, List.of(item), DAY));
  }

  private static final AgeingSheet SHEET =
      new AgeingSheet(
          "Larkstow Mill Ltd",
          CurrencyUnit.USD,
          DAY,
          List.of(
              line("C001", "Café Tamarisk", 45, "USD -20.00"),
              line("C002", "Piazza Forno", 0, "USD -1234.50")));

  @Test
  void isATableOfCustomers() throws IOException {
    var out = new ByteArrayOutputStream();
    try (var csv = SheetWriter.csv(out)) {
      AgeingTable.write(SHEET, csv);
    }
    assertThat(out.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "customer,name,not_due,days_1_30,days_31_60,days_61_90,over_90,total,currency,as_of",
            "C001,Café Tamarisk,0.00,0.00,-20.00,0.00,0.00,-20.00,USD,2026-05-29",
            "C002,Piazza Forno,-1234.50,0.00,0.00,0.00,0.00,-1234.50,USD,2026-05-29");
  }

  @Test
  void isADocumentWithATotal() throws IOException {
    assertThat(document(Optional.empty()))
        .contains("Café Tamarisk", "31–60", "-1,254.50")
        .doesNotContain("All, in");
  }

  @Test
  void hasItsTotalsInTheBooksWhereTheseAreAskedFor() throws IOException {
    var old = Money.parse("GBP -15.80");
    var none = Money.zero(CurrencyUnit.GBP);
    var inBooks =
        new Ageing(
            DAY,
            Map.of(
                Bucket.NOT_DUE, Money.parse("GBP -975.26"),
                Bucket.DAYS_1_TO_30, none,
                Bucket.DAYS_31_TO_60, old,
                Bucket.DAYS_61_TO_90, none,
                Bucket.OVER_90, none));
    var words = "1 USD = 0.79 GBP of 29 May 2026";
    assertThat(document(Optional.of(new AgeingSheet.InBooks(inBooks, words))))
        .contains("-1,254.50", words, "All, in GBP", "-15.80", "-991.06");
  }

  private static String document(Optional<AgeingSheet.InBooks> inBooks) throws IOException {
    var out = new ByteArrayOutputStream();
    AgeingPdf.write(SHEET, inBooks, out);
    return new PdfTextExtractor(new PdfReader(out.toByteArray())).getTextFromPage(1);
  }
}
