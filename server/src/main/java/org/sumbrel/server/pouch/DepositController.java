package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.security.Principal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.deposit.CashCount;
import org.sumbrel.formats.deposit.DepositSlip;
import org.sumbrel.formats.deposit.DepositSlipCsv;
import org.sumbrel.formats.deposit.DepositSlipPdf;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Currencies;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.pouch.DepositViews.DepositBrief;
import org.sumbrel.server.pouch.DepositViews.DepositView;
import org.sumbrel.server.pouch.DepositViews.MatchView;

/** Deposits: made, opened again, tied to what the bank shows, printed. */
@RestController
@Tag(name = "pouch")
class DepositController {

  private final Deposits deposits;
  private final DepositTies ties;
  private final DepositViews views;
  private final Companies companies;
  private final ProposalRenewal renewal;

  DepositController(
      Deposits deposits,
      DepositTies ties,
      DepositViews views,
      Companies companies,
      ProposalRenewal renewal) {
    this.deposits = deposits;
    this.ties = ties;
    this.views = views;
    this.companies = companies;
    this.renewal = renewal;
  }

  record DepositTieCall(
      @NotNull @Size(min = 1, max = 50) List<Long> depositIds,
      @NotNull @Size(min = 1, max = 50) List<Long> entryIds,
      @NotNull
          @Valid
          @Size(max = 20)
          @Schema(
              description = "what explains a difference; they become lines of the first deposit")
          List<MakeDeposit.LineSent> lines) {}

  @GetMapping("/api/deposits")
  @Operation(summary = "Deposits, the latest first; those in transit and open, or all")
  List<DepositBrief> list(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam(defaultValue = "false") boolean tied) {
    var owner = companies.company(company);
    return views.list(owner.id(), owner.unit(currency), tied);
  }

  @PostMapping("/api/deposits")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Makes a deposit of receipts in the pouch")
  DepositView make(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody MakeDeposit call,
      Principal principal) {
    return views.one(deposits.make(companies.idOf(company), call, Actor.of(principal)));
  }

  @GetMapping("/api/deposits/{id}")
  @Operation(summary = "A deposit with its receipts, lines and what the bank shows of it")
  DepositView one(@PathVariable Long id) {
    return views.one(id);
  }

  @PutMapping("/api/deposits/{id}")
  @Operation(summary = "Makes a deposit that was opened again as it is now")
  DepositView makeAgain(
      @PathVariable Long id, @Valid @RequestBody MakeDeposit call, Principal principal) {
    deposits.makeAgain(id, call, Actor.of(principal));
    return views.one(id);
  }

  @PostMapping("/api/deposits/{id}/opening")
  @Operation(summary = "Opens a deposit again that the bank has not shown")
  DepositView open(@PathVariable Long id, Principal principal) {
    deposits.openAgain(id, Actor.of(principal));
    return views.one(id);
  }

  @DeleteMapping("/api/deposits/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Gives up an open deposit; its receipts are in the pouch again")
  void giveUp(@PathVariable Long id) {
    deposits.giveUp(id);
  }

  @GetMapping("/api/deposits/{id}/matches")
  @Operation(summary = "Entries of the bank that may show the deposit, the likeliest first")
  List<MatchView> forDeposit(@PathVariable Long id) {
    return views.matches(ties.forDeposit(id));
  }

  @GetMapping("/api/entries/{id}/deposit-matches")
  @Operation(summary = "Deposits, and receipts in the pouch, that may explain an entry of the bank")
  List<MatchView> forEntry(@PathVariable Long id) {
    return views.matches(ties.forEntry(id));
  }

  @PostMapping("/api/deposit-ties")
  @Operation(
      summary =
          "Ties deposits to the entries that show them; refused with both sums where they differ and nothing explains it")
  List<DepositView> tie(@Valid @RequestBody DepositTieCall call, Principal principal) {
    ties.tie(
        call.depositIds(),
        call.entryIds(),
        call.lines().stream().map(MakeDeposit.LineSent::toLine).toList(),
        Actor.of(principal));
    var tied = call.depositIds().stream().map(views::one).toList();
    renewal.after(deposits.deposit(call.depositIds().get(0)).companyId());
    return tied;
  }

  @DeleteMapping("/api/deposits/{id}/tie")
  @Operation(summary = "Unties a deposit, and what was tied together with it")
  DepositView untie(@PathVariable Long id, Principal principal) {
    renewal.after(ties.untie(id, Actor.of(principal)));
    return views.one(id);
  }

  @GetMapping("/api/denominations")
  @Operation(summary = "The notes and coins of a currency, the largest first")
  List<MoneyView> denominations(@RequestParam String currency) {
    CurrencyUnit unit = Currencies.unit(currency);
    return CashCount.denominations(unit).stream().map(MoneyView::of).toList();
  }

  @GetMapping(value = "/api/deposits/{id}/slip.pdf", produces = "application/pdf")
  @Operation(summary = "The deposit slip as PDF, grouped as banks take it")
  ResponseEntity<byte[]> pdf(@PathVariable Long id) throws IOException {
    return file(views.slip(id), "pdf", MediaType.APPLICATION_PDF, DepositSlipPdf::write);
  }

  @GetMapping(value = "/api/deposits/{id}/slip.csv", produces = "text/csv")
  @Operation(summary = "The deposit slip as CSV")
  ResponseEntity<byte[]> csv(@PathVariable Long id) throws IOException {
    return file(views.slip(id), "csv", new MediaType("text", "csv"), DepositSlipCsv::write);
  }

  private interface Writer {
    void write(DepositSlip slip, OutputStream out) throws IOException;
  }

  private static ResponseEntity<byte[]> file(
      DepositSlip slip, String ending, MediaType type, Writer writer) throws IOException {
    var out = new ByteArrayOutputStream();
    writer.write(slip, out);
    var name = "deposit-" + slip.number().replaceAll("[^A-Za-z0-9-]", "-") + "." + ending;
    return ResponseEntity.ok()
        .contentType(type)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(out.toByteArray());
  }
}
