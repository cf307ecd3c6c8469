package org.sumbrel.server.tieout;

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
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.journal.ClosedDays;
import org.sumbrel.server.tieout.TieOutViews.PeriodView;

/** Periods that are closed for the whole company. */
@RestController
@Tag(name = "tieout")
class ClosedPeriodController {

  private final ClosedPeriods periods;
  private final Companies companies;
  private final ClosedDays closedDays;

  ClosedPeriodController(ClosedPeriods periods, Companies companies, ClosedDays closedDays) {
    this.periods = periods;
    this.companies = companies;
    this.closedDays = closedDays;
  }

  record ClosePeriod(@NotNull LocalDate until) {}

  record OpenPeriodWhy(@NotBlank @Size(max = 400) String reason) {}

  record PeriodsView(
      @Schema(description = "the last closed day; null where none is") LocalDate closedUntil,
      @NotNull @Schema(description = "the latest first; reopened ones too")
          List<PeriodView> periods) {}

  record NotTiedOut(@NotNull List<String> accounts) {}

  @GetMapping("/api/closed-periods")
  @Operation(summary = "Which periods are closed, and were")
  PeriodsView list(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    return new PeriodsView(
        periods.last(owner).map(ClosedPeriodEntity::untilDay).orElse(null),
        periods.of(owner).stream().map(PeriodView::of).toList());
  }

  @GetMapping("/api/closed-periods/not-tied-out")
  @Operation(summary = "The bank accounts that are not tied out up to a day")
  NotTiedOut notTiedOut(
      @RequestParam(required = false) Long company, @RequestParam LocalDate until) {
    return new NotTiedOut(periods.notTiedOut(companies.idOf(company), until));
  }

  @PostMapping("/api/closed-periods")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Closes everything up to a day: what is posted for it later goes to the first open day and says so")
  PeriodView close(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody ClosePeriod call,
      Principal principal) {
    var owner = companies.idOf(company);
    var made = new AtomicReference<ClosedPeriodEntity>();
    closedDays.alone(() -> made.set(periods.close(owner, call.until(), Actor.of(principal))));
    return PeriodView.of(made.get());
  }

  @PostMapping("/api/closed-periods/{id}/reopening")
  @Operation(summary = "Opens the period that was closed last again")
  PeriodView reopen(
      @PathVariable Long id, @Valid @RequestBody OpenPeriodWhy call, Principal principal) {
    return PeriodView.of(periods.reopen(id, call.reason().strip(), Actor.of(principal)));
  }
}
