package org.sumbrel.server.rates;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.simple.JdbcClient.StatementSpec;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.rates.RateController.PairView;
import org.sumbrel.server.rates.RateController.RateView;
import org.sumbrel.server.rates.RateEntity.Origin;

/** Reads rates for lists and files. */
@Component
class RateRows {

  private static final String WHICH =
      """
       from exchange_rate r left join intake i on i.id = r.intake_id
      where r.rate_on between :first and :last and (:from = '' or r.from_currency = :from) and (:to = '' or r.to_currency = :to)
      """;

  private final JdbcClient jdbc;

  RateRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * Which rates are asked for.
   *
   * @param from the first currency, or null for any
   * @param to the second, or null for any
   * @param since the first day, or null
   * @param until the last day, or null
   */
  record Which(
      @Schema(description = "the currency of which one unit is quoted") String from,
      @Schema(description = "the currency in which it is quoted") String to,
      LocalDate since,
      LocalDate until) {}

  private StatementSpec asked(String sql, Which which) {
    var period = new Period(which.since(), which.until());
    return jdbc.sql(sql)
        .param("first", period.first())
        .param("last", period.last())
        .param("from", which.from() == null ? "" : which.from())
        .param("to", which.to() == null ? "" : which.to());
  }

  /** The latest first; behind the cursor, which is a day and an id. */
  List<RateView> of(Which which, String cursor, int most) {
    var behind = Behind.read(cursor);
    return asked(
            "select r.id, r.rate_on, r.from_currency, r.to_currency, r.per_unit, r.origin, r.reason, i.file_name, r.recorded_by, r.recorded_at, r.replaced_by_id"
                + WHICH
                + " and (r.rate_on < :behind or r.rate_on = :behind and r.id < :behindId)"
                + " order by r.rate_on desc, r.id desc limit :most",
            which)
        .param("behind", behind.on())
        .param("behindId", behind.id())
        .param("most", most)
        .query((row, n) -> view(row))
        .list();
  }

  private record Behind(LocalDate on, long id) {
    static Behind read(String cursor) {
      if (cursor == null || cursor.isBlank()) {
        return new Behind(LocalDate.of(9999, 12, 31), Long.MAX_VALUE);
      }
      var parts = cursor.split(",");
      try {
        return new Behind(LocalDate.parse(parts[0]), Long.parseLong(parts[1]));
      } catch (RuntimeException e) {
        throw new BadRequest("\"" + cursor + "\" is not a cursor that this list gave.");
      }
    }
  }

  private static RateView view(ResultSet row) throws SQLException {
    var file = row.getString("file_name");
    return new RateView(
        row.getLong("id"),
        row.getObject("rate_on", LocalDate.class),
        row.getString("from_currency"),
        row.getString("to_currency"),
        Rates.text(row.getBigDecimal("per_unit")),
        Origin.valueOf(row.getString("origin")),
        row.getString("reason"),
        file == null ? "" : file,
        row.getString("recorded_by"),
        row.getObject("recorded_at", OffsetDateTime.class).toInstant(),
        row.getObject("replaced_by_id") != null);
  }

  /** Those that count, the first day first. */
  List<Quote> quotes(Which which) {
    return asked(
            "select r.rate_on, r.from_currency, r.to_currency, r.per_unit"
                + WHICH
                + " and r.replaced_by_id is null order by r.rate_on, r.from_currency, r.to_currency",
            which)
        .query(
            (row, n) ->
                new Quote(
                    row.getObject("rate_on", LocalDate.class),
                    new Rate(
                        CurrencyUnit.of(row.getString("from_currency")),
                        CurrencyUnit.of(row.getString("to_currency")),
                        row.getBigDecimal("per_unit").stripTrailingZeros())))
        .list();
  }

  List<PairView> pairs() {
    return jdbc.sql(
            """
            select a.from_currency, a.to_currency, a.days, a.latest, r.per_unit
            from (select from_currency, to_currency, count(*) as days, max(rate_on) as latest from exchange_rate
                  where replaced_by_id is null group by from_currency, to_currency) a
              join exchange_rate r on r.from_currency = a.from_currency and r.to_currency = a.to_currency
                and r.rate_on = a.latest and r.replaced_by_id is null
            order by a.from_currency, a.to_currency
            """)
        .query(
            (row, n) ->
                new PairView(
                    row.getString("from_currency"),
                    row.getString("to_currency"),
                    row.getLong("days"),
                    row.getObject("latest", LocalDate.class),
                    Rates.text(row.getBigDecimal("per_unit"))))
        .list();
  }
}
