package org.sumbrel.server.journal;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.Findables;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.find.Sketch;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.changes.Shelf;

/** Journal entries that fit a search line, by number, text, day or any of their amounts. */
@Component
public class JournalSearch {

  private static final String LINES =
      """
      select e.id, e.company_id, e.booked_on, e.text, l.currency, abs(l.amount_minor) as minor
      from journal_entry e join journal_line l on l.journal_entry_id = e.id
      """;

  private final Shelf<Row> shelf;

  JournalSearch(JdbcClient jdbc, RowChanges changes) {
    this.shelf =
        new Shelf<>(
            changes,
            "journal_entry",
            Row::id,
            Comparator.comparing(Row::id).reversed(),
            new Shelf.Source<>() {
              @Override
              public List<Row> all() {
                var reading = new Reading();
                jdbc.sql(LINES + "order by e.id, l.position").query(reading::line);
                return reading.rows();
              }

              @Override
              public List<Row> some(Collection<Long> ids) {
                var reading = new Reading();
                jdbc.sql(LINES + "where e.id in (:ids) order by e.id, l.position")
                    .param("ids", List.copyOf(ids))
                    .query(reading::line);
                return reading.rows();
              }
            });
  }

  /** An entry that was found; its largest amount stands for it. */
  public record EntryOfJournal(long id, LocalDate on, String text, Money amount) {}

  private record Row(
      long id,
      long company,
      String text,
      String references,
      long sketch,
      long[] sizes,
      CurrencyUnit currency,
      LocalDate on)
      implements Findable {

    @Override
    public String names() {
      return "";
    }

    @Override
    public String told() {
      return "";
    }

    @Override
    public int digits() {
      return currency.getDecimalPlaces();
    }

    @Override
    public PaidBy paidBy() {
      return null;
    }
  }

  /** Puts the lines of entries together. */
  private static final class Reading {

    private final List<Row> rows = new ArrayList<>();
    private final List<Long> sizes = new ArrayList<>();
    private Row head;

    void line(ResultSet row) throws SQLException {
      if (head == null || head.id() != row.getLong("id")) {
        end();
        var text = row.getString("text");
        var references = Findable.text(row.getString("id"), text);
        head =
            new Row(
                row.getLong("id"),
                row.getLong("company_id"),
                text,
                references,
                Sketch.of(references),
                null,
                CurrencyUnit.of(row.getString("currency")),
                row.getObject("booked_on", LocalDate.class));
      }
      sizes.add(row.getLong("minor"));
    }

    List<Row> rows() {
      end();
      return rows;
    }

    private void end() {
      if (head != null) {
        rows.add(
            new Row(
                head.id(),
                head.company(),
                head.text(),
                head.references(),
                head.sketch(),
                sizes.stream()
                    .distinct()
                    .sorted(Comparator.reverseOrder())
                    .mapToLong(n -> n)
                    .toArray(),
                head.currency(),
                head.on()));
      }
      sizes.clear();
      head = null;
    }
  }

  /** Entries of a company, the latest first; at most so many. */
  public List<EntryOfJournal> found(Long company, SearchLine line, int most) {
    Findables<Row> all =
        shelf
            .look()
            .arranged(
                company,
                rows ->
                    new Findables<>(rows.stream().filter(r -> r.company() == company).toList()));
    return line.inOrder(all.fitting(line)).stream()
        .limit(most)
        .map(
            r ->
                new EntryOfJournal(
                    r.id(), r.on(), r.text(), Money.ofMinor(r.currency(), r.sizes()[0])))
        .toList();
  }
}
