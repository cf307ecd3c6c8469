package org.sumbrel.server.books;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.sumbrel.formats.account.CustomerStatementPdf;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.books.BooksView.StatementOf;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.CustomerSheets;

/** Customers' statements in one go. */
@RestController("allStatements")
@Tag(name = "books")
class StatementsController {

  private final OpenMoney open;
  private final CustomerSheets sheets;
  private final Companies companies;
  private final Clock clock;

  StatementsController(OpenMoney open, CustomerSheets sheets, Companies companies, Clock clock) {
    this.open = open;
    this.sheets = sheets;
    this.companies = companies;
    this.clock = clock;
  }

  /** Who gets a statement. */
  enum Whom {
    /** Whoever has anything open, owed either way. */
    OPEN,
    OWING,
    OVERDUE
  }

  /**
   * Which statements.
   *
   * @param from the first day; three months back where none is given
   * @param until the last day; today where none is given
   * @param currency the company's where none is given
   * @param whom those who owe, where it is not said
   * @param inBooks whether the closing balances stand in the currency of the books too
   * @param ratesOn at the rate of which day; that of the last day where none is given
   */
  record WhichStatements(
      Long company,
      String currency,
      Whom whom,
      LocalDate from,
      LocalDate until,
      @Parameter(
              description = "whether the closing balances stand in the currency of the books too")
          Boolean inBooks,
      @Parameter(description = "at the rate of which day; that of the last day where none is given")
          LocalDate ratesOn) {
    Whom whomOrOwing() {
      return whom == null ? Whom.OWING : whom;
    }
  }

  @GetMapping("/api/customer-statements")
  @Operation(
      summary =
          "Who gets a statement, with what he owes now: those for whom another pays stand on that one's")
  List<@NotNull StatementOf> who(@ParameterObject WhichStatements which) {
    var owner = companies.idOf(which.company());
    return open.statements(
        owner, unit(owner, which.currency()), LocalDate.now(clock), which.whomOrOwing());
  }

  @GetMapping(value = "/api/customer-statements.pdf", produces = "application/pdf")
  @Operation(summary = "Their statements in one PDF, each on pages of its own, by name")
  ResponseEntity<StreamingResponseBody> pdf(@ParameterObject WhichStatements which) {
    var all = who(which);
    if (all.isEmpty()) {
      throw new BadRequest("Nobody gets a statement by this choice.");
    }
    var currency = all.get(0).owes().currency();
    var name = "statements-" + currency + "-" + LocalDate.now(clock) + ".pdf";
    var each =
        new CustomerSheets.Which(
            which.from(),
            which.until(),
            currency,
            true,
            Boolean.TRUE.equals(which.inBooks()),
            which.ratesOn());
    // the first of them tells that a rate is missing, before anything is sent
    var first = sheets.sheet(all.get(0).customerId(), each);
    StreamingResponseBody body =
        out ->
            CustomerStatementPdf.writeAll(
                "Statements of account",
                () ->
                    Stream.concat(
                            Stream.of(first),
                            all.stream().skip(1).map(s -> sheets.sheet(s.customerId(), each)))
                        .iterator(),
                out);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(body);
  }

  private CurrencyUnit unit(Long company, String currency) {
    return companies.company(company).unit(currency);
  }
}
