package org.sumbrel.server.exports;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.formats.journal.ExportedEntry;

/** The journal entries of an export, and those that wait for one. */
@Component
@Transactional(readOnly = true)
class ExportedRows {

  private final JdbcClient jdbc;

  ExportedRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Journal entries that are in no export yet. */
  record WaitingEntries(int entries, LocalDate first, LocalDate last) {}

  WaitingEntries waiting(Long company, LocalDate until) {
    return jdbc.sql(
            """
            select count(*) as entries, min(e.booked_on) as first_on, max(e.booked_on) as last_on from journal_entry e
              left join journal_export_entry x on x.journal_entry_id = e.id
            where e.company_id = :company and e.booked_on <= :until and x.export_id is null
            """)
        .param("company", company)
        .param("until", until)
        .query(
            (row, n) ->
                new WaitingEntries(
                    row.getInt("entries"),
                    row.getObject("first_on", LocalDate.class),
                    row.getObject("last_on", LocalDate.class)))
        .single();
  }

  /** Marks all that waits until a day. The key of the table lets no entry be marked twice. */
  @Transactional
  public int mark(Long export, Long company, LocalDate until) {
    return jdbc.sql(
            """
            insert into journal_export_entry (journal_entry_id, export_id)
            select e.id, :export from journal_entry e left join journal_export_entry x on x.journal_entry_id = e.id
            where e.company_id = :company and e.booked_on <= :until and x.export_id is null
            """)
        .param("export", export)
        .param("company", company)
        .param("until", until)
        .update();
  }

  /** What is done with one entry after the other. */
  interface Each {
    void entry(ExportedEntry entry) throws IOException;
  }

  /** The entries of an export in the order of their numbers, one at a time. */
  void each(Long export, Each each) throws IOException {
    var reading = new Reading(each);
    try {
      jdbc.sql(
              """
              select e.id, e.booked_on, e.of_day, e.text, e.written_by, e.written_at, e.reverses_id, a.code, a.name as account,
                coalesce(c.number, '') as customer_number, coalesce(c.name, '') as customer, l.currency, l.amount_minor,
                o.currency as books, case when l.currency = o.currency then l.amount_minor else l.worth_minor end as worth_minor
              from journal_export_entry x join journal_entry e on e.id = x.journal_entry_id
                join journal_line l on l.journal_entry_id = e.id join ledger_account a on a.id = l.ledger_account_id
                join company o on o.id = e.company_id left join customer c on c.id = l.customer_id
              where x.export_id = :export order by e.id, l.position
              """)
          .param("export", export)
          .query(
              row -> {
                reading.line(row);
              });
      reading.end();
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  /** The accounts that the entries of an export name, by code and customer. */
  List<ExportedEntry.Line> accounts(Long export) {
    return jdbc.sql(
            """
            select distinct a.code, a.name as account, coalesce(c.number, '') as customer_number, coalesce(c.name, '') as customer
            from journal_export_entry x join journal_line l on l.journal_entry_id = x.journal_entry_id
              join ledger_account a on a.id = l.ledger_account_id left join customer c on c.id = l.customer_id
            where x.export_id = :export order by a.code, customer_number
            """)
        .param("export", export)
        .query(
            (row, n) ->
                new ExportedEntry.Line(
                    row.getString("code"),
                    row.getString("account"),
                    row.getString("customer_number"),
                    row.getString("customer"),
                    Money.zero(CurrencyUnit.USD),
                    Optional.empty()))
        .list();
  }

  /** Puts lines together to entries. */
  private static final class Reading {

    private final Each each;
    private final List<ExportedEntry.Line> lines = new ArrayList<>();
    private ExportedEntry head;

    Reading(Each each) {
      this.each = each;
    }

    void line(ResultSet row) throws SQLException {
      if (head == null || head.id() != row.getLong("id")) {
        end();
        head = head(row);
      }
      var books = CurrencyUnit.of(row.getString("books"));
      lines.add(
          new ExportedEntry.Line(
              row.getString("code"),
              row.getString("account"),
              row.getString("customer_number"),
              row.getString("customer"),
              Money.ofMinor(
                  CurrencyUnit.of(row.getString("currency")), row.getLong("amount_minor")),
              Optional.ofNullable(row.getObject("worth_minor", Long.class))
                  .map(minor -> Money.ofMinor(books, minor))));
    }

    private static ExportedEntry head(ResultSet row) throws SQLException {
      return new ExportedEntry(
          row.getLong("id"),
          row.getObject("booked_on", LocalDate.class),
          Optional.ofNullable(row.getObject("of_day", LocalDate.class)),
          row.getString("text"),
          row.getString("written_by"),
          row.getObject("written_at", OffsetDateTime.class).toInstant(),
          Optional.ofNullable(row.getObject("reverses_id", Long.class)),
          List.of());
    }

    void end() {
      if (head == null) {
        return;
      }
      try {
        each.entry(head.with(lines));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      lines.clear();
      head = null;
    }
  }
}
