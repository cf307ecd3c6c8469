package org.sumbrel.server.customers;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CustomerRepository extends JpaRepository<CustomerEntity, Long> {

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
}
