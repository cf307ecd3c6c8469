package org.sumbrel.server.runs;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.propose.UnattendedRule.Arrived;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.settle.RunPosting;

/**
 * Rules for what is posted without a hand, and the runs that come of them. An entry is tried once:
 * what was refused, or taken back, is left to people.
 */
@Service
@Transactional
class UnattendedRuns {

  private final UnattendedRuleRepository rules;
  private final Runs runs;
  private final RunPosting posting;
  private final Customers customers;
  private final BankAccounts bankAccounts;
  private final JdbcClient jdbc;
  private final Clock clock;

  UnattendedRuns(
      UnattendedRuleRepository rules,
      Runs runs,
      RunPosting posting,
      Customers customers,
      BankAccounts bankAccounts,
      JdbcClient jdbc,
      Clock clock) {
    this.rules = rules;
    this.runs = runs;
    this.posting = posting;
    this.customers = customers;
    this.bankAccounts = bankAccounts;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<UnattendedRuleEntity> rules(Long company) {
    return rules.findByCompanyIdAndEndedAtIsNullOrderById(company);
  }

  /** Adds a rule for exactly one of customer, bank account and method. */
  public UnattendedRuleEntity add(
      Long company, Long customer, Long bankAccount, PaidBy method, Money upTo, Actor actor) {
    if (customer != null) {
      customers.customer(company, customer);
    }
    if (bankAccount != null) {
      bankAccounts.account(company, bankAccount);
    }
    var made =
        new UnattendedRuleEntity(
            company, customer, bankAccount, method, upTo, actor.name(), clock.instant());
    try {
      made.rule();
    } catch (IllegalArgumentException e) {
      throw new BadRequest(e.getMessage());
    }
    return rules.save(made);
  }

  /**
   * Ends a rule; what it posted stays.
   *
   * @return the company whose it was
   */
  public Long end(Long id, Actor actor) {
    var rule = rules.findByIdAndEndedAtIsNull(id).orElseThrow(() -> new NotThere("rule", id));
    rule.end(actor.name(), clock.instant());
    return rule.companyId();
  }

  /** Writes a run down for each rule that covers something that stands clear. */
  public List<Long> start(Long company) {
    var rules = rules(company);
    var left = rules.isEmpty() ? new LinkedHashMap<Long, Arrived>() : untried(company);
    return rules.stream()
        .flatMap(
            rule -> {
              var covered = rule.rule();
              var ids =
                  left.entrySet().stream()
                      .filter(e -> covered.covers(e.getValue()))
                      .map(Map.Entry::getKey)
                      .collect(Collectors.toCollection(LinkedHashSet::new));
              left.keySet().removeAll(ids);
              var prepared = posting.clearAmong(company, ids);
              return prepared.isEmpty()
                  ? Stream.<Long>empty()
                  : Stream.of(runs.write(company, prepared, null, Actor.UNATTENDED).id());
            })
        .toList();
  }

  /** What stands clear and was in no such run yet, oldest first. */
  private Map<Long, Arrived> untried(Long company) {
    var untried = new LinkedHashMap<Long, Arrived>();
    jdbc.sql(
            """
            select e.id, e.amount_minor, e.currency, e.lead_customer_id, e.bank_account_id, e.check_number, e.payer_name,
              e.remittance, e.bank_text, e.payer_account
            from bank_entry e
            where e.company_id = :company and e.status = 'WAITING' and e.standing_rank = :clear
              and not exists (select 1 from posting_run_line l join posting_run r on r.id = l.run_id
                where l.entry_id = e.id and r.started_by = :by)
            order by e.booked_on, e.id
            """)
        .param("company", company)
        .param("clear", Standing.CLEAR.ordinal())
        .param("by", Actor.UNATTENDED.name())
        .query(
            row -> {
              var told =
                  String.join(
                      "\n",
                      row.getString("payer_name"),
                      row.getString("remittance"),
                      row.getString("bank_text"),
                      row.getString("payer_account"));
              untried.put(
                  row.getLong("id"),
                  new Arrived(
                      Money.ofMinor(
                          CurrencyUnit.of(row.getString("currency")), row.getLong("amount_minor")),
                      Standing.CLEAR,
                      Optional.ofNullable(row.getString("lead_customer_id")),
                      row.getString("bank_account_id"),
                      PaidBy.of(row.getString("check_number"), told)));
            });
    return untried;
  }
}
