package org.sumbrel.server.intake;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.server.api.MoneyView;

/**
 * What an intake brought and is there now: entries of statements, invoices and credit notes,
 * remittance advice.
 */
@Component
class IntakeRecords {

  private final JdbcClient jdbc;

  IntakeRecords(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * One record.
   *
   * @param title the payer, or the number of an item
   * @param text the bank's words, or whose item it is
   * @param state what became of it: the entry's status, or OPEN, PARTLY_OPEN or SETTLED for an
   *     item, LOOSE or TIED for an advice
   */
  record Row(
      Long id,
      String kind,
      LocalDate day,
      String title,
      String text,
      MoneyView amount,
      String state) {}

  /** Of very many that are known, so many are kept track of. */
  static final int MOST_KNOWN = 500;

  /**
   * A record that was known already.
   *
   * @param broughtBy the intake that brought it; null where it was written here
   */
  record KnownRow(Row record, Long broughtBy, String fileName) {}

  /** Keeps which entries of the intake were known. */
  void knewEntries(Long intakeId, Collection<Long> entries) {
    knew(intakeId, "ENTRY", entries);
  }

  /** Keeps which invoices and credit notes of the intake were known. */
  void knewItems(Long intakeId, Collection<Long> items) {
    knew(intakeId, "ITEM", items);
  }

  private void knew(Long intakeId, String kind, Collection<Long> records) {
    long kept =
        jdbc.sql("select count(*) from intake_known where intake_id = :intake")
            .param("intake", intakeId)
            .query(Long.class)
            .single();
    records.stream()
        .distinct()
        .limit(Math.max(0, MOST_KNOWN - kept))
        .forEach(
            record ->
                jdbc.sql(
                        "merge into intake_known (intake_id, kind, record_id) key (intake_id, kind, record_id) values (:intake, :kind, :record)")
                    .param("intake", intakeId)
                    .param("kind", kind)
                    .param("record", record)
                    .update());
  }

  /** What was known, the first of it, with the file that brought it. */
  List<KnownRow> known(Long intakeId) {
    return jdbc.sql(
            """
            select e.id, 'ENTRY' as kind, e.booked_on as record_day, e.payer_name as title, substring(e.remittance, 1, 300) as said,
              e.currency, e.amount_minor, e.status as state, e.intake_id as brought_by, i.file_name
            from intake_known k join bank_entry e on e.id = k.record_id join intake i on i.id = e.intake_id
            where k.intake_id = :intake and k.kind = 'ENTRY'
            union all
            select o.id, o.kind, o.issued_on, o.number, c.name, o.currency, o.total_minor,
              case when o.open_minor = 0 then 'SETTLED' when o.open_minor = o.total_minor then 'OPEN' else 'PARTLY_OPEN' end,
              o.intake_id, i.file_name
            from intake_known k join open_item o on o.id = k.record_id join customer c on c.id = o.customer_id
              left join intake i on i.id = o.intake_id
            where k.intake_id = :intake and k.kind = 'ITEM'
            order by 1
            """)
        .param("intake", intakeId)
        .query(
            (row, n) ->
                new KnownRow(
                    read(row), row.getObject("brought_by", Long.class), row.getString("file_name")))
        .list();
  }

  private static Row read(ResultSet row) throws SQLException {
    return new Row(
        row.getLong("id"),
        row.getString("kind"),
        row.getObject("record_day", LocalDate.class),
        row.getString("title"),
        row.getString("said"),
        MoneyView.ofMinor(row.getString("currency"), row.getLong("amount_minor")),
        row.getString("state"));
  }

  List<Row> of(Long intakeId, long after, int limit) {
    return jdbc.sql(
            """
            select id, 'ENTRY' as kind, booked_on as record_day, payer_name as title, substring(remittance, 1, 300) as said,
              currency, amount_minor, status as state from bank_entry where intake_id = :intake and id > :after
            union all
            select i.id, i.kind, i.issued_on, i.number, c.name, i.currency, i.total_minor,
              case when i.open_minor = 0 then 'SETTLED' when i.open_minor = i.total_minor then 'OPEN' else 'PARTLY_OPEN' end
            from open_item i join customer c on c.id = i.customer_id where i.intake_id = :intake and i.id > :after
            union all
            select a.id, 'ADVICE', a.paid_on, a.payer_name, a.trace, a.currency, a.total_minor,
              case when a.entry_id is null then 'LOOSE' else 'TIED' end
            from remittance_advice a where a.intake_id = :intake and a.id > :after and (a.tied_by is null or a.tied_by <> 'FILE')
            order by 1 limit :most
            """)
        .param("intake", intakeId)
        .param("after", after)
        .param("most", limit)
        .query((row, n) -> read(row))
        .list();
  }
}
