package org.sumbrel.formats.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class RestatingSheetTest {

  private static final RestatingSheet.AtRate AT =
      new RestatingSheet.AtRate(
          CurrencyUnit.USD,
          euro ->
              euro.convertedTo(CurrencyUnit.USD, new BigDecimal("1.0854"), RoundingMode.HALF_EVEN),
          "1.0854",
          LocalDate.of(2026, 5, 28));

  @Test
  void hasOneAmountInTheBooksBehindItsColumns() throws IOException {
    var bytes = new ByteArrayOutputStream();
    try (var out = new RestatingSheet(SheetWriter.csv(bytes), "total", AT)) {
      out.head("customer", "total", "currency");
      out.row("C1", Money.parse("EUR 100.00"), "EUR");
      out.row("C2", Money.parse("EUR -0.01"), "EUR");
    }
    assertThat(bytes.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "customer,total,currency,in_books,books,rate,rates_on",
            "C1,100.00,EUR,108.54,USD,1.0854,2026-05-28",
            "C2,-0.01,EUR,-0.01,USD,1.0854,2026-05-28");
  }

  @Test
  void needsTheColumn() {
    var out = new RestatingSheet(SheetWriter.csv(new ByteArrayOutputStream()), "sum", AT);
    assertThatThrownBy(() -> out.head("total")).hasMessage("there is no column sum");
  }
}
