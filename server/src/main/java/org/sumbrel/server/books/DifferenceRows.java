package org.sumbrel.server.books;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads every difference that a settlement explained and that stands. */
@Component
@Transactional(readOnly = true)
public class DifferenceRows {

  private final JdbcClient jdbc;

  DifferenceRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * A difference.
   *
   * @param on the day for which it is booked
   * @param customerId whose item it was about; null where it was about none
   * @param amount what it kept from us; negative where it was in our favour
   */
  public record Difference(
      Long settlementId,
      LocalDate on,
      DifferenceKind kind,
      Long customerId,
      String words,
      Money amount) {}

  /** Booked between two days, the latest first. */
  public List<Difference> between(
      Long company, CurrencyUnit currency, LocalDate from, LocalDate until) {
    return jdbc.sql(
            """
            select d.*, coalesce(case when s.company_id = :company then coalesce(s.on_account_customer_id, s.account_of_id) end,
                (select min(i.customer_id) from settlement_application a join open_item i on i.id = a.item_id where a.settlement_id = s.id and a.company_id = :company)) as customer_id,
              j.booked_on, coalesce(e.payer_name, '') as payer
            from journal_entry j join settlement s on s.journal_entry_id = j.id join (
              select settlement_id, kind, amount_minor, currency, company_id, coalesce(text, '') as words from settlement_adjustment
                where kind not in ('TO_ACCOUNT', 'REFUND')
              union all
              select a.settlement_id, 'EARLY_DISCOUNT', a.discount_minor, a.currency, a.company_id, i.number from settlement_application a
                join open_item i on i.id = a.item_id where a.discount_minor <> 0
            ) d on d.settlement_id = s.id left join bank_entry e on e.id = s.entry_id
            where d.company_id = :company and d.currency = :currency and s.status = 'POSTED' and j.booked_on between :first and :last
            order by j.booked_on desc, s.id desc
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .param("first", from)
        .param("last", until)
        .query(
            (row, n) ->
                new Difference(
                    row.getLong("settlement_id"),
                    row.getObject("booked_on", LocalDate.class),
                    DifferenceKind.valueOf(row.getString("kind")),
                    row.getObject("customer_id", Long.class),
                    row.getString("words").isEmpty()
                        ? row.getString("payer")
                        : row.getString("words"),
                    Money.ofMinor(currency, row.getLong("amount_minor"))))
        .list();
  }
}
