package org.sumbrel.server.find;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.find.Suggestions;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.api.SearchSum;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.CustomerNames;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.ItemSearch;
import org.sumbrel.server.customers.ItemSearch.Which;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.EntrySearch;
import org.sumbrel.server.settle.SettledBy;

/** One search line, alike for bank entries, open items and settled ones, over any age. */
@RestController
@Tag(name = "find")
@Transactional(readOnly = true)
class FindController {

  private static final int MOST_FITTING = 2_000;
  private static final int SUGGESTED = 4;

  private final EntrySearch entries;
  private final ItemSearch items;
  private final Customers customers;
  private final CustomerNames names;
  private final Companies companies;
  private final SettledBy settledBy;
  private final Clock clock;

  FindController(
      EntrySearch entries,
      ItemSearch items,
      Customers customers,
      CustomerNames names,
      Companies companies,
      SettledBy settledBy,
      Clock clock) {
    this.entries = entries;
    this.items = items;
    this.customers = customers;
    this.names = names;
    this.companies = companies;
    this.settledBy = settledBy;
    this.clock = clock;
  }

  /** What is looked for. */
  enum What {
    ENTRIES,
    OPEN,
    SETTLED
  }

  record SettledView(@NotNull Long settlementId, @NotNull LocalDate on, @NotNull String payer) {}

  record SearchRow(
      @NotNull Long id,
      @NotNull LocalDate on,
      @NotNull String name,
      Long customerId,
      @NotNull @Schema(description = "the item's number, or the bank's reference") String number,
      @NotNull @Schema(description = "the bank's text, or the order") String text,
      @NotNull @Schema(description = "what arrived, or the item's total") MoneyView amount,
      @Schema(description = "what is open of an item") MoneyView open,
      @Schema(description = "what became of an entry") BankEntryEntity.Status status,
      OpenItemEntity.Kind kind,
      SettledView settled,
      @Schema(description = "how far it is from the figure after gap:; negative where it is less")
          MoneyView gap) {}

  record Sum(@NotNull long count, @NotNull MoneyView amount) {}

  record SearchPage(
      @NotNull List<SearchRow> rows,
      String next,
      @NotNull @Schema(description = "all that fits, by currency; with the first page only")
          List<Sum> sums,
      @NotNull @Schema(description = "what of the line was not understood, a sentence each")
          List<String> problems) {}

  record FittingItem(
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull MoneyView open,
      @NotNull long version) {}

  record Fitting(
      @NotNull @Schema(description = "at most 2,000, in one currency") List<FittingItem> items,
      @NotNull boolean more,
      @NotNull MoneyView sum,
      @Schema(
              description =
                  "the amount they are held against less their sum: positive where they are too little")
          MoneyView gap) {}

  record SuggestionView(@NotNull String line, @NotNull String says) {}

  @GetMapping("/api/found")
  @Operation(
      summary =
          "What fits a search line: words, -word, amounts (1,204.50, 1200..1300, gap:231.90), days (2026-05-12, may, before:, after:), payer:, ref:, method:")
  SearchPage found(
      @RequestParam(required = false) Long company,
      @RequestParam What what,
      @RequestParam(required = false)
          @Parameter(description = "items of this customer and his branches only")
          Long customer,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var owner = companies.idOf(company);
    var line = SearchLine.read(q, LocalDate.now(clock));
    var near = line.near();
    var size = Page.limit(limit);
    var skip = (int) Math.min(Integer.MAX_VALUE / 2, Page.cursor(cursor, 0));
    var more = Integer.toString(skip + size);
    if (what == What.ENTRIES) {
      var found = entries.found(owner, line, skip, size + 1);
      var settled = settledBy.ofEntries(found.page().stream().map(BankEntryEntity::id).toList());
      var page = Page.of(found.page(), size, e -> row(e, near, settled.get(e.id())), e -> more);
      return new SearchPage(page.rows(), page.next(), sums(found.sums(), skip), line.problems());
    }
    var which = what == What.OPEN ? Which.OPEN : Which.SETTLED;
    var owners = customer == null ? null : customers.family(customer);
    var found = items.found(owner, owners, which, line, skip, size + 1);
    var rows = found.page();
    var settled = settledBy.ofItems(rows.stream().map(OpenItemEntity::id).toList());
    var called = customers.names(rows.stream().map(OpenItemEntity::customerId).distinct().toList());
    var page =
        Page.of(
            rows,
            size,
            i -> row(i, called.getOrDefault(i.customerId(), ""), near, settled.get(i.id())),
            i -> more);
    return new SearchPage(page.rows(), page.next(), sums(found.sums(), skip), line.problems());
  }

  private static List<Sum> sums(List<SearchSum> all, int skip) {
    return skip > 0
        ? List.of()
        : all.stream()
            .map(s -> new Sum(s.count(), MoneyView.ofMinor(s.currency(), s.amountMinor())))
            .toList();
  }

  private static SearchRow row(
      BankEntryEntity entry, Optional<BigDecimal> near, SettledBy.Settled settled) {
    return new SearchRow(
        entry.id(),
        entry.bookedOn(),
        entry.payerWords(),
        null,
        entry.checkNumber(),
        entry.remittance(),
        MoneyView.of(entry.amount()),
        null,
        entry.status(),
        null,
        view(settled),
        gap(near, entry.amount()));
  }

  private static SearchRow row(
      OpenItemEntity item, String customer, Optional<BigDecimal> near, SettledBy.Settled settled) {
    return new SearchRow(
        item.id(),
        item.issuedOn(),
        customer,
        item.customerId(),
        item.number(),
        item.orderReference(),
        MoneyView.of(item.total()),
        MoneyView.of(item.open()),
        null,
        item.kind(),
        view(settled),
        gap(near, item.open().isZero() ? item.total() : item.open()));
  }

  private static SettledView view(SettledBy.Settled settled) {
    return settled == null
        ? null
        : new SettledView(settled.settlementId(), settled.on(), settled.payer());
  }

  private static MoneyView gap(Optional<BigDecimal> near, Money amount) {
    return near.filter(figure -> figure.stripTrailingZeros().scale() <= amount.getScale())
        .map(figure -> MoneyView.of(amount.abs().minus(Money.of(amount.getCurrencyUnit(), figure))))
        .orElse(null);
  }

  @GetMapping("/api/found/open-items")
  @Operation(
      summary =
          "All open items that fit a search line, to be taken at once, with what they come to")
  Fitting fitting(
      @RequestParam(required = false) Long company,
      @RequestParam String currency,
      @RequestParam(required = false)
          @Parameter(description = "a plain decimal, such as what arrived")
          String against,
      @RequestParam(defaultValue = "") String q) {
    var unit = CurrencyUnit.of(currency);
    var line = SearchLine.read(q, LocalDate.now(clock));
    var found =
        items.found(companies.idOf(company), null, Which.OPEN, line, 0, MOST_FITTING + 1).page();
    var kept =
        found.stream()
            .limit(MOST_FITTING)
            .filter(i -> i.currency().equals(currency) && i.kind() != OpenItemEntity.Kind.REFUND)
            .toList();
    var sum = Money.total(unit, kept.stream().map(OpenItemEntity::open).toList());
    return new Fitting(
        kept.stream()
            .map(
                i ->
                    new FittingItem(
                        i.id(), i.number(), i.customerId(), MoneyView.of(i.open()), i.version()))
            .toList(),
        found.size() > MOST_FITTING,
        MoneyView.of(sum),
        against == null
            ? null
            : MoneyView.of(new MoneyView(against, currency).toMoney().minus(sum)));
  }

  @GetMapping("/api/search-suggestions")
  @Operation(summary = "How a search line that is being typed may go on")
  List<SuggestionView> suggestions(
      @RequestParam(required = false) Long company, @RequestParam(defaultValue = "") String q) {
    var word = Suggestions.lastWord(q);
    var owner = companies.idOf(company);
    var payers = lookedUp(word, w -> names.like(owner, w, SUGGESTED));
    var numbers = lookedUp(word, w -> customers.numbersLike(owner, w, SUGGESTED));
    return Suggestions.of(q, payers, numbers).stream()
        .map(s -> new SuggestionView(s.line(), s.says()))
        .toList();
  }

  /** Names and numbers are looked up for a plain word only, not for a key or a range. */
  private static List<String> lookedUp(String word, Function<String, List<String>> by) {
    return Optional.of(word)
        .filter(w -> !w.isEmpty() && w.chars().noneMatch(c -> ":\"".indexOf(c) >= 0))
        .map(by)
        .orElse(List.of());
  }
}
