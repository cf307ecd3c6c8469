package org.sumbrel.server.together;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.CompanyView.CompanyName;

/** Several currencies and companies side by side. */
record TogetherView(
    @NotNull LocalDate on,
    @NotNull @Schema(description = "the day whose rates the totals are at") LocalDate ratesOn,
    @NotNull @Schema(description = "the currency of the totals") String currency,
    @NotNull List<TogetherColumn> columns,
    @NotNull List<TogetherRow> rows) {

  /** A company in one currency; those in which nothing stands are left out. */
  record TogetherColumn(
      @NotNull CompanyName company,
      @NotNull String currency,
      @Schema(
              description =
                  "what one unit is in the currency of the totals; null where it is that currency, or no rate counts")
          String rate,
      @NotNull @Schema(description = "how the rate came about, or empty") String words) {}

  /** One figure of all of them. */
  record TogetherRow(
      @NotNull Measure measure,
      @NotNull @Schema(description = "one for each column, in its currency")
          List<MoneyView> amounts,
      @Schema(
              description =
                  "each amount at its rate, rounded half-even, together; null where a rate is missing")
          MoneyView total) {}
}
