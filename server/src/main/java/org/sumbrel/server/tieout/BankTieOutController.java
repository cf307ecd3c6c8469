package org.sumbrel.server.tieout;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.Principal;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.joda.money.Money;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.tieout.TieOut;
import org.sumbrel.core.tieout.TieOut.Side;
import org.sumbrel.formats.tieout.TieOutPdf;
import org.sumbrel.formats.tieout.TieOutSheet;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.journal.ClosedDays;
import org.sumbrel.server.tieout.TieOutViews.AccountTieOut;
import org.sumbrel.server.tieout.TieOutViews.BalanceView;
import org.sumbrel.server.tieout.TieOutViews.ClosedView;
import org.sumbrel.server.tieout.TieOutViews.TieOutFigures;
import org.sumbrel.server.tieout.TieOutViews.TieOutView;

/** The tie-out of each bank account. */
@RestController
@Tag(name = "tieout")
class BankTieOutController {

  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM yyyy HH:mm 'UTC'").withZone(ZoneOffset.UTC);

  private final TieOuts tieOuts;
  private final OpeningBalances openings;
  private final BankBalances balances;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final ClosedDays closedDays;

  BankTieOutController(
      TieOuts tieOuts,
      OpeningBalances openings,
      BankBalances balances,
      Companies companies,
      BankAccounts bankAccounts,
      ClosedDays closedDays) {
    this.tieOuts = tieOuts;
    this.openings = openings;
    this.balances = balances;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.closedDays = closedDays;
  }

  record SayOpening(@NotNull LocalDate on, @NotNull @Valid MoneyView balance) {}

  record NoteError(
      @NotNull @Schema(description = "whose balance is wrong") Side whose,
      @NotNull LocalDate on,
      @NotNull @Valid @Schema(description = "what that balance has to change by") MoneyView amount,
      @NotBlank @Size(max = 400) String words) {}

  record Righted(@NotNull @Schema(description = "from which day on") LocalDate since) {}

  record CloseTieOut(
      @NotNull LocalDate asOf,
      @Valid @Schema(description = "the bank's balance, where no statement says it")
          MoneyView balance) {}

  record ReopenWhy(@NotBlank @Size(max = 400) String reason) {}

  record ClosedTieOut(
      @NotNull ClosedView closed, @NotNull Long bankAccountId, @NotNull TieOutFigures figures) {}

  @GetMapping("/api/tie-outs")
  @Operation(summary = "Each bank account: what its statements say, what was closed")
  List<AccountTieOut> accounts(@RequestParam(required = false) Long company) {
    return bankAccounts.of(companies.idOf(company)).stream().map(this::view).toList();
  }

  private AccountTieOut view(BankAccountEntity account) {
    return new AccountTieOut(
        account.id(),
        account.name(),
        account.bank(),
        account.number(),
        account.currency(),
        account.openingOn() == null
            ? null
            : new BalanceView(account.openingOn(), MoneyView.of(account.opening())),
        balances.beforeAll(account).map(BalanceView::of).orElse(null),
        balances.closing(account).stream().map(BalanceView::of).toList(),
        tieOuts.history(account.id()).stream().map(ClosedView::of).toList());
  }

  @PostMapping("/api/bank-accounts/{id}/opening")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Says what stood on an account when the books began with it")
  void open(@PathVariable Long id, @Valid @RequestBody SayOpening call, Principal principal) {
    openings.say(id, call.on(), call.balance().toMoney(), Actor.of(principal));
  }

  @GetMapping("/api/bank-accounts/{id}/tie-out")
  @Operation(
      summary =
          "What leads from the bank's balance to the books' at the end of a day, and what nothing explains",
      description =
          "adjusted statement = statement + ways of the bank; adjusted books = books + ways of the books; gap = the one less the other")
  TieOutView look(
      @PathVariable Long id,
      @RequestParam LocalDate asOf,
      @RequestParam(required = false)
          @Schema(description = "the bank's balance, where no statement says it; plain decimal")
          String balance) {
    return TieOutView.of(tieOuts.look(id, asOf, typed(id, balance)));
  }

  private Optional<Money> typed(Long id, String balance) {
    return balance == null || balance.isBlank()
        ? Optional.empty()
        : Optional.of(new MoneyView(balance, tieOuts.account(id).currency()).toMoney());
  }

  @PostMapping("/api/bank-accounts/{id}/tie-out/errors")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Writes an error of the bank or the books down; it explains its amount")
  void note(@PathVariable Long id, @Valid @RequestBody NoteError call, Principal principal) {
    tieOuts.note(
        id,
        call.whose(),
        call.on(),
        call.amount().toMoney(),
        call.words().strip(),
        Actor.of(principal));
  }

  @PostMapping("/api/tie-out-errors/{id}/right")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "An error is put right from a day on; on days before it stays")
  void right(@PathVariable Long id, @Valid @RequestBody Righted call, Principal principal) {
    tieOuts.right(id, call.since(), Actor.of(principal));
  }

  @PostMapping("/api/bank-accounts/{id}/tie-out/closing")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Closes the tie-out of a day: nothing is booked on the account up to that day any more; refused where there is a gap")
  ClosedTieOut close(
      @PathVariable Long id, @Valid @RequestBody CloseTieOut call, Principal principal) {
    var typed = Optional.ofNullable(call.balance()).map(MoneyView::toMoney);
    var made = new AtomicReference<TieOutEntity>();
    closedDays.alone(() -> made.set(tieOuts.close(id, call.asOf(), typed, Actor.of(principal))));
    return view(made.get());
  }

  @GetMapping("/api/tie-outs/{id}")
  @Operation(summary = "A tie-out as it was when it was closed")
  ClosedTieOut closed(@PathVariable Long id) {
    return view(tieOuts.closedOne(id));
  }

  private ClosedTieOut view(TieOutEntity row) {
    return new ClosedTieOut(
        ClosedView.of(row), row.bankAccountId(), TieOutFigures.of(tieOuts.kept(row)));
  }

  @PostMapping("/api/tie-outs/{id}/reopening")
  @Operation(summary = "Opens the tie-out of an account that was closed last again")
  ClosedTieOut reopen(
      @PathVariable Long id, @Valid @RequestBody ReopenWhy call, Principal principal) {
    return view(tieOuts.reopen(id, call.reason().strip(), Actor.of(principal)));
  }

  @GetMapping("/api/bank-accounts/{id}/tie-out/paper")
  @Operation(summary = "The reconciliation statement of a day as PDF, not closed")
  ResponseEntity<byte[]> paper(
      @PathVariable Long id,
      @RequestParam LocalDate asOf,
      @RequestParam(required = false) String balance)
      throws IOException {
    var looked = tieOuts.look(id, asOf, typed(id, balance));
    return pdf(looked.account(), looked.tieOut(), "", looked.startsFrom().map(TieOutEntity::asOf));
  }

  @GetMapping("/api/tie-outs/{id}/paper")
  @Operation(summary = "The reconciliation statement of a closed tie-out as PDF")
  ResponseEntity<byte[]> paper(@PathVariable Long id) throws IOException {
    var row = tieOuts.closedOne(id);
    var by =
        "by "
            + row.closing().closedBy()
            + " "
            + MOMENT.format(row.closing().closedAt())
            + (row.closing().stands()
                ? ""
                : ", reopened by "
                    + row.closing().reopenedBy()
                    + ": "
                    + row.closing().reopenedWhy());
    return pdf(tieOuts.account(row.bankAccountId()), tieOuts.kept(row), by, Optional.empty());
  }

  private ResponseEntity<byte[]> pdf(
      BankAccountEntity account, TieOut tieOut, String closedBy, Optional<LocalDate> startsFrom)
      throws IOException {
    var out = new ByteArrayOutputStream();
    TieOutPdf.write(
        new TieOutSheet(
            companies.company(account.companyId()).name(),
            account.bank(),
            account.name() + " " + account.number(),
            tieOut,
            closedBy,
            startsFrom),
        out);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.inline()
                .filename("tie-out-" + account.number() + "-" + tieOut.asOf() + ".pdf")
                .build()
                .toString())
        .contentType(MediaType.APPLICATION_PDF)
        .body(out.toByteArray());
  }
}
