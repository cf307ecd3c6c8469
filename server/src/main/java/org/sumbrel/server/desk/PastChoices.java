package org.sumbrel.server.desk;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Manner;
import org.sumbrel.core.propose.PastChoice;

/** Which explanations people took where another stood first; what was taken back does not count. */
@Service
@Transactional(readOnly = true)
public class PastChoices {

  private static final String CHOSEN =
      """
      select s.id, e.payer_name, e.payer_account, s.chosen_manner from settlement s join bank_entry e on e.id = s.entry_id
      where s.company_id = :company and s.status = 'POSTED' and s.chosen_manner is not null
      """;

  private final JdbcClient jdbc;

  PastChoices(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** All of a company, by the settlement. */
  Map<Long, PastChoice> all(Long company) {
    return chosen(jdbc.sql(CHOSEN).param("company", company));
  }

  /** Those of these settlements that are choices and count. */
  Map<Long, PastChoice> some(Long company, Collection<Long> settlements) {
    return settlements.isEmpty()
        ? Map.of()
        : chosen(
            jdbc.sql(CHOSEN + " and s.id in (:some)")
                .param("company", company)
                .param("some", settlements));
  }

  private static Map<Long, PastChoice> chosen(JdbcClient.StatementSpec asked) {
    var chosen = new HashMap<Long, PastChoice>();
    asked.query(
        row -> {
          chosen.put(
              row.getLong("id"),
              new PastChoice(
                  row.getString("payer_name"),
                  row.getString("payer_account"),
                  Manner.valueOf(row.getString("chosen_manner"))));
        });
    return chosen;
  }

  /** How often something was chosen for a payer of a customer. */
  public record Chosen(String payerName, String payerAccount, Manner manner, int times) {}

  /** What was chosen for the payers of a customer, the most frequent first. */
  public List<Chosen> of(Long company, Long customer) {
    return jdbc.sql(
            """
            select e.payer_name, e.payer_account, s.chosen_manner, count(*) as times
            from settlement s join bank_entry e on e.id = s.entry_id
            where s.company_id = :company and s.status = 'POSTED' and s.chosen_manner is not null
              and e.settled_customer_id = :customer
            group by e.payer_name, e.payer_account, s.chosen_manner order by times desc, e.payer_name, s.chosen_manner
            """)
        .param("company", company)
        .param("customer", customer)
        .query(
            (row, n) ->
                new Chosen(
                    row.getString("payer_name"),
                    row.getString("payer_account"),
                    Manner.valueOf(row.getString("chosen_manner")),
                    row.getInt("times")))
        .list();
  }

  /**
   * Forgets what was chosen for a payer of a customer.
   *
   * @return of how many settlements
   */
  @Transactional
  public int forget(Long company, Long customer, String payerName, String payerAccount) {
    return jdbc.sql(
            """
            update settlement set chosen_manner = null, version = version + 1
            where company_id = :company and chosen_manner is not null and entry_id in (select e.id from bank_entry e
              where e.settled_customer_id = :customer and e.payer_name = :name and e.payer_account = :account)
            """)
        .param("company", company)
        .param("customer", customer)
        .param("name", payerName)
        .param("account", payerAccount)
        .update();
  }
}
