package org.sumbrel.server.customers;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.receivables.CustomerStatement.Movement;

/**
 * Everything that ever moved on customers' accounts, from the journal: so that the balance is what
 * the books say.
 */
@Service
@Transactional(readOnly = true)
class AccountMovements {

  private static final List<String> CONTROLS =
      List.of(AccountRole.values()).stream()
          .filter(AccountRole::byCustomer)
          .map(AccountRole::name)
          .toList();

  private final JdbcClient jdbc;

  AccountMovements(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The movements of these customers in one currency, in the order in which they were written. */
  List<Movement> of(Collection<Long> customers, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select e.booked_on as received_on, j.booked_on as written_on, j.text, coalesce(s.id, r.id) as settlement_id,
              sum(l.amount_minor) as minor
            from journal_line l join journal_entry j on j.id = l.journal_entry_id
              join ledger_account a on a.id = l.ledger_account_id
              left join settlement s on s.journal_entry_id = j.id left join bank_entry e on e.id = s.entry_id
              left join settlement r on r.reversal_entry_id = j.id
            where l.customer_id in (:customers) and l.currency = :currency and a.role in (:controls)
            group by j.id, e.booked_on, j.booked_on, j.text, s.id, r.id having sum(l.amount_minor) <> 0 order by j.id
            """)
        .param("customers", customers)
        .param("currency", currency.getCode())
        .param("controls", CONTROLS)
        .query(
            (row, n) ->
                Movement.of(
                    row.getObject("received_on", LocalDate.class),
                    row.getObject("written_on", LocalDate.class),
                    row.getString("text"),
                    Money.ofMinor(currency, row.getLong("minor")),
                    row.getObject("settlement_id", Long.class)))
        .list();
  }
}
