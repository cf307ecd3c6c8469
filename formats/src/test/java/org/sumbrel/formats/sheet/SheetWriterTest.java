package org.sumbrel.formats.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/** One table, written as both kinds of file. */
class SheetWriterTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);

  private static void write(SheetWriter out) throws IOException {
    out.head("date", "text", "amount", "count");
    out.row(DAY, "=SUM(A1)", Money.parse("USD -1204.50"), 7L);
    out.row(null, "a \"quoted\", text", Money.parse("JPY 1500"), null);
    out.row(DAY, "-12.50", Money.parse("BHD 1.234"), 0L);
  }

  @Test
  void isCsv() throws IOException {
    var out = new ByteArrayOutputStream();
    try (var csv = SheetWriter.csv(out)) {
      write(csv);
    }
    assertThat(out.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "date,text,amount,count",
            "2026-05-29,'=SUM(A1),-1204.50,7",
            ",\"a \"\"quoted\"\", text\",1500,",
            "2026-05-29,-12.50,1.234,0");
  }

  /**
   * Read back by an independent reader: amounts are numbers to the last digit, no cell a formula.
   */
  @Test
  void isAWorkbook() throws IOException {
    var out = new ByteArrayOutputStream();
    try (var xlsx = SheetWriter.xlsx(out, "Journal")) {
      write(xlsx);
      for (var n = 0; n < 1_200; n++) {
        xlsx.row(DAY, "line " + n, Money.parse("USD 0.01"), (long) n);
      }
    }
    try (var book = new ReadableWorkbook(new ByteArrayInputStream(out.toByteArray()))) {
      var rows = book.getFirstSheet().read();
      assertThat(rows).hasSize(1_204);
      assertThat(rows.get(1).getCell(1).getType()).isEqualTo(CellType.STRING);
      assertThat(rows.get(1).getCellText(1)).isEqualTo("'=SUM(A1)");
      assertThat(rows.get(1).getCellAsNumber(2)).contains(new BigDecimal("-1204.50"));
      assertThat(rows.get(1).getCellAsDate(0).orElseThrow().toLocalDate()).isEqualTo(DAY);
      assertThat(rows.get(3).getCellAsNumber(2)).contains(new BigDecimal("1.234"));
      assertThat(rows.get(1_203).getCellText(1)).isEqualTo("line 1199");
    }
  }
}
