package org.sumbrel.server.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.server.api.MoneyView;

/** What became of the entries that intakes brought, counted from the entries as they stand now. */
@Component
class IntakeProgress {

  private final JdbcClient jdbc;

  IntakeProgress(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By intake and status. */
  Map<Long, Map<String, List<IntakeViews.Part>>> of(Collection<Long> intakes) {
    var parts = new HashMap<Long, Map<String, List<IntakeViews.Part>>>();
    if (intakes.isEmpty()) {
      return parts;
    }
    jdbc.sql(
            """
            select intake_id, status, currency, count(*) as entries, sum(amount_minor) as minor
            from bank_entry where intake_id in (:intakes)
            group by intake_id, status, currency order by intake_id, status, currency
            """)
        .param("intakes", intakes)
        .query(
            row -> {
              var currency = row.getString("currency");
              parts
                  .computeIfAbsent(row.getLong("intake_id"), i -> new HashMap<>())
                  .computeIfAbsent(row.getString("status"), s -> new ArrayList<>())
                  .add(
                      new IntakeViews.Part(
                          currency,
                          row.getLong("entries"),
                          MoneyView.ofMinor(currency, row.getLong("minor"))));
            });
    return parts;
  }
}
