package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.journal.JournalController;

/** What was sold on the spot, without an invoice. */
@RestController
@Tag(name = "pouch")
class TakingsController {

  private final TillReports reports;
  private final PouchViews views;
  private final Journal journal;
  private final Companies companies;

  TakingsController(TillReports reports, PouchViews views, Journal journal, Companies companies) {
    this.reports = reports;
    this.views = views;
    this.journal = journal;
    this.companies = companies;
  }

  record TakingsView(
      @NotNull Long id,
      @NotNull LocalDate on,
      @NotNull String name,
      @NotNull @Schema(description = "tax included") MoneyView sold,
      @NotNull MoneyView tax,
      @NotNull @Schema(description = "cash counted more (positive) or less than by the till")
          MoneyView difference,
      @NotNull @Schema(description = "how it was paid") List<PouchViews.HeldView> paid,
      @NotNull List<PouchViews.MethodSum> byMethod,
      @NotNull String recordedBy,
      @NotNull Long journalEntryId) {}

  record TakingsWithdrawal(@NotBlank @Size(max = 400) String reason) {}

  @GetMapping("/api/takings")
  @Operation(summary = "What was sold on the spot, the latest first, at most 60")
  List<TakingsView> latest(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency) {
    var owner = companies.company(company);
    return views(reports.latest(owner.id(), owner.unit(currency)));
  }

  @PostMapping("/api/takings")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Books what was sold on the spot as one entry: cash and cheques are in the pouch, cards with the acquirer")
  TakingsView record(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody RecordTakings call,
      Principal principal) {
    var id = reports.record(companies.idOf(company), call, Actor.of(principal));
    return views(List.of(reports.takings(id))).get(0);
  }

  @PostMapping("/api/takings/preview")
  @Operation(summary = "The lines of the journal that takings would write; nothing is written")
  List<JournalController.LineView> preview(
      @RequestParam(required = false) Long company, @Valid @RequestBody RecordTakings call) {
    return journal.preview(reports.entry(companies.idOf(company), call), null);
  }

  @PostMapping("/api/takings/{id}/withdrawal")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes takings back that were booked by mistake, as a whole")
  void withdraw(
      @PathVariable Long id, @Valid @RequestBody TakingsWithdrawal why, Principal principal) {
    reports.withdraw(id, why.reason().strip(), Actor.of(principal));
  }

  private List<TakingsView> views(List<TakingsEntity> rows) {
    if (rows.isEmpty()) {
      return List.of();
    }
    var paid =
        views.ofTakings(
            rows.stream().map(TakingsEntity::id).toList(), rows.get(0).sold().getCurrencyUnit());
    return rows.stream().map(row -> view(row, paid.get(row.id()))).toList();
  }

  private static TakingsView view(TakingsEntity row, PouchViews.PaidView paid) {
    return new TakingsView(
        row.id(),
        row.soldOn(),
        row.name(),
        MoneyView.of(row.sold()),
        MoneyView.of(row.tax()),
        MoneyView.of(row.difference()),
        paid.receipts(),
        paid.byMethod(),
        row.recordedBy(),
        row.journalEntryId());
  }
}
