package org.sumbrel.server.customers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.formats.account.CustomerSheet;
import org.sumbrel.formats.account.CustomerStatementPdf;
import org.sumbrel.formats.account.CustomerStatementTable;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.CustomerSheets.Which;
import org.sumbrel.server.rates.InBooks;
import org.sumbrel.server.rates.Rates;

/** A customer's account with its running balance, on the screen and as he is sent it. */
@RestController
@Tag(name = "customers")
@Transactional(readOnly = true)
class CustomerStatementController {

  private final CustomerSheets sheets;
  private final InBooks inBooks;

  CustomerStatementController(CustomerSheets sheets, InBooks inBooks) {
    this.sheets = sheets;
    this.inBooks = inBooks;
  }

  /**
   * Which statement.
   *
   * @param from the first day; three months back where none is given
   * @param until the last day; today where none is given
   * @param currency the company's where none is given
   * @param branches whether those for whom the customer pays belong to it, as they do unless said
   * @param inBooks whether files have the currency of the books too; the screen has it where it is
   *     another one
   * @param ratesOn at the rate of which day; that of the last day where none is given
   */
  record Asked(
      LocalDate from,
      LocalDate until,
      String currency,
      Boolean branches,
      @Parameter(description = "whether files have the currency of the books too") Boolean inBooks,
      @Parameter(description = "at the rate of which day; that of the last day where none is given")
          LocalDate ratesOn) {

    Which which() {
      return new Which(
          from,
          until,
          currency,
          branches == null || branches,
          Boolean.TRUE.equals(inBooks),
          ratesOn);
    }
  }

  record StatementLine(
      @NotNull LocalDate on,
      @NotNull String text,
      @NotNull @Schema(description = "a charge is positive, what lowers the debt negative")
          MoneyView amount,
      @NotNull MoneyView balance,
      Long settlementId) {}

  record AccountStatementView(
      @NotNull LocalDate from,
      @NotNull LocalDate until,
      @NotNull MoneyView opening,
      @NotNull List<StatementLine> lines,
      @NotNull MoneyView charged,
      @NotNull MoneyView credited,
      @NotNull MoneyView closing,
      @Schema(description = "null where it is in the currency of the books")
          StatementInBooks inBooks) {}

  /** The closing balance in the currency of the books. */
  record StatementInBooks(
      @NotNull @Schema(description = "the currency of the books") String currency,
      @NotNull @Schema(description = "the day whose rate it is") LocalDate ratesOn,
      @NotNull @Schema(description = "how the rate came about; empty where none counts")
          String words,
      @Schema(description = "at the rate, rounded half-even; null where none counts")
          MoneyView closing) {}

  @GetMapping("/api/customers/{id}/statement")
  @Operation(
      summary =
          "What moved on an account with the balance after each; the last three months where no days are given")
  AccountStatementView statement(@PathVariable Long id, @ParameterObject Asked asked) {
    var which = asked.which();
    var statement = sheets.statement(id, which);
    return new AccountStatementView(
        statement.from(),
        statement.until(),
        MoneyView.of(statement.opening()),
        statement.lines().stream()
            .map(
                l ->
                    new StatementLine(
                        l.movement().on(),
                        l.movement().text(),
                        MoneyView.of(l.movement().amount()),
                        MoneyView.of(l.balance()),
                        l.movement().settlementId()))
            .toList(),
        MoneyView.of(statement.charged()),
        MoneyView.of(statement.credited()),
        MoneyView.of(statement.closing()),
        inBooks(statement, sheets.books(id), sheets.rateDay(statement, which)));
  }

  private StatementInBooks inBooks(CustomerStatement statement, CurrencyUnit books, LocalDate day) {
    if (statement.closing().getCurrencyUnit().equals(books)) {
      return null;
    }
    var rate = inBooks.rate(statement.closing().getCurrencyUnit(), books, day);
    return new StatementInBooks(
        books.getCode(),
        day,
        rate.map(Rates::words).orElse(""),
        rate.map(r -> MoneyView.of(r.rate().of(statement.closing()))).orElse(null));
  }

  @GetMapping(value = "/api/customers/{id}/statement.pdf", produces = "application/pdf")
  @Operation(summary = "The statement as PDF, with what is open and its ageing")
  ResponseEntity<byte[]> pdf(@PathVariable Long id, @ParameterObject Asked asked)
      throws IOException {
    var sheet = sheet(id, asked);
    return FileAnswer.of(
        name(sheet, "pdf"),
        MediaType.APPLICATION_PDF,
        out -> CustomerStatementPdf.write(sheet, out));
  }

  @GetMapping(value = "/api/customers/{id}/statement.csv", produces = "text/csv")
  @Operation(summary = "The statement as CSV")
  ResponseEntity<byte[]> csv(@PathVariable Long id, @ParameterObject Asked asked)
      throws IOException {
    var sheet = sheet(id, asked);
    return FileAnswer.csv(name(sheet, "csv"), table(id, sheet, asked.which())::write);
  }

  @GetMapping(value = "/api/customers/{id}/statement.xlsx", produces = FileAnswer.XLSX)
  @Operation(summary = "The statement as a workbook")
  ResponseEntity<byte[]> xlsx(@PathVariable Long id, @ParameterObject Asked asked)
      throws IOException {
    var sheet = sheet(id, asked);
    return FileAnswer.xlsx(
        name(sheet, "xlsx"), "Statement", table(id, sheet, asked.which())::write);
  }

  private InBooks.Table table(Long id, CustomerSheet sheet, Which which) {
    var statement = sheet.statement();
    return inBooks.of(
        out -> CustomerStatementTable.write(sheet, out),
        which.inBooks(),
        "balance",
        statement.closing().getCurrencyUnit(),
        sheets.books(id),
        sheets.rateDay(statement, which));
  }

  private static String name(CustomerSheet sheet, String ending) {
    return "statement-" + sheet.number() + "-" + sheet.statement().until() + "." + ending;
  }

  private CustomerSheet sheet(Long id, Asked asked) {
    return sheets.sheet(id, asked.which());
  }
}
