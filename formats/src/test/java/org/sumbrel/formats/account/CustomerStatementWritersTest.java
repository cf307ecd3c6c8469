package org.sumbrel.formats.account;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.core.receivables.CustomerStatement.Movement;
import org.sumbrel.formats.sheet.SheetWriter;

/** A customer's statement as he gets it. */
class CustomerStatementWritersTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 12);

  private static Money usd(String amount) {
    return Money.parse("USD " + amount);
  }

  private static CustomerSheet sheet(int lines) {
    var all = new ArrayList<Movement>();
    all.add(new Movement(DAY.minusDays(60), "Invoice LM-1", usd("100.00"), null));
    for (var n = 0; n < lines; n++) {
      all.add(new Movement(DAY.plusDays(n % 10), "Invoice LM-" + (10 + n), usd("12.50"), null));
    }
    all.add(new Movement(DAY.plusDays(12), "=Receipt of the day", usd("-40.00"), 5L));
    var note = new CreditNote("1", "1", "1", "CN-7", DAY, DAY, usd("-20.00"), usd("-20.00"));
    return new CustomerSheet(
        "Larkstow Mill Ltd",
        "Café Žižka & Søn",
        "C006",
        CustomerStatement.of(CurrencyUnit.USD, all, DAY, DAY.plusDays(17)),
        Ageing.of(CurrencyUnit.USD, List.of(note), DAY.plusDays(17)),
        List.of(note),
        Optional.empty());
  }

  @Test
  void isATableOfMovementsWithTheirBalances() throws IOException {
    var out = new ByteArrayOutputStream();
    try (var csv = SheetWriter.csv(out)) {
      CustomerStatementTable.write(sheet(1), csv);
    }
    assertThat(out.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "date,text,charge,credit,balance,currency",
            "2026-05-12,Opening balance,,,100.00,USD",
            "2026-05-12,Invoice LM-10,12.50,,112.50,USD",
            "2026-05-24,'=Receipt of the day,,40.00,72.50,USD",
            "2026-05-29,Closing balance,,,72.50,USD");
  }

  @Test
  void isADocumentWithEveryNameAndFigure() throws IOException {
    var paper = paper(sheet(90));
    assertThat(paper.getNumberOfPages()).isGreaterThan(1);
    assertThat(text(paper))
        .contains(
            "Café Žižka & Søn", "Opening balance", "Invoice LM-99", "1,185.00", "CN-7", "-20.00")
        .contains("12 May 2026 to 29 May 2026")
        .doesNotContain("in GBP");
  }

  @Test
  void saysWhatTheClosingBalanceIsInTheBooksAndAtWhichRate() throws IOException {
    var plain = sheet(1);
    var words = "1 USD = 0.79 GBP of 29 May 2026";
    var sheet =
        new CustomerSheet(
            plain.company(),
            plain.customer(),
            plain.number(),
            plain.statement(),
            plain.ageing(),
            plain.open(),
            Optional.of(new CustomerSheet.InBooks(Money.parse("GBP 57.28"), words)));
    assertThat(text(paper(sheet))).contains("72.50", "in GBP", words, "57.28");
  }

  private static PdfReader paper(CustomerSheet sheet) throws IOException {
    var out = new ByteArrayOutputStream();
    CustomerStatementPdf.write(sheet, out);
    return new PdfReader(out.toByteArray());
  }

  private static String text(PdfReader reader) throws IOException {
    var text = new StringBuilder();
    for (var page = 1; page <= reader.getNumberOfPages(); page++) {
      text.append(new PdfTextExtractor(reader).getTextFromPage(page));
    }
    return text.toString();
  }
}
