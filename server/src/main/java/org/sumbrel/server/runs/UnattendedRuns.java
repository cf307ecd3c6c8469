package org.sumbrel.server.runs;

import java.time.Clock;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.find.PaidBy;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Companies;
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
  private final Companies companies;
  private final JdbcClient jdbc;
  private final Clock clock;

  UnattendedRuns(
      UnattendedRuleRepository rules,
      Runs runs,
      RunPosting posting,
      Customers customers,
      Companies companies,
      JdbcClient jdbc,
      Clock clock) {
    this.rules = rules;
    this.runs = runs;
    this.posting = posting;
    this.customers = customers;
    this.companies = companies;
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
    var given =
        (customer == null ? 0 : 1) + (bankAccount == null ? 0 : 1) + (method == null ? 0 : 1);
    if (given != 1) {
      throw new BadRequest(
          "A rule is for one customer, one bank account or one method; " + given + " are given.");
    }
    if (!upTo.isPositive()) {
      throw new BadRequest(upTo + " is no amount up to which receipts could be posted.");
    }
    if (customer != null) {
      customers.customer(company, customer);
    }
    if (bankAccount != null && !companies.bankAccount(bankAccount).companyId().equals(company)) {
      throw new NotThere("bank account", bankAccount);
    }
    return rules.save(
        new UnattendedRuleEntity(
            company, customer, bankAccount, method, upTo, actor.name(), clock.instant()));
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
    var taken = new LinkedHashSet<Long>();
    return rules(company).stream()
        .flatMap(
            rule -> {
              var ids = covered(rule);
              ids.removeAll(taken);
              taken.addAll(ids);
              var prepared = posting.clearAmong(company, ids);
              return prepared.isEmpty()
                  ? Stream.<Long>empty()
                  : Stream.of(runs.write(company, prepared, null, Actor.UNATTENDED).id());
            })
        .toList();
  }

  private Set<Long> covered(UnattendedRuleEntity rule) {
    var ids = new LinkedHashSet<Long>();
    jdbc.sql(
            """
            select e.id, e.check_number, e.payer_name, e.remittance, e.bank_text, e.payer_account from bank_entry e
            where e.company_id = :company and e.status = 'WAITING' and e.standing_rank = :clear and e.currency = :currency
              and e.amount_minor <= :most and e.lead_customer_id = coalesce(cast(:customer as bigint), e.lead_customer_id)
              and e.bank_account_id = coalesce(cast(:account as bigint), e.bank_account_id)
              and not exists (select 1 from posting_run_line l join posting_run r on r.id = l.run_id
                where l.entry_id = e.id and r.started_by = :by)
            order by e.booked_on, e.id
            """)
        .param("company", rule.companyId())
        .param("clear", Standing.CLEAR.ordinal())
        .param("currency", rule.upTo().getCurrencyUnit().getCode())
        .param("most", rule.upTo().getAmountMinorLong())
        .param("customer", rule.customerId())
        .param("account", rule.bankAccountId())
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
              if (rule.method() == null
                  || rule.method() == PaidBy.of(row.getString("check_number"), told)) {
                ids.add(row.getLong("id"));
              }
            });
    return ids;
  }
}
