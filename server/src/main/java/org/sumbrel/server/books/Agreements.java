package org.sumbrel.server.books;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.Agreement;
import org.sumbrel.server.books.ItemsAt.ItemAt;

/** Holds the items of customers against their accounts in the ledger. */
@Service
@Transactional(readOnly = true)
public class Agreements {

  private final ItemsAt items;
  private final JdbcClient jdbc;

  Agreements(ItemsAt items, JdbcClient jdbc) {
    this.items = items;
    this.jdbc = jdbc;
  }

  private record Key(String customer, AccountRole role) {}

  /**
   * Both sides of every customer's control accounts.
   *
   * @param day the last day that counts; null for all that is in the books
   */
  public Agreement of(Long company, CurrencyUnit currency, LocalDate day) {
    return of(company, currency, day, items.at(company, currency, day));
  }

  /**
   * Both sides of every customer's control accounts, where the items of that day are read already.
   */
  public Agreement of(
      Long company, CurrencyUnit currency, LocalDate day, Collection<ItemAt> standing) {
    var zero = Money.zero(currency);
    var open = new HashMap<Key, Money>();
    for (var item : standing) {
      open.merge(
          new Key(item.customerId().toString(), item.kind().role()), item.open(), Money::plus);
    }
    var books = books(company, currency, day);
    var keys = new HashSet<>(open.keySet());
    keys.addAll(books.keySet());
    var lines = new ArrayList<Agreement.Line>();
    for (var key : keys) {
      lines.add(
          new Agreement.Line(
              key.customer(),
              key.role(),
              open.getOrDefault(key, zero),
              books.getOrDefault(key, zero)));
    }
    return new Agreement(currency, lines);
  }

  private HashMap<Key, Money> books(Long company, CurrencyUnit currency, LocalDate day) {
    var books = new HashMap<Key, Money>();
    var all = day == null;
    jdbc.sql(
            """
            select l.customer_id, a.role, sum(l.amount_minor) as minor from ledger_account a
              join journal_line l on l.ledger_account_id = a.id
            """
                // where every day counts the entries need not be read, and they are many
                + (all ? "" : " join journal_entry e on e.id = l.journal_entry_id")
                + """
             where a.company_id = :company and l.customer_id is not null and l.currency = :currency
            """
                + (all ? "" : " and e.booked_on <= :day")
                + " group by l.customer_id, a.role having sum(l.amount_minor) <> 0")
        .param("company", company)
        .param("currency", currency.getCode())
        .param("day", day)
        .query(
            row -> {
              books.merge(
                  new Key(row.getString("customer_id"), AccountRole.valueOf(row.getString("role"))),
                  Money.ofMinor(currency, row.getLong("minor")),
                  Money::plus);
            });
    return books;
  }
}
