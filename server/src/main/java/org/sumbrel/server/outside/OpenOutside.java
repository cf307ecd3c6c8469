package org.sumbrel.server.outside;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What made-up customers may pay: what is open, and what none of the stand-ins has paid before. */
@Component
@Transactional(readOnly = true)
class OpenOutside {

  private final JdbcClient jdbc;

  OpenOutside(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The oldest of it. */
  List<Owed> of(Long companyId, CurrencyUnit currency, int most) {
    return jdbc.sql(
            """
            select i.customer_id, c.name, i.number, i.order_reference, i.open_minor
            from open_item i join customer c on c.id = i.customer_id
            where i.company_id = :company and i.kind = 'INVOICE' and i.open_minor > 0 and i.currency = :currency
              and not exists (select 1 from simulated_envelope s where s.company_id = :company and locate(i.number, s.pays) > 0)
              and not exists (select 1 from simulated_delivery d where d.company_id = :company
                and (locate(i.number, d.content) > 0 or i.order_reference <> '' and locate(i.order_reference, d.content) > 0))
            order by i.due_on, i.id limit :most
            """)
        .param("company", companyId)
        .param("currency", currency.getCode())
        .param("most", most)
        .query(
            (row, n) ->
                new Owed(
                    row.getLong("customer_id"),
                    row.getString("name"),
                    row.getString("number"),
                    row.getString("order_reference"),
                    Money.ofMinor(currency, row.getLong("open_minor"))))
        .list();
  }
}
