package org.sumbrel.server.learning;

import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.server.companies.CompanyPolicies;

/** How often the first explanation was what people posted, on the company's own money. */
@Service
@Transactional(readOnly = true)
class Score {

  /** Upper ends of the groups of probabilities that are held against how often they were right. */
  private static final double[] GROUPS = {0.5, 0.7, 0.8, 0.9, 0.95, 0.99, 0.995, 1};

  private final JdbcClient jdbc;
  private final CompanyPolicies policies;
  private final Rehearsals rehearsals;
  private final Clock clock;

  Score(JdbcClient jdbc, CompanyPolicies policies, Rehearsals rehearsals, Clock clock) {
    this.jdbc = jdbc;
    this.policies = policies;
    this.rehearsals = rehearsals;
    this.clock = clock;
  }

  /** One receipt: what stood there first, and whether it was right. */
  private record Case(
      LocalDate on, Standing standing, double probability, String evidence, boolean right) {}

  /** How many receipts, of how many the first explanation was right, and so of the clear ones. */
  record Tally(
      @NotNull int receipts, @NotNull int right, @NotNull int clear, @NotNull int clearRight) {

    private static Tally of(List<Case> cases) {
      var clear = cases.stream().filter(c -> c.standing() == Standing.CLEAR).toList();
      return new Tally(
          cases.size(),
          (int) cases.stream().filter(Case::right).count(),
          clear.size(),
          (int) clear.stream().filter(Case::right).count());
    }
  }

  /** The receipts posted in a week that begins on a Monday. */
  record Week(@NotNull LocalDate from, @NotNull Tally tally) {}

  /** The receipts whose first explanation rested most on one kind of evidence. */
  record Kind(@NotNull String code, @NotNull Tally tally) {}

  /**
   * The receipts whose first explanation was given a probability within a group.
   *
   * @param said the mean of what was given
   * @param right how many of them were right
   */
  record Reliability(
      @NotNull double from,
      @NotNull double to,
      @NotNull int receipts,
      @NotNull double said,
      @NotNull int right) {}

  /**
   * All of it.
   *
   * @param rehearsed whether it is what would have been thought, rather than what stood there
   */
  record Scored(
      @NotNull boolean rehearsed,
      @NotNull int days,
      @NotNull Tally all,
      @NotNull List<Week> weeks,
      @NotNull List<Kind> kinds,
      @NotNull List<Reliability> reliability) {}

  /** What stood there when people posted, in the last days. */
  Scored posted(Long company, CurrencyUnit currency) {
    var cases =
        jdbc.sql(
                """
                select posted_on, proposed_standing, proposed_probability, proposed_evidence, proposed_right from settlement
                where company_id = :company and currency = :currency and status = 'POSTED' and entry_id is not null
                  and proposed_standing is not null and posted_on >= :since and replaces_id is null order by id
                """)
            .param("company", company)
            .param("currency", currency.getCode())
            .param("since", LocalDate.now(clock).minusDays(Rehearsals.DAYS_BACK))
            .query(
                (row, n) ->
                    new Case(
                        row.getObject("posted_on", LocalDate.class),
                        Standing.valueOf(row.getString("proposed_standing")),
                        row.getDouble("proposed_probability"),
                        row.getString("proposed_evidence"),
                        row.getBoolean("proposed_right")))
            .list();
    return scored(false, cases);
  }

  /** What would have been thought of the money of the last days, by its booking day. */
  Scored rehearsed(Long company, CurrencyUnit currency) {
    var policy = policies.of(company, currency);
    var past = rehearsals.past(company, currency, policy);
    var thoughts = past.under(policy);
    var cases = new ArrayList<Case>();
    for (var n = 0; n < thoughts.size(); n++) {
      var thought = thoughts.get(n);
      cases.add(
          new Case(
              past.posted().get(n).receipt().receivedOn(),
              thought.standing(),
              thought.probability(),
              thought.evidence(),
              thought.right()));
    }
    return scored(true, cases);
  }

  private static Scored scored(boolean rehearsed, List<Case> cases) {
    var weeks =
        grouped(
            cases, c -> c.on().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)), Week::new);
    var kinds = grouped(cases, Case::evidence, Kind::new);
    kinds.sort(Comparator.comparingInt((Kind k) -> k.tally().receipts()).reversed());
    return new Scored(
        rehearsed, Rehearsals.DAYS_BACK, Tally.of(cases), weeks, kinds, reliability(cases));
  }

  private interface Made<K, G> {
    G of(K key, Tally tally);
  }

  private static <K extends Comparable<? super K>, G> List<G> grouped(
      List<Case> cases, Function<Case, K> key, Made<K, G> made) {
    var groups = new TreeMap<K, List<Case>>();
    cases.forEach(c -> groups.computeIfAbsent(key.apply(c), k -> new ArrayList<>()).add(c));
    var all = new ArrayList<G>();
    groups.forEach((k, some) -> all.add(made.of(k, Tally.of(some))));
    return all;
  }

  private static List<Reliability> reliability(List<Case> cases) {
    var groups = new ArrayList<Reliability>();
    var from = 0.0;
    for (var to : GROUPS) {
      var low = from;
      var some =
          cases.stream().filter(c -> c.probability() > low && c.probability() <= to).toList();
      if (!some.isEmpty()) {
        groups.add(
            new Reliability(
                low,
                to,
                some.size(),
                some.stream().mapToDouble(Case::probability).average().orElseThrow(),
                (int) some.stream().filter(Case::right).count()));
      }
      from = to;
    }
    return groups;
  }
}
