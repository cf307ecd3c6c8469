package org.sumbrel.server.together;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.formats.sheet.SheetWriter;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.companies.Companies;

/** All currencies of a company, or of the whole group, with totals in one. */
@RestController
@Tag(name = "together")
class TogetherController {

  private final Together together;
  private final Companies companies;
  private final Clock clock;

  TogetherController(Together together, Companies companies, Clock clock) {
    this.together = together;
    this.companies = companies;
    this.clock = clock;
  }

  /**
   * What is asked for.
   *
   * @param company the first where none is given
   * @param group all companies in which the user works, rather than the one
   * @param on the end of which day; now where none is given
   * @param currency of the totals; that of the company's books where none is given
   * @param ratesOn the day whose rates they are at; that of the figures where none is given
   */
  record WhichTogether(
      Long company,
      @Parameter(description = "all companies in which one works, rather than the one")
          Boolean group,
      LocalDate on,
      @Parameter(description = "of the totals; that of the company's books where none is given")
          String currency,
      @Parameter(description = "whose rates the totals are at; those of on where none is given")
          LocalDate ratesOn) {}

  @GetMapping("/api/together")
  @Operation(
      summary =
          "Banks, arrivals, cent trail and what customers owe by age, in each currency and company, with totals in one at the rates of a stated day")
  TogetherView together(@ParameterObject WhichTogether which) {
    var owner = companies.company(which.company());
    var on = which.on() == null ? LocalDate.now(clock) : which.on();
    var owners =
        Boolean.TRUE.equals(which.group())
            ? companies.ids().stream().filter(Membership.current()::in).toList()
            : List.of(owner.id());
    return together.of(
        owners, owner.unit(which.currency()), on, which.ratesOn() == null ? on : which.ratesOn());
  }

  @GetMapping(value = "/api/together.csv", produces = "text/csv")
  @Operation(summary = "The same as CSV, a company and currency on each row")
  ResponseEntity<byte[]> csv(@ParameterObject WhichTogether which) throws IOException {
    var all = together(which);
    return FileAnswer.csv("together-" + all.on() + ".csv", out -> write(all, out));
  }

  @GetMapping(value = "/api/together.xlsx", produces = FileAnswer.XLSX)
  @Operation(summary = "The same as a workbook")
  ResponseEntity<byte[]> xlsx(@ParameterObject WhichTogether which) throws IOException {
    var all = together(which);
    return FileAnswer.xlsx("together-" + all.on() + ".xlsx", "Together", out -> write(all, out));
  }

  private static void write(TogetherView all, SheetWriter out) throws IOException {
    out.head("measure", "company", "currency", "amount", "rate", "rates_on", "as_of");
    for (var row : all.rows()) {
      var measure = row.measure().name().toLowerCase(Locale.ROOT);
      for (var n = 0; n < all.columns().size(); n++) {
        var column = all.columns().get(n);
        out.row(
            measure,
            column.company().name(),
            column.currency(),
            row.amounts().get(n).toMoney(),
            column.rate() == null ? "" : column.rate(),
            "",
            all.on());
      }
      if (row.total() != null) {
        out.row(
            measure,
            "together",
            all.currency(),
            row.total().toMoney(),
            "",
            all.ratesOn(),
            all.on());
      }
    }
  }
}
