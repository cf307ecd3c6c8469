package org.sumbrel.server.start;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;

/** The way of a new company from nothing to its first settled invoice. */
@RestController
@Tag(name = "start")
@Transactional(readOnly = true)
class StartController {

  private final JdbcClient jdbc;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final Clock clock;

  StartController(JdbcClient jdbc, Companies companies, BankAccounts bankAccounts, Clock clock) {
    this.jdbc = jdbc;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.clock = clock;
  }

  record FirstSteps(
      @NotNull boolean company,
      @NotNull boolean bankAccount,
      @NotNull @Schema(description = "whether there is somebody who may post") boolean clerk,
      @NotNull long invoices,
      @NotNull long entries,
      @NotNull long settlements) {}

  @GetMapping("/api/first-steps")
  @Operation(summary = "How far a new company has come, of the first company where none is named")
  FirstSteps steps(@RequestParam(required = false) Long company) {
    var known = companies.all();
    var id =
        known.isEmpty() ? 0L : companies.idOf(company == null || company == 0 ? null : company);
    return new FirstSteps(
        !known.isEmpty(),
        count("select count(*) from bank_account where company_id = :company and kind = 'BANK'", id)
            > 0,
        count(
                "select count(*) from app_user where role in ('CLERK', 'SUPERVISOR') and may_sign_in and :company >= 0",
                id)
            > 0,
        count("select count(*) from open_item where company_id = :company", id),
        count("select count(*) from bank_entry where company_id = :company", id),
        count("select count(*) from settlement where company_id = :company", id));
  }

  private long count(String sql, Long company) {
    return jdbc.sql(sql).param("company", company).query(Long.class).single();
  }

  @GetMapping(value = "/api/first-steps/samples/{name}", produces = "text/csv")
  @Operation(summary = "A sample to try: invoices.csv, or the statement.csv that pays them")
  ResponseEntity<byte[]> sample(
      @PathVariable String name, @RequestParam(required = false) Long company) {
    var sample = new SampleFiles(currency(companies.idOf(company)), LocalDate.now(clock));
    var text =
        switch (name) {
          case "invoices.csv" -> sample.invoices();
          case "statement.csv" -> sample.statement();
          default -> throw new NotThere("sample", name);
        };
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "csv"))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("sample-" + name).build().toString())
        .body(text.getBytes(StandardCharsets.UTF_8));
  }

  /** That of the first bank account, so that the statement fits it. */
  private CurrencyUnit currency(Long company) {
    return bankAccounts.of(company).stream()
        .findFirst()
        .map(a -> CurrencyUnit.of(a.currency()))
        .orElseGet(() -> CurrencyUnit.of(companies.company(company).currency()));
  }
}
