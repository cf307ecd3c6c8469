package org.sumbrel.server.intake;

import java.time.LocalDate;
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
            from remittance_advice a where a.intake_id = :intake and a.id > :after
            order by 1 limit :most
            """)
        .param("intake", intakeId)
        .param("after", after)
        .param("most", limit)
        .query(
            (row, n) ->
                new Row(
                    row.getLong("id"),
                    row.getString("kind"),
                    row.getObject("record_day", LocalDate.class),
                    row.getString("title"),
                    row.getString("said"),
                    MoneyView.ofMinor(row.getString("currency"), row.getLong("amount_minor")),
                    row.getString("state")))
        .list();
  }
}
