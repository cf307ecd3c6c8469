package org.sumbrel.server.desk;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.propose.Standing;

/**
 * Notes that a company's proposals are behind what is posted. Each note is a row of its own, so
 * that those who post at the same moment wait neither for each other nor for a renewal.
 */
@Component
class ProposalMarks {

  private final JdbcClient jdbc;
  private final JdbcTemplate template;

  ProposalMarks(JdbcClient jdbc, JdbcTemplate template) {
    this.jdbc = jdbc;
    this.template = template;
  }

  void add(Long company) {
    jdbc.sql("insert into proposal_mark (company_id) values (:company)")
        .param("company", company)
        .update();
  }

  /**
   * What is noted of a company, until the end of the transaction for one renewal alone; what is
   * noted meanwhile is left for the next.
   */
  List<Long> held(Long company) {
    jdbc.sql("merge into proposal_state (company_id) key (company_id) values (:company)")
        .param("company", company)
        .update();
    return jdbc.sql("select id from proposal_mark where company_id = :company")
        .param("company", company)
        .query(Long.class)
        .list();
  }

  /** The number of the last note; 0 where there is none. */
  long last(Long company) {
    return jdbc.sql("select coalesce(max(id), 0) from proposal_mark where company_id = :company")
        .param("company", company)
        .query(Long.class)
        .single();
  }

  void remove(List<Long> marks) {
    jdbc.sql("delete from proposal_mark where id in (:marks)").param("marks", marks).update();
  }

  /** The companies of which something is noted. */
  List<Long> companies() {
    return jdbc.sql("select distinct company_id from proposal_mark").query(Long.class).list();
  }

  /** Forgets what is kept of these entries. */
  void forget(Collection<Long> entries) {
    template.batchUpdate(
        "delete from proposal where entry_id = ?",
        entries.stream().sorted().map(id -> new Object[] {id}).toList());
  }

  /** How an entry stands by its first explanation, and whom that names; null where nobody. */
  record Stands(Long entryId, Standing standing, Long customerId) {}

  /**
   * Writes how entries stand that still wait. It is no change of what the bank told, so their
   * version stays and whoever posts one of them at this moment is not disturbed; in the order of
   * their ids, as everybody else holds rows.
   */
  void stand(List<Stands> all) {
    var rows =
        all.stream()
            .sorted(Comparator.comparing(Stands::entryId))
            .map(
                s ->
                    new Object[] {
                      s.standing().ordinal(),
                      s.customerId(),
                      s.entryId(),
                      s.standing().ordinal(),
                      s.customerId()
                    })
            .toList();
    template.batchUpdate(
        """
        update bank_entry set standing_rank = ?, lead_customer_id = cast(? as bigint)
        where id = ? and status = 'WAITING'
          and (standing_rank <> ? or lead_customer_id is distinct from cast(? as bigint))
        """,
        rows);
  }
}
