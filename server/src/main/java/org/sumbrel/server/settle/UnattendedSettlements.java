package org.sumbrel.server.settle;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;

/** What was posted without a hand, day by day, and how a day is taken back as a whole. */
@Service
public class UnattendedSettlements {

  private final Reversals reversals;
  private final JdbcClient jdbc;
  private final TransactionTemplate transaction;

  UnattendedSettlements(Reversals reversals, JdbcClient jdbc, TransactionTemplate transaction) {
    this.reversals = reversals;
    this.jdbc = jdbc;
    this.transaction = transaction;
  }

  /**
   * A day.
   *
   * @param posted how many were posted, those taken back since included
   * @param amount what they came to
   * @param standing how many of them stand
   */
  public record Day(LocalDate on, int posted, Money amount, int standing) {}

  /** The days on which something was posted so, the latest first. */
  public List<Day> days(Long company, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select posted_on, count(*) as posted, sum(received_minor) as minor,
              sum(case when status = 'POSTED' then 1 else 0 end) as standing
            from settlement where company_id = :company and origin = 'UNATTENDED' and currency = :currency
            group by posted_on order by posted_on desc
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            (row, n) ->
                new Day(
                    row.getObject("posted_on", LocalDate.class),
                    row.getInt("posted"),
                    Money.ofMinor(currency, row.getLong("minor")),
                    row.getInt("standing")))
        .list();
  }

  /** One that could not be taken back, and why. */
  public record Kept(Long settlementId, String reason) {}

  /**
   * What became of a day.
   *
   * @param reversed how many were taken back
   */
  public record Reversed(int reversed, List<Kept> kept) {}

  /**
   * Takes back all that was posted so on a day, each by itself: what others have built on since
   * stays, with the reason.
   */
  public Reversed reverse(
      Long company, CurrencyUnit currency, LocalDate day, String reason, Actor actor) {
    var ids =
        jdbc.sql(
                """
                select id from settlement where company_id = :company and origin = 'UNATTENDED' and currency = :currency
                  and posted_on = :day and status = 'POSTED' order by id desc
                """)
            .param("company", company)
            .param("currency", currency.getCode())
            .param("day", day)
            .query(Long.class)
            .list();
    var kept = new ArrayList<Kept>();
    for (var id : ids) {
      try {
        transaction.executeWithoutResult(t -> reversals.reverse(id, reason, actor));
      } catch (SettlementRefused | Conflict e) {
        kept.add(new Kept(id, e.getMessage()));
      } catch (ConcurrencyFailureException e) {
        kept.add(new Kept(id, "Somebody changed the same items just now; try it again."));
      }
    }
    return new Reversed(ids.size() - kept.size(), kept);
  }
}
