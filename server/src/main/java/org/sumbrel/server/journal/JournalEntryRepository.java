package org.sumbrel.server.journal;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface JournalEntryRepository extends JpaRepository<JournalEntryEntity, Long> {

  @Query(
      """
      select e from JournalEntryEntity e
      where e.companyId = :company and e.id < :before and (:q = '' or lower(e.text) like lower(concat('%', :q, '%')))
      order by e.companyId desc, e.id desc
      """)
  List<JournalEntryEntity> page(Long company, String q, long before, Limit limit);

  @Query(
      "select coalesce(sum(l.amountMinor), 0L) from JournalLineEntity l where l.ledgerAccountId = :account and l.currency = :currency")
  long balance(Long account, String currency);
}
