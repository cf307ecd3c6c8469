package org.sumbrel.server.exports;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.formats.sheet.SheetWriter;
import org.sumbrel.formats.x12.RemittanceWriter;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.exports.AppliedRows.AppliedLine;
import org.sumbrel.server.rates.InBooks;

/** What was applied, for whoever needs the remittance back. */
@RestController
@Tag(name = "exports")
@Transactional(readOnly = true)
class ApplicationsController {

  private final AppliedRows rows;
  private final Companies companies;
  private final InBooks inBooks;
  private final Clock clock;

  ApplicationsController(AppliedRows rows, Companies companies, InBooks inBooks, Clock clock) {
    this.inBooks = inBooks;
    this.rows = rows;
    this.companies = companies;
    this.clock = clock;
  }

  /**
   * Which applications.
   *
   * @param currency the company's where none is given
   * @param from the first day for which they are booked; the last day where none is given
   * @param until the last day; today where none is given
   * @param inBooks whether tables have what is of the receipt in the currency of the books as well
   * @param ratesOn at the rate of which day; of the last where none is given
   */
  record WhichApplications(
      Long company,
      String currency,
      LocalDate from,
      LocalDate until,
      Boolean inBooks,
      LocalDate ratesOn) {}

  private record Chosen(
      Long company,
      CurrencyUnit currency,
      Period period,
      List<AppliedLine> lines,
      boolean inBooks,
      LocalDate ratesOn) {
    String name(String ending) {
      return "applications-%s-%s-%s.%s"
          .formatted(currency.getCode(), period.first(), period.last(), ending);
    }
  }

  private Chosen chosen(WhichApplications which) {
    var company = companies.company(which.company());
    var unit = company.unit(which.currency());
    var last = which.until() == null ? LocalDate.now(clock) : which.until();
    var period = new Period(which.from() == null ? last : which.from(), last);
    return new Chosen(
        company.id(),
        unit,
        period,
        rows.between(company.id(), unit, period.first(), period.last()),
        Boolean.TRUE.equals(which.inBooks()),
        which.ratesOn() == null ? last : which.ratesOn());
  }

  @GetMapping(value = "/api/applications.csv", produces = "text/csv")
  @Operation(summary = "What was applied between two days, as CSV")
  ResponseEntity<byte[]> csv(@ParameterObject WhichApplications which) throws IOException {
    var chosen = chosen(which);
    return FileAnswer.csv(chosen.name("csv"), table(chosen)::write);
  }

  private InBooks.Table table(Chosen chosen) {
    return inBooks.of(
        out -> table(chosen, out),
        chosen.inBooks(),
        "of_receipt",
        chosen.currency(),
        CurrencyUnit.of(companies.company(chosen.company()).currency()),
        chosen.ratesOn());
  }

  @GetMapping(value = "/api/applications.xlsx", produces = FileAnswer.XLSX)
  @Operation(summary = "What was applied between two days, as a workbook")
  ResponseEntity<byte[]> xlsx(@ParameterObject WhichApplications which) throws IOException {
    var chosen = chosen(which);
    return FileAnswer.xlsx(chosen.name("xlsx"), "Applications", table(chosen)::write);
  }

  @GetMapping(value = "/api/applications.edi", produces = "application/edi-x12")
  @Operation(summary = "What was applied between two days, as X12 820, a set for each settlement")
  ResponseEntity<byte[]> edi(@ParameterObject WhichApplications which) throws IOException {
    var chosen = chosen(which);
    if (chosen.lines().isEmpty()) {
      throw new BadRequest(
          "Nothing was applied between %s and %s."
              .formatted(chosen.period().first(), chosen.period().last()));
    }
    var sender =
        new RemittanceWriter.Sender(
            companies.company(chosen.company()).name(),
            chosen.lines().get(chosen.lines().size() - 1).settlementId(),
            LocalDateTime.now(clock));
    return FileAnswer.of(
        chosen.name("edi"),
        MediaType.parseMediaType("application/edi-x12"),
        out ->
            RemittanceWriter.write(
                AppliedRows.advices(chosen.lines(), chosen.currency()), sender, out));
  }

  private static void table(Chosen chosen, SheetWriter out) throws IOException {
    out.head(
        "settlement",
        "booked_on",
        "received_on",
        "payer",
        "bank_reference",
        "kind",
        "reference",
        "customer",
        "customer_name",
        "amount",
        "discount",
        "of_receipt",
        "currency");
    for (var line : chosen.lines()) {
      out.row(
          line.settlementId(),
          line.postedOn(),
          line.receivedOn(),
          line.payer(),
          line.bankReference(),
          line.kind().name().toLowerCase(Locale.ROOT),
          line.reference(),
          line.customerNumber(),
          line.customer(),
          line.amount(),
          line.discount(),
          line.counts(),
          chosen.currency().getCode());
    }
  }
}
