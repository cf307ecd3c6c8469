package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.journal.JournalController.LineView;
import org.sumbrel.server.settle.SettlementView.WrittenFor;

/** Looks settlements up. */
@Service
@Transactional(readOnly = true)
class SettlementReader {

  private final SettlementRepository settlements;
  private final SettlementViews views;
  private final Journal journal;
  private final Companies companies;
  private final SettlementSearch search;
  private final Clock clock;

  SettlementReader(
      SettlementRepository settlements,
      SettlementSearch search,
      SettlementViews views,
      Journal journal,
      Companies companies,
      Clock clock) {
    this.search = search;
    this.clock = clock;
    this.settlements = settlements;
    this.views = views;
    this.journal = journal;
    this.companies = companies;
  }

  SettlementView one(Long id) {
    var found = found(id);
    var view = views.of(List.of(found)).get(0);
    return view.with(
        lines(view.journalEntryId()),
        view.elsewhere().stream()
            .map(e -> new WrittenFor(e.company(), e.journalEntryId(), lines(e.journalEntryId())))
            .toList());
  }

  private List<LineView> lines(Long entryId) {
    return entryId == null ? null : journal.linesOf(entryId);
  }

  Long companyOf(Long id) {
    return found(id).companyId();
  }

  Page<SettlementView> list(Long company, Long customer, String q, String cursor, int limit) {
    var size = Page.limit(limit);
    var found =
        search.page(
            companies.idOf(company),
            customer,
            SearchLine.read(q, LocalDate.now(clock)),
            Page.cursor(cursor, Long.MAX_VALUE),
            size + 1);
    var page = Page.of(found, size, s -> s, s -> s.id().toString());
    return new Page<>(views.of(page.rows()), page.next());
  }

  /** All that ever happened to an item, oldest first. */
  List<SettlementView> ofItem(Long itemId) {
    return views.of(settlements.ofItem(itemId));
  }

  /** The companies whose journals it is in. */
  List<Long> companiesOf(Long id) {
    var found = found(id);
    return Stream.concat(
            Stream.of(found.companyId()),
            found.elsewhere().stream().map(SettledElsewhereEntity::companyId))
        .toList();
  }

  private SettlementEntity found(Long id) {
    return settlements.findById(id).orElseThrow(() -> new NotThere("settlement", id));
  }
}
