package org.sumbrel.server.customers;

import java.util.Collection;
import java.util.HashMap;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateTable;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.rates.Rates;

/**
 * With what items in other currencies stand in the books: their balance at the rate of the day on
 * which they were made, as their journal entries have it.
 */
@Component
class ItemWorths {

  private final Companies companies;
  private final Rates rates;

  ItemWorths(Companies companies, Rates rates) {
    this.companies = companies;
    this.rates = rates;
  }

  /** Values those of them for which a rate is known. */
  void value(Collection<OpenItemEntity> rows) {
    var books = new HashMap<Long, CurrencyUnit>();
    var foreign =
        rows.stream()
            .filter(
                row ->
                    !row.currency()
                        .equals(
                            books
                                .computeIfAbsent(
                                    row.companyId(),
                                    id -> CurrencyUnit.of(companies.company(id).currency()))
                                .getCode()))
            .toList();
    if (foreign.isEmpty()) {
      return;
    }
    var days = foreign.stream().map(OpenItemEntity::issuedOn).sorted().toList();
    var table = rates.tableOf(days.get(0), days.get(days.size() - 1));
    for (var row : foreign) {
      rate(table, row, books.get(row.companyId()))
          .ifPresent(rate -> row.worthIs(rate.of(row.open())));
    }
  }

  private static Optional<Rate> rate(RateTable table, OpenItemEntity row, CurrencyUnit books) {
    return table.on(CurrencyUnit.of(row.currency()), books, row.issuedOn()).map(Counting::rate);
  }
}
