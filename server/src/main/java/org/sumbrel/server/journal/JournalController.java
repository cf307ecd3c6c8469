package org.sumbrel.server.journal;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.LedgerAccountEntity;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.journal.JournalSources.JournalSource;

/** The journal. */
@RestController
@Tag(name = "journal")
@Transactional(readOnly = true)
public class JournalController {

  private final JournalEntryRepository entries;
  private final Companies companies;
  private final Charts charts;
  private final Customers customers;
  private final JournalSources sources;

  JournalController(
      JournalEntryRepository entries,
      Companies companies,
      Charts charts,
      Customers customers,
      JournalSources sources) {
    this.entries = entries;
    this.companies = companies;
    this.charts = charts;
    this.customers = customers;
    this.sources = sources;
  }

  /** One line: either a debit or a credit. */
  @Schema(name = "JournalLineView")
  public record LineView(
      @NotNull String code,
      @NotNull String account,
      Long customerId,
      String customer,
      MoneyView debit,
      MoneyView credit,
      @Schema(
              description =
                  "what it is worth in the currency of the books, positive; null where it is in that, or no rate is known")
          MoneyView worth) {}

  record JournalEntryView(
      @NotNull Long id,
      @NotNull LocalDate bookedOn,
      @Schema(description = "the day that it is of, where that was closed already; else null")
          LocalDate ofDay,
      @NotNull String text,
      @NotNull String writtenBy,
      @NotNull Instant writtenAt,
      Long reverses,
      @Schema(description = "of what it was written, where that is one thing") JournalSource source,
      @NotNull List<LineView> lines) {}

  @GetMapping("/api/journal-entries")
  @Operation(summary = "Journal entries, newest first")
  Page<JournalEntryView> list(
      @RequestParam(required = false) Long company,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var size = Page.limit(limit);
    var owner = companies.company(company);
    var chart = charts.of(owner.id());
    var found =
        entries.page(
            owner.id(), q.strip(), Page.cursor(cursor, Long.MAX_VALUE), Limit.of(size + 1));
    var names = customers.names(customerIds(found));
    var from = sources.of(found.stream().map(JournalEntryEntity::id).toList());
    return Page.of(
        found, size, e -> view(e, from, chart, names, owner.currency()), e -> e.id().toString());
  }

  @GetMapping("/api/journal-entries/{id}")
  @Operation(summary = "One journal entry with its lines")
  JournalEntryView one(@PathVariable Long id) {
    var entry = entries.findById(id).orElseThrow(() -> new NotThere("journal entry", id));
    return view(
        entry,
        sources.of(List.of(id)),
        charts.of(entry.companyId()),
        customers.names(customerIds(List.of(entry))),
        companies.company(entry.companyId()).currency());
  }

  static Set<Long> customerIds(Collection<JournalEntryEntity> entries) {
    return entries.stream()
        .flatMap(e -> e.lines().stream())
        .map(JournalLineEntity::customerId)
        .filter(Objects::nonNull)
        .collect(Collectors.toSet());
  }

  private static JournalEntryView view(
      JournalEntryEntity entry,
      Map<Long, JournalSource> from,
      Map<Long, LedgerAccountEntity> chart,
      Map<Long, String> customers,
      String books) {
    return new JournalEntryView(
        entry.id(),
        entry.bookedOn(),
        entry.ofDay(),
        entry.text(),
        entry.writtenBy(),
        entry.writtenAt(),
        entry.reversesId(),
        from.get(entry.id()),
        lines(entry, chart, customers, books));
  }

  static List<LineView> lines(
      JournalEntryEntity entry,
      Map<Long, LedgerAccountEntity> chart,
      Map<Long, String> customers,
      String books) {
    return entry.lines().stream()
        .map(
            l -> {
              var account = chart.get(l.ledgerAccountId());
              var size = MoneyView.ofMinor(l.currency(), Math.abs(l.amountMinor()));
              // a line that corrects a worth has no amount, and stands on the side of its worth
              var side = l.amountMinor() != 0 ? l.amountMinor() : l.worthMinor();
              return new LineView(
                  account.code(),
                  account.name(),
                  l.customerId(),
                  customers.get(l.customerId()),
                  side > 0 ? size : null,
                  side < 0 ? size : null,
                  l.worthMinor() == null
                      ? null
                      : MoneyView.ofMinor(books, Math.abs(l.worthMinor())));
            })
        .toList();
  }
}
