package org.sumbrel.server.companies;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface CompanyRepository extends JpaRepository<CompanyEntity, Long> {

  List<CompanyEntity> findAllByOrderById();
}
