package org.sumbrel.server.companies;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CompanyRepository extends JpaRepository<CompanyEntity, Long> {

  List<CompanyEntity> findAllByOrderById();

  @Query(
      value = "select distinct currency from open_item where company_id = :company order by 1",
      nativeQuery = true)
  List<String> currenciesOfItems(Long company);

  /** Whether its journal has any entry. */
  @Query(
      value = "select exists (select 1 from journal_entry where company_id = :company)",
      nativeQuery = true)
  boolean hasBooked(Long company);
}
