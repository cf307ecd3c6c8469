package org.sumbrel.server.customers;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CustomerRepository extends JpaRepository<CustomerEntity, Long> {

  List<CustomerEntity> findByCompanyIdAndParentIdIsNotNull(Long companyId);

  List<CustomerEntity> findByCompanyIdAndNumberIn(Long companyId, Collection<String> numbers);

  Optional<CustomerEntity> findByCompanyIdAndNumber(Long companyId, String number);

  List<CustomerEntity> findByCompanyId(Long companyId);

  List<CustomerEntity> findByParentIdOrderByName(Long parentId);

  @Query(
      """
      select c from CustomerEntity c
      where c.companyId = :company and (c.name > :afterName or (c.name = :afterName and c.id > :afterId))
        and (:q = '' or lower(c.name) like lower(concat('%', :q, '%')) or lower(c.number) like lower(concat('%', :q, '%')))
      order by c.name, c.id
      """)
  List<CustomerEntity> page(Long company, String q, String afterName, long afterId, Limit limit);

  /** Customers that an intake brought and of which nothing else is written, no branch either. */
  @Query(
      nativeQuery = true,
      value =
          """
          select c.* from customer c where c.intake_id = :intake
            and not exists (select 1 from customer b where b.parent_id = c.id)
            and not exists (select 1 from open_item i where i.customer_id = c.id)
            and not exists (select 1 from journal_line l where l.customer_id = c.id)
            and not exists (select 1 from bank_entry e where e.settled_customer_id = c.id)
            and not exists (select 1 from settlement s where s.on_account_customer_id = c.id or s.account_of_id = c.id)
            and not exists (select 1 from settlement_adjustment a where a.customer_id = c.id)
            and not exists (select 1 from draft d where d.account_of_id = c.id)
          """)
  List<CustomerEntity> broughtAndUnused(Long intake);
}
