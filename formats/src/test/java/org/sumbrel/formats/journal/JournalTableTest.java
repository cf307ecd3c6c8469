package org.sumbrel.formats.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.formats.sheet.SheetWriter;

class JournalTableTest {

  private static ExportedEntry.Line line(String code, String amount, String worth) {
    return new ExportedEntry.Line(
        code, "account", "", "", Money.parse(amount), Optional.ofNullable(worth).map(Money::parse));
  }

  @Test
  void hasEachLineInItsOwnCurrencyAndWhatItIsWorthInTheBooks() throws IOException {
    var entry =
        new ExportedEntry(
            7,
            LocalDate.of(2026, 5, 29),
            Optional.empty(),
            "Receipt",
            "maren",
            Instant.EPOCH,
            Optional.empty(),
            List.of(
                line("1010", "EUR 500.00", "USD 549.50"),
                line("1100", "EUR -500.00", "USD -537.50"),
                line("7500", "EUR 0.00", "USD -12.00"),
                line("1020", "GBP 1.00", null)));
    var bytes = new ByteArrayOutputStream();
    try (var out = SheetWriter.csv(bytes)) {
      JournalTable.head(out);
      JournalTable.write(entry, out);
    }
    var rows =
        bytes.toString(StandardCharsets.UTF_8).lines().map(row -> row.split(",", -1)).toList();
    assertThat(rows.get(0)).contains("debit", "credit", "currency", "worth", "books");
    var debit = List.of(rows.get(0)).indexOf("debit");
    assertThat(rows.stream().skip(1).map(row -> List.of(row).subList(debit, debit + 5)))
        .containsExactly(
            List.of("500.00", "", "EUR", "549.50", "USD"),
            List.of("", "500.00", "EUR", "-537.50", "USD"),
            List.of("", "0.00", "EUR", "-12.00", "USD"),
            List.of("1.00", "", "GBP", "", ""));
  }
}
