package org.sumbrel.server.tieout;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.tieout.CentTrail;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.SearchSum;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.BankEntryEntity.Status;
import org.sumbrel.server.desk.EntrySearch;
import org.sumbrel.server.desk.EntrySearch.Counted;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.pouch.PouchTotal;

/** The flow of the day and the proof that every cent is somewhere. */
@RestController
@Tag(name = "tieout")
class CentTrailController {

  private static final int MOST_DAYS = 62;

  private final CentTrails trails;
  private final EntrySearch entries;
  private final ProposalRenewal renewal;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final PouchTotal pouch;
  private final Clock clock;

  CentTrailController(
      CentTrails trails,
      EntrySearch entries,
      ProposalRenewal renewal,
      Companies companies,
      BankAccounts bankAccounts,
      PouchTotal pouch,
      Clock clock) {
    this.pouch = pouch;
    this.renewal = renewal;
    this.trails = trails;
    this.entries = entries;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.clock = clock;
  }

  record TrailView(
      @NotNull MoneyView arrived,
      @NotNull MoneyView applied,
      @NotNull MoneyView onAccount,
      @NotNull MoneyView toAccounts,
      @NotNull MoneyView shelved,
      @NotNull MoneyView returned,
      @NotNull
          @Schema(
              description =
                  "what the bank shows of deposits; their receipts are counted themselves")
          MoneyView banked,
      @NotNull MoneyView waiting,
      @NotNull MoneyView gap) {

    static TrailView of(CentTrail trail) {
      return new TrailView(
          MoneyView.of(trail.arrived()),
          MoneyView.of(trail.applied()),
          MoneyView.of(trail.onAccount()),
          MoneyView.of(trail.toAccounts()),
          MoneyView.of(trail.shelved()),
          MoneyView.of(trail.returned()),
          MoneyView.of(trail.banked()),
          MoneyView.of(trail.waiting()),
          MoneyView.of(trail.gap()));
    }
  }

  record IntakeTrailView(
      @Schema(description = "null for what was recorded in the office") Long intakeId,
      @NotNull String fileName,
      @NotNull Instant takenAt,
      @NotNull String currency,
      @NotNull TrailView trail) {}

  record AccountTrailView(
      @NotNull Long bankAccountId,
      @NotNull String name,
      @NotNull String currency,
      @NotNull TrailView trail) {}

  record DayTrailView(@NotNull LocalDate on, @NotNull String currency, @NotNull TrailView trail) {}

  record BreakView(
      @Schema(
              description =
                  "the entry whose parts do not come to its amount; null where an intake told more or less than its entries")
          Long entryId,
      @Schema(description = "null for what was recorded in the office") Long intakeId,
      @NotNull String intake,
      @NotNull String bankAccount,
      LocalDate on,
      @NotNull String words,
      @NotNull @Schema(description = "what arrived by the entry, or by what the intake told")
          MoneyView told,
      @NotNull @Schema(description = "what is found of it") MoneyView found,
      @NotNull @Schema(description = "what is missing; negative for what is counted twice")
          MoneyView gap) {}

  record CentTrailView(
      @NotNull boolean whole,
      @NotNull List<TrailView> totals,
      @NotNull List<IntakeTrailView> intakes,
      @NotNull List<AccountTrailView> accounts,
      @NotNull @Schema(description = "where it breaks; empty where it is whole")
          List<BreakView> breaks) {}

  record Tile(@NotNull long entries, @NotNull MoneyView amount) {}

  record Flow(
      @NotNull String currency,
      @NotNull LocalDate since,
      @NotNull Tile arrived,
      @NotNull Tile waiting,
      @NotNull Tile shelved,
      @NotNull Tile pouch,
      @NotNull Tile posted,
      @NotNull MoneyView gap,
      @Schema(description = "how far it is, while many entries that came are thought about")
          ProposalRenewal.Thinking thinking,
      @NotNull
          @Schema(description = "whether something was written that proposals do not know of yet")
          boolean behind) {}

  @GetMapping("/api/cent-trail")
  @Operation(
      summary =
          "All that arrived = applied + on account + to accounts + shelved + returned + banked + waiting, for each intake, bank account and in all; and where that breaks")
  CentTrailView centTrail(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    var all = trails.byIntake(owner);
    var names =
        trails.names(
            owner, all.stream().map(CentTrails.KeyTrail::key).filter(id -> id != 0).toList());
    var accounts = trails.byAccount(owner);
    var whole =
        all.stream().allMatch(t -> t.trail().whole())
            && accounts.stream().allMatch(t -> t.trail().whole());
    var totals = new LinkedHashMap<CurrencyUnit, CentTrail>();
    all.forEach(t -> totals.merge(t.currency(), t.trail(), CentTrailController::sum));
    return new CentTrailView(
        whole,
        totals.values().stream().map(TrailView::of).toList(),
        all.stream()
            .map(
                t ->
                    new IntakeTrailView(
                        t.key() == 0 ? null : t.key(),
                        names.get(t.key()).fileName(),
                        names.get(t.key()).takenAt(),
                        t.currency().getCode(),
                        TrailView.of(t.trail())))
            .toList(),
        accounts.stream()
            .map(
                t ->
                    new AccountTrailView(
                        t.key(),
                        bankAccounts.account(t.key()).name(),
                        t.currency().getCode(),
                        TrailView.of(t.trail())))
            .toList(),
        whole ? List.of() : breaks(owner));
  }

  private List<BreakView> breaks(Long owner) {
    var breaks = trails.breaks(owner);
    var names =
        trails.names(
            owner,
            breaks.stream()
                .map(CentTrails.Break::intakeId)
                .filter(Objects::nonNull)
                .distinct()
                .toList());
    return breaks.stream()
        .map(
            b ->
                new BreakView(
                    b.entryId(),
                    b.intakeId(),
                    b.intakeId() == null
                        ? "Recorded in the office"
                        : names.get(b.intakeId()).fileName(),
                    bankAccounts.account(b.accountId()).name(),
                    b.on(),
                    b.words(),
                    MoneyView.of(b.told()),
                    MoneyView.of(b.found()),
                    MoneyView.of(b.told().minus(b.found()))))
        .toList();
  }

  @GetMapping("/api/cent-trail/days")
  @Operation(
      summary =
          "The cent trail of each day on which money was booked, the latest 62 and all that are not whole")
  List<DayTrailView> days(@RequestParam(required = false) Long company) {
    var days = trails.byDay(companies.idOf(company));
    return IntStream.range(0, days.size())
        .filter(n -> n < MOST_DAYS || !days.get(n).trail().whole())
        .mapToObj(days::get)
        .map(t -> new DayTrailView(t.key(), t.currency().getCode(), TrailView.of(t.trail())))
        .toList();
  }

  private static CentTrail sum(CentTrail a, CentTrail b) {
    return new CentTrail(
        a.arrived().plus(b.arrived()),
        a.applied().plus(b.applied()),
        a.onAccount().plus(b.onAccount()),
        a.toAccounts().plus(b.toAccounts()),
        a.shelved().plus(b.shelved()),
        a.returned().plus(b.returned()),
        a.banked().plus(b.banked()),
        a.waiting().plus(b.waiting()));
  }

  @GetMapping("/api/flow")
  @Operation(
      summary =
          "The tiles of the flow strip: credits of the month to date and those that wait from before")
  Flow flow(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency) {
    var owner = companies.company(company);
    var unit = owner.unit(currency);
    var today = LocalDate.now(clock);
    var month = today.withDayOfMonth(1);
    var tiles =
        entries
            .count(
                owner.id(),
                unit,
                List.of(
                    new Counted(Status.WAITING, LocalDate.MIN),
                    new Counted(Status.SHELVED, LocalDate.MIN),
                    new Counted(Status.SETTLED, month)))
            .stream()
            .map(sum -> tile(unit, sum))
            .toList();
    var waiting = tiles.get(0);
    var shelved = tiles.get(1);
    var posted = tiles.get(2);
    var inPouch = tile(unit, pouch.of(owner.id(), unit));
    var arrived =
        new Tile(
            waiting.entries() + shelved.entries() + posted.entries(),
            MoneyView.of(
                waiting
                    .amount()
                    .toMoney()
                    .plus(shelved.amount().toMoney())
                    .plus(posted.amount().toMoney())));
    var gap =
        // two gaps that are each other's contrary are two gaps
        trails.byIntake(owner.id()).stream()
            .filter(t -> t.currency().equals(unit))
            .map(t -> t.trail().gap().abs())
            .reduce(Money.zero(unit), Money::plus);
    return new Flow(
        unit.getCode(),
        month,
        arrived,
        waiting,
        shelved,
        inPouch,
        posted,
        MoneyView.of(gap),
        renewal.thinking(owner.id()).orElse(null),
        renewal.behind(owner.id()));
  }

  private static Tile tile(CurrencyUnit unit, SearchSum sum) {
    return new Tile(sum.count(), MoneyView.of(Money.ofMinor(unit, sum.amountMinor())));
  }
}
