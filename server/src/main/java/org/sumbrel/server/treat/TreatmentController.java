package org.sumbrel.server.treat;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.core.treat.Trial;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.settle.AccountSettlements;
import org.sumbrel.server.treat.TreatmentViews.TreatmentSent;
import org.sumbrel.server.treat.TreatmentViews.TreatmentView;

/** Treatments: tried on the past before they are kept, put in order, turned on and off. */
@RestController
@Tag(name = "house rules")
class TreatmentController {

  static final int TRIAL_DAYS = 90;
  private static final int MOST_SHOWN = 20;

  private final TreatmentRules rules;
  private final TreatmentViews views;
  private final Treatables treatables;
  private final TreatmentStart start;
  private final AccountSettlements posting;
  private final Companies companies;
  private final Charts charts;
  private final Clock clock;

  TreatmentController(
      TreatmentRules rules,
      TreatmentViews views,
      Treatables treatables,
      TreatmentStart start,
      AccountSettlements posting,
      Companies companies,
      Charts charts,
      Clock clock) {
    this.rules = rules;
    this.views = views;
    this.treatables = treatables;
    this.start = start;
    this.posting = posting;
    this.companies = companies;
    this.charts = charts;
    this.clock = clock;
  }

  record TriedEntry(
      @NotNull Long id,
      @NotNull LocalDate on,
      @NotNull MoneyView amount,
      @NotNull String counterparty,
      @NotNull String text) {

    static TriedEntry of(Treatable entry) {
      return new TriedEntry(
          Long.valueOf(entry.id()),
          entry.on(),
          MoneyView.of(entry.amount()),
          entry.counterparty(),
          entry.text());
    }
  }

  record TriedGroup(
      @NotNull int count,
      @NotNull @Schema(description = "in their sign") MoneyView amount,
      @NotNull @Schema(description = "the latest of them") List<TriedEntry> latest) {

    static TriedGroup of(List<Treatable> entries, CurrencyUnit currency) {
      var sum =
          entries.stream()
              .map(Treatable::amount)
              .filter(a -> a.getCurrencyUnit().equals(currency))
              .reduce(Money.zero(currency), Money::plus);
      return new TriedGroup(
          entries.size(),
          MoneyView.of(sum),
          entries.stream()
              .skip(Math.max(0, entries.size() - MOST_SHOWN))
              .sorted(Comparator.comparing(Treatable::on).reversed())
              .map(TriedEntry::of)
              .toList());
    }
  }

  record TrialView(
      @NotNull LocalDate since,
      @NotNull @Schema(description = "how many it would have taken") int caught,
      @NotNull @Schema(description = "went to the same accounts") TriedGroup right,
      @NotNull @Schema(description = "went to other accounts") TriedGroup elsewhere,
      @NotNull @Schema(description = "wait or are on the shelf; these it takes up from now on")
          TriedGroup undecided,
      @NotNull
          @Schema(
              description =
                  "paid invoices, stood on account, or were a deposit, a payout or returned")
          TriedGroup wrong,
      @NotNull @Schema(description = "fit and are larger than the cap; it leaves them alone")
          TriedGroup beyondCap) {}

  record Order(@NotEmpty List<@NotNull Long> ids) {}

  @GetMapping("/api/treatments")
  @Operation(summary = "The treatments of a company in their order; the first that fits is taken")
  List<TreatmentView> list(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    var chart = charts.of(owner);
    var used = posting.used(owner);
    return rules.of(owner).stream().map(row -> views.of(row, chart, used.get(row.id()))).toList();
  }

  @PostMapping("/api/treatments/trial")
  @Operation(
      summary =
          "What a treatment would have done in the last 90 days, and what would have gone wrong; changes nothing")
  TrialView trial(
      @RequestParam(required = false) Long company, @Valid @RequestBody TreatmentSent sent) {
    var owner = companies.idOf(company);
    var treatment = sent.toTreatment(1);
    var since = LocalDate.now(clock).minusDays(TRIAL_DAYS);
    var trial = Trial.of(treatment, treatables.since(owner, since));
    var currency = treatment.cap().getCurrencyUnit();
    return new TrialView(
        since,
        trial.caught(),
        TriedGroup.of(trial.right(), currency),
        TriedGroup.of(trial.elsewhere(), currency),
        TriedGroup.of(trial.undecided(), currency),
        TriedGroup.of(trial.wrong(), currency),
        TriedGroup.of(trial.beyondCap(), currency));
  }

  @PostMapping("/api/treatments")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Keeps a treatment, behind the others; where it posts by itself, what waits is posted at once")
  TreatmentView add(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody TreatmentSent sent,
      Principal principal) {
    var owner = companies.idOf(company);
    var row = rules.add(owner, sent.toTreatment(rules.nextPlace(owner)), Actor.of(principal));
    return begun(row);
  }

  @PutMapping("/api/treatments/{id}")
  @Operation(summary = "Changes a treatment, or turns it on or off; what it posted stays")
  TreatmentView change(
      @PathVariable Long id, @Valid @RequestBody TreatmentSent sent, Principal principal) {
    var place = rules.row(id).place();
    return begun(rules.change(id, sent.version(), sent.toTreatment(place), Actor.of(principal)));
  }

  private TreatmentView begun(TreatmentEntity row) {
    start.begin(row.companyId());
    return views.of(row, charts.of(row.companyId()), posting.used(row.companyId()).get(row.id()));
  }

  @PutMapping("/api/treatments/order")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Puts all treatments in another order")
  void order(@RequestParam(required = false) Long company, @Valid @RequestBody Order order) {
    rules.order(companies.idOf(company), order.ids());
  }

  @DeleteMapping("/api/treatments/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Ends a treatment; what it posted stays")
  void end(@PathVariable Long id, Principal principal) {
    rules.end(id, Actor.of(principal));
  }
}
