package org.sumbrel.server.intake;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.intake.AdviceTie;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Problem;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.remittance.Advices;
import org.sumbrel.server.remittance.TiedBy;

/** Takes remittance advice in, and finds its money, whichever comes first. */
@Component
class AdviceIntake {

  /** Money older than that is not looked through for a trace. */
  private static final int DAYS_BACK = 120;

  private static final int LONGEST_TEXT = 200;

  private final Advices advices;
  private final Proposals proposals;
  private final JdbcClient jdbc;

  AdviceIntake(Advices advices, Proposals proposals, JdbcClient jdbc) {
    this.advices = advices;
    this.proposals = proposals;
    this.jdbc = jdbc;
  }

  /** Keeps those that are new; an advice that comes again changes nothing. */
  Outcome take(CompanyEntity company, Long intakeId, List<RemittanceAdvice> all) throws BrokenFile {
    for (var advice : all) {
      if (advice.trace().length() > LONGEST_TEXT || advice.payerName().length() > LONGEST_TEXT) {
        throw new BrokenFile(
            List.of(
                new Problem(
                    0,
                    "a trace or a payer's name is longer than " + LONGEST_TEXT + " characters")));
      }
    }
    var fresh = all.stream().filter(a -> !advices.knows(company.id(), a)).distinct().toList();
    advices.add(company.id(), intakeId, fresh);
    return new Outcome(all.size(), fresh.size(), all.size() - fresh.size(), 0, List.of());
  }

  /** Ties what belongs together beyond doubt; says what was tied, as sentences. */
  List<String> tie(CompanyEntity company, Long intakeId) {
    var loose = advices.loose(company.id());
    if (loose.isEmpty()) {
      return List.of();
    }
    var found = new LinkedHashMap<Long, AdviceTie.Arrived>();
    for (var kept : loose) {
      arrived(kept).forEach(a -> found.putIfAbsent(a.key(), a));
    }
    var ties =
        AdviceTie.of(
            loose.stream()
                .map(
                    k ->
                        new AdviceTie.Advice(
                            k.id(),
                            k.advice().trace(),
                            k.day(),
                            k.advice().date().isPresent(),
                            k.advice().total(),
                            k.advice().payerName()))
                .toList(),
            found.values());
    ties.forEach(t -> advices.tie(t.advice(), t.entry(), TiedBy.valueOf(t.by().name())));
    if (!ties.isEmpty()) {
      proposals.mark(company.id());
    }
    return said(loose, ties, intakeId);
  }

  private static List<String> said(
      List<Advices.Kept> loose, List<AdviceTie.Tie> ties, Long intakeId) {
    var said = new ArrayList<String>();
    if (!ties.isEmpty()) {
      said.add(
          ties.size() == 1
              ? "1 remittance advice has found its money"
              : ties.size() + " remittance advices have found their money");
    }
    var tied = ties.stream().map(AdviceTie.Tie::advice).collect(Collectors.toSet());
    var waiting =
        loose.stream().filter(k -> k.intakeId().equals(intakeId) && !tied.contains(k.id())).count();
    if (waiting > 0) {
      said.add(
          waiting == 1
              ? "1 remittance advice waits for its money"
              : waiting + " remittance advices wait for their money");
    }
    return said;
  }

  /** The money an advice may be about: of its amount, or with its trace in what the bank says. */
  private List<AdviceTie.Arrived> arrived(Advices.Kept kept) {
    var trace = kept.advice().trace();
    return jdbc.sql(
            """
            select id, booked_on, currency, amount_minor, payer_name, remittance || ' ' || bank_reference || ' ' || check_number as said,
              status
            from bank_entry e
            where company_id = :company and status in ('WAITING', 'SETTLED') and amount_minor > 0 and currency = :currency
              and booked_on between :from and :until
              and (amount_minor = :total or :trace <> '' and (locate(:trace, upper(remittance)) > 0 or locate(:trace, upper(bank_reference)) > 0))
              and not exists (select 1 from remittance_advice a where a.entry_id = e.id)
            """)
        .params(
            Map.of(
                "company", kept.companyId(),
                "currency", kept.advice().total().getCurrencyUnit().getCode(),
                "from", kept.day().minusDays(DAYS_BACK),
                "until", kept.day().plusDays(DAYS_BACK),
                "total", kept.advice().total().getAmountMinorLong(),
                "trace", trace.toUpperCase(Locale.ROOT)))
        .query(
            (row, n) ->
                new AdviceTie.Arrived(
                    row.getLong("id"),
                    row.getObject("booked_on", LocalDate.class),
                    Money.ofMinor(
                        CurrencyUnit.of(row.getString("currency")), row.getLong("amount_minor")),
                    row.getString("payer_name"),
                    row.getString("said"),
                    row.getString("status").equals("WAITING")))
        .list();
  }
}
