package org.sumbrel.server.pouch;

import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.SearchSum;

/** How many receipts are in the pouch, and of how much, for whoever shows it in passing. */
@Service
@Transactional(readOnly = true)
public class PouchTotal {

  private final JdbcClient jdbc;

  PouchTotal(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public SearchSum of(Long company, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select count(*) as receipts, coalesce(sum(amount_minor), 0) as minor from held_receipt
            where company_id = :company and currency = :currency and withdrawn_at is null and lockbox_batch_id is null
              and (deposit_id is null or deposit_id in (select d.id from deposit d where d.status = 'OPEN'))
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            (row, n) ->
                new SearchSum(currency.getCode(), row.getLong("receipts"), row.getLong("minor")))
        .single();
  }
}
