package org.sumbrel.server.journal;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.journal.AccountSheet;
import org.sumbrel.core.journal.AccountSheet.Movement;
import org.sumbrel.core.journal.Cancelling;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.LedgerAccountEntity;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.journal.JournalSources.JournalSource;
import org.sumbrel.server.journal.LedgerRows.After;
import org.sumbrel.server.journal.LedgerRows.Turnover;

/** The trial balance, and what moved on each account of the ledger. */
@RestController
@Tag(name = "journal")
@Transactional(readOnly = true)
class LedgerController {

  private final LedgerRows rows;
  private final Companies companies;
  private final Charts charts;
  private final Customers customers;
  private final JournalSources sources;

  LedgerController(
      LedgerRows rows,
      Companies companies,
      Charts charts,
      Customers customers,
      JournalSources sources) {
    this.rows = rows;
    this.companies = companies;
    this.charts = charts;
    this.customers = customers;
    this.sources = sources;
  }

  record AccountBalance(
      @NotNull Long accountId,
      @NotNull String code,
      @NotNull String account,
      @NotNull @Schema(description = "before the first day; debit positive") MoneyView opening,
      @NotNull @Schema(description = "debits within the period") MoneyView debited,
      @NotNull @Schema(description = "credits within the period, positive") MoneyView credited,
      @NotNull @Schema(description = "the balance, where it is a debit") MoneyView debit,
      @NotNull @Schema(description = "the balance, where it is a credit; positive")
          MoneyView credit,
      @Schema(
              description =
                  "what the balance is worth in the currency of the books, debit positive; null where the rate of a line is not known")
          MoneyView inBooks) {}

  /** The balances in the currency of the books. */
  record BooksTotal(
      @NotNull String currency,
      @NotNull MoneyView debit,
      @NotNull MoneyView credit,
      @NotNull @Schema(description = "zero, unless the worth of a line is not known")
          MoneyView difference,
      @NotNull @Schema(description = "lines that wait for a rate of their day") long missing) {}

  record CurrencyTotal(
      @NotNull String currency,
      @NotNull MoneyView debited,
      @NotNull MoneyView credited,
      @NotNull MoneyView debit,
      @NotNull MoneyView credit,
      @NotNull MoneyView difference) {}

  record TrialBalance(
      @NotNull boolean balanced,
      @NotNull List<AccountBalance> accounts,
      @NotNull List<CurrencyTotal> totals,
      @NotNull BooksTotal books) {}

  @GetMapping("/api/trial-balance")
  @Operation(
      summary =
          "What stands on each account, and what moved between two days; debits and credits are equal in each currency, or it says so")
  TrialBalance trialBalance(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) LocalDate from,
      @RequestParam(required = false) LocalDate until) {
    var owner = companies.idOf(company);
    var books = companies.company(owner).currency();
    var chart = charts.of(owner);
    var turnovers = rows.turnovers(owner, null, new Period(from, until));
    var accounts =
        turnovers.stream()
            .sorted(
                Comparator.comparing((Turnover t) -> chart.get(t.accountId()).code())
                    .thenComparing(Turnover::currency))
            .map(t -> balance(t, chart.get(t.accountId()), books))
            .toList();
    var totals =
        turnovers.stream().collect(Collectors.groupingBy(Turnover::currency)).entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .map(e -> total(e.getKey(), e.getValue()))
            .toList();
    return new TrialBalance(
        totals.stream().allMatch(t -> t.difference().toMoney().isZero()),
        accounts,
        totals,
        inBooks(books, turnovers));
  }

  private static BooksTotal inBooks(String books, List<Turnover> turnovers) {
    var debit = turnovers.stream().mapToLong(t -> Math.max(0, t.worthMinor())).sum();
    var credit = turnovers.stream().mapToLong(t -> Math.max(0, -t.worthMinor())).sum();
    return new BooksTotal(
        books,
        MoneyView.ofMinor(books, debit),
        MoneyView.ofMinor(books, credit),
        MoneyView.ofMinor(books, debit - credit),
        turnovers.stream().mapToLong(Turnover::missing).sum());
  }

  /** An account shows its balance on the side on which it stands. */
  private static AccountBalance balance(Turnover of, LedgerAccountEntity account, String books) {
    var net = of.closingMinor();
    return new AccountBalance(
        account.id(),
        account.code(),
        account.name(),
        MoneyView.ofMinor(of.currency(), of.openingMinor()),
        MoneyView.ofMinor(of.currency(), of.debitMinor()),
        MoneyView.ofMinor(of.currency(), of.creditMinor()),
        MoneyView.ofMinor(of.currency(), Math.max(0, net)),
        MoneyView.ofMinor(of.currency(), Math.max(0, -net)),
        of.missing() > 0 ? null : MoneyView.ofMinor(books, of.worthMinor()));
  }

  private static CurrencyTotal total(String currency, List<Turnover> turnovers) {
    var debit = turnovers.stream().mapToLong(t -> Math.max(0, t.closingMinor())).sum();
    var credit = turnovers.stream().mapToLong(t -> Math.max(0, -t.closingMinor())).sum();
    return new CurrencyTotal(
        currency,
        MoneyView.ofMinor(currency, turnovers.stream().mapToLong(Turnover::debitMinor).sum()),
        MoneyView.ofMinor(currency, turnovers.stream().mapToLong(Turnover::creditMinor).sum()),
        MoneyView.ofMinor(currency, debit),
        MoneyView.ofMinor(currency, credit),
        MoneyView.ofMinor(currency, debit - credit));
  }

  record CancelledBy(
      @NotNull Long lineId,
      @NotNull Long entryId,
      @NotNull LocalDate on,
      @NotNull Cancelling.KnownBy knownBy) {}

  record MovementView(
      @NotNull Long lineId,
      @NotNull Long entryId,
      @NotNull LocalDate on,
      @Schema(description = "the day that it is of, where that was closed already; else null")
          LocalDate ofDay,
      @NotNull String text,
      @NotNull String writtenBy,
      Long customerId,
      String customer,
      MoneyView debit,
      MoneyView credit,
      @NotNull @Schema(description = "after it; debit positive") MoneyView balance,
      @Schema(description = "of what the entry was written, where that is one thing")
          JournalSource source,
      @Schema(description = "the movement that cancels it, where one does")
          CancelledBy cancelledBy) {}

  @Schema(name = "LedgerSheet")
  record SheetView(
      @NotNull Long accountId,
      @NotNull String code,
      @NotNull String account,
      @NotNull @Schema(description = "of which the account has lines") List<String> currencies,
      @NotNull @Schema(description = "before the first day; debit positive") MoneyView opening,
      @NotNull MoneyView debited,
      @NotNull @Schema(description = "positive") MoneyView credited,
      @NotNull MoneyView closing,
      @NotNull List<MovementView> rows,
      String next) {}

  @GetMapping("/api/ledger-accounts/{id}/movements")
  @Operation(
      summary =
          "What moved on an account between two days with the balance after each, oldest first; what cancels each other is joined")
  SheetView movements(
      @PathVariable Long id,
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String currency,
      @RequestParam(required = false) LocalDate from,
      @RequestParam(required = false) LocalDate until,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var owner = companies.company(company);
    var account = charts.account(owner.id(), id);
    var period = new Period(from, until);
    var turnovers = rows.turnovers(owner.id(), id, period);
    var unit = owner.unit(currency);
    var turnover =
        turnovers.stream()
            .filter(t -> t.currency().equals(unit.getCode()))
            .findFirst()
            .orElse(new Turnover(id, unit.getCode(), 0, 0, 0, 0, 0));
    var size = Page.limit(limit);
    var after = after(cursor);
    var before =
        turnover.openingMinor()
            + (after == After.START ? 0 : rows.sumUntil(id, unit, period, after));
    var found = rows.page(id, unit, period, after, size + 1);
    var views = views(account, unit, Money.ofMinor(unit, before), found);
    var page = Page.of(views, size, v -> v, v -> v.on() + "_" + v.lineId());
    return new SheetView(
        id,
        account.code(),
        account.name(),
        turnovers.stream().map(Turnover::currency).sorted().toList(),
        MoneyView.ofMinor(unit.getCode(), turnover.openingMinor()),
        MoneyView.ofMinor(unit.getCode(), turnover.debitMinor()),
        MoneyView.ofMinor(unit.getCode(), turnover.creditMinor()),
        MoneyView.ofMinor(unit.getCode(), turnover.closingMinor()),
        page.rows(),
        page.next());
  }

  private static After after(String cursor) {
    if (cursor == null || cursor.isBlank()) {
      return After.START;
    }
    try {
      var parts = cursor.split("_");
      return new After(LocalDate.parse(parts[0]), Long.parseLong(parts[1]));
    } catch (NumberFormatException | DateTimeParseException | ArrayIndexOutOfBoundsException e) {
      throw new BadRequest("\"" + cursor + "\" is not a cursor that this list gave.");
    }
  }

  private List<MovementView> views(
      LedgerAccountEntity account, CurrencyUnit unit, Money before, List<LedgerRows.Row> found) {
    var sheet = AccountSheet.of(before, found.stream().map(LedgerRows.Row::movement).toList());
    var halves = halves(account, unit, found);
    var from = sources.of(found.stream().map(r -> r.movement().entryId()).distinct().toList());
    var names =
        customers.names(
            found.stream()
                .map(LedgerRows.Row::customerId)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet()));
    var views = new ArrayList<MovementView>();
    for (var n = 0; n < found.size(); n++) {
      var row = found.get(n);
      var movement = row.movement();
      var size = MoneyView.of(movement.amount().abs());
      var half = halves.get(movement.lineId());
      views.add(
          new MovementView(
              movement.lineId(),
              movement.entryId(),
              movement.on(),
              row.ofDay(),
              row.text(),
              row.writtenBy(),
              row.customerId(),
              names.get(row.customerId()),
              movement.amount().isPositive() ? size : null,
              movement.amount().isPositive() ? null : size,
              MoneyView.of(sheet.lines().get(n).balance()),
              from.get(movement.entryId()),
              half == null
                  ? null
                  : new CancelledBy(
                      half.with().lineId(), half.with().entryId(), half.with().on(), half.by())));
    }
    return views;
  }

  /** What cancels the lines of a page: looked for on either side of it too. */
  private Map<Long, Cancelling.Half> halves(
      LedgerAccountEntity account, CurrencyUnit unit, List<LedgerRows.Row> found) {
    if (found.isEmpty() || !Cancelling.lookedFor(account.role())) {
      return Map.of();
    }
    var first = found.get(0).movement().on();
    var last = found.get(found.size() - 1).movement().on();
    var sizes =
        found.stream().map(r -> Math.abs(r.movement().amount().getAmountMinorLong())).toList();
    List<Movement> alike =
        rows.alike(
            account.id(),
            unit,
            sizes,
            new Period(first.minusDays(Cancelling.LONGEST), last.plusDays(Cancelling.LONGEST)));
    return Cancelling.among(alike);
  }
}
