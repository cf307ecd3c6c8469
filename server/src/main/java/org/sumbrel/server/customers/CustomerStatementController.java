package org.sumbrel.server.customers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.formats.account.CustomerSheet;
import org.sumbrel.formats.account.CustomerStatementPdf;
import org.sumbrel.formats.account.CustomerStatementTable;
import org.sumbrel.formats.sheet.SheetWriter;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;

/** A customer's account with its running balance, on the screen and as he is sent it. */
@RestController
@Tag(name = "customers")
@Transactional(readOnly = true)
class CustomerStatementController {

  private static final int MONTHS_BACK = 3;

  private final Customers customers;
  private final AccountMovements movements;
  private final Companies companies;
  private final Clock clock;

  CustomerStatementController(
      Customers customers, AccountMovements movements, Companies companies, Clock clock) {
    this.customers = customers;
    this.movements = movements;
    this.companies = companies;
    this.clock = clock;
  }

  /**
   * Which statement.
   *
   * @param from the first day; three months back where none is given
   * @param until the last day; today where none is given
   * @param currency the company's where none is given
   * @param branches whether those for whom the customer pays belong to it, as they do unless said
   */
  record Asked(LocalDate from, LocalDate until, String currency, Boolean branches) {
    boolean withBranches() {
      return branches == null || branches;
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
      @NotNull MoneyView closing) {}

  @GetMapping("/api/customers/{id}/statement")
  @Operation(
      summary =
          "What moved on an account with the balance after each; the last three months where no days are given")
  AccountStatementView statement(@PathVariable Long id, @ParameterObject Asked asked) {
    var statement = of(id, asked);
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
        MoneyView.of(statement.closing()));
  }

  @GetMapping(value = "/api/customers/{id}/statement.pdf", produces = "application/pdf")
  @Operation(summary = "The statement as PDF, with what is open and its ageing")
  ResponseEntity<byte[]> pdf(@PathVariable Long id, @ParameterObject Asked asked)
      throws IOException {
    return file(sheet(id, asked), "pdf", MediaType.APPLICATION_PDF, CustomerStatementPdf::write);
  }

  @GetMapping(value = "/api/customers/{id}/statement.csv", produces = "text/csv")
  @Operation(summary = "The statement as CSV")
  ResponseEntity<byte[]> csv(@PathVariable Long id, @ParameterObject Asked asked)
      throws IOException {
    return file(
        sheet(id, asked),
        "csv",
        new MediaType("text", "csv"),
        (sheet, out) -> {
          try (var csv = SheetWriter.csv(out)) {
            CustomerStatementTable.write(sheet, csv);
          }
        });
  }

  private interface Writer {
    void write(CustomerSheet sheet, OutputStream out) throws IOException;
  }

  private static ResponseEntity<byte[]> file(
      CustomerSheet sheet, String ending, MediaType type, Writer writer) throws IOException {
    var out = new ByteArrayOutputStream();
    writer.write(sheet, out);
    var name = "statement-" + sheet.number() + "-" + sheet.statement().until() + "." + ending;
    return ResponseEntity.ok()
        .contentType(type)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(out.toByteArray());
  }

  private CustomerSheet sheet(Long id, Asked asked) {
    var statement = of(id, asked);
    var unit = statement.opening().getCurrencyUnit();
    var company = customers.companyOf(id);
    var customer = customers.customer(company, id);
    var open =
        (asked.withBranches() ? customers.openOfFamily(id) : customers.openOf(id))
            .stream()
                .filter(i -> i.currency().equals(unit.getCode()))
                .map(OpenItemEntity::toItem)
                .toList();
    return new CustomerSheet(
        companies.company(company).name(),
        customer.name(),
        customer.number(),
        statement,
        Ageing.of(unit, open, LocalDate.now(clock)),
        open);
  }

  private CustomerStatement of(Long id, Asked asked) {
    var last = asked.until() == null ? LocalDate.now(clock) : asked.until();
    var first =
        asked.from() == null ? last.minusMonths(MONTHS_BACK).withDayOfMonth(1) : asked.from();
    if (first.isAfter(last)) {
      throw new BadRequest("A statement from " + first + " cannot end before, on " + last + ".");
    }
    var company = companies.company(customers.companyOf(id));
    var unit = CurrencyUnit.of(asked.currency() == null ? company.currency() : asked.currency());
    var family = asked.withBranches() ? customers.family(id) : List.of(id);
    return CustomerStatement.of(unit, movements.of(family, unit), first, last);
  }
}
