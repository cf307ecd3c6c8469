package org.sumbrel.server.settle;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.Companies;

/** Looks settlements up. */
@Service
@Transactional(readOnly = true)
class SettlementReader {

  private final SettlementRepository settlements;
  private final SettlementViews views;
  private final Companies companies;

  SettlementReader(SettlementRepository settlements, SettlementViews views, Companies companies) {
    this.settlements = settlements;
    this.views = views;
    this.companies = companies;
  }

  SettlementView one(Long id) {
    return views.of(List.of(found(id))).get(0);
  }

  Long companyOf(Long id) {
    return found(id).companyId();
  }

  Page<SettlementView> list(Long company, Long customer, String q, String cursor, int limit) {
    var size = Page.limit(limit);
    var found =
        settlements.page(
            companies.company(company).id(),
            customer == null ? 0 : customer,
            q.strip(),
            Page.cursor(cursor, Long.MAX_VALUE),
            Limit.of(size + 1));
    var page = Page.of(found, size, s -> s, s -> s.id().toString());
    return new Page<>(views.of(page.rows()), page.next());
  }

  /** All that ever happened to an item, oldest first. */
  List<SettlementView> ofItem(Long itemId) {
    return views.of(settlements.ofItem(itemId));
  }

  private SettlementEntity found(Long id) {
    return settlements.findById(id).orElseThrow(() -> new NotThere("settlement", id));
  }
}
