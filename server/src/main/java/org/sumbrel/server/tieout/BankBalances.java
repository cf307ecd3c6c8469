package org.sumbrel.server.tieout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.tieout.GapLeads.Figure;
import org.sumbrel.core.tieout.GapLeads.Place;
import org.sumbrel.server.companies.BankAccountEntity;

/** What the statements that were taken in say stands on an account. */
@Component
@Transactional(readOnly = true)
class BankBalances {

  private static final int MOST = 24;

  private final JdbcClient jdbc;

  BankBalances(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** What stood there at the end of a day. */
  record Balance(LocalDate on, Money amount) {}

  /** The closing balances of an account, the latest first; of two of a day the one told last. */
  List<Balance> closing(BankAccountEntity account) {
    return jdbc.sql(
            """
            select s.closing_on, s.closing_minor from statement s
            where s.id in (select max(t.id) from statement t where t.bank_account_id = :account and t.currency = :currency
              and t.closing_minor is not null and t.closing_on is not null group by t.closing_on)
            order by s.closing_on desc limit :most
            """)
        .param("account", account.id())
        .param("currency", account.currency())
        .param("most", MOST)
        .query((row, n) -> balance(account, row.getObject(1, LocalDate.class), row.getLong(2)))
        .list();
  }

  private static Balance balance(BankAccountEntity account, LocalDate on, long minor) {
    return new Balance(on, Money.ofMinor(CurrencyUnit.of(account.currency()), minor));
  }

  /**
   * What no statement tells of: where one opens with another balance than the one before closed
   * with, the money between the two.
   */
  List<Figure> untold(BankAccountEntity account, LocalDate asOf) {
    record Told(LocalDate on, long opening, long closing) {}
    var statements =
        jdbc.sql(
                """
                select opening_minor, closing_on, closing_minor from statement
                where bank_account_id = :account and currency = :currency and opening_minor is not null
                  and closing_minor is not null and closing_on <= :as_of order by closing_on, id
                """)
            .param("account", account.id())
            .param("currency", account.currency())
            .param("as_of", asOf)
            .query(
                (row, n) ->
                    new Told(
                        row.getObject("closing_on", LocalDate.class),
                        row.getLong("opening_minor"),
                        row.getLong("closing_minor")))
            .list();
    var untold = new ArrayList<Figure>();
    if (account.openingOn() == null) {
      return untold;
    }
    var before = balance(account, account.openingOn(), account.opening().getAmountMinorLong());
    for (var told : statements) {
      if (!told.on().isAfter(before.on())) {
        continue;
      }
      var missing = told.opening() - before.amount().getAmountMinorLong();
      if (missing != 0) {
        untold.add(
            new Figure(
                Place.UNCOUNTED,
                "statement-" + told.on(),
                told.on(),
                "A statement between " + DayText.of(before.on()) + " and " + DayText.of(told.on()),
                balance(account, told.on(), missing).amount()));
      }
      before = balance(account, told.on(), told.closing());
    }
    return untold;
  }

  /**
   * What must have stood there before the first entry that is known: the first closing balance less
   * all entries up to its day.
   */
  Optional<Balance> beforeAll(BankAccountEntity account) {
    return jdbc.sql(
            """
            select min(e.booked_on) as first_on,
              max(c.closing_minor) - sum(case when e.booked_on <= c.closing_on then e.amount_minor else 0 end) as minor
            from bank_entry e cross join (
              select closing_on, closing_minor from statement where bank_account_id = :account and currency = :currency
                and closing_minor is not null order by closing_on, id desc limit 1
            ) c where e.bank_account_id = :account and e.status not in ('PENDING', 'WITHDRAWN')
            """)
        .param("account", account.id())
        .param("currency", account.currency())
        .query(
            (row, n) -> {
              var first = row.getObject("first_on", LocalDate.class);
              return first == null
                  ? Optional.<Balance>empty()
                  : Optional.of(balance(account, first.minusDays(1), row.getLong("minor")));
            })
        .single();
  }
}
