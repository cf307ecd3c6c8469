package org.sumbrel.server.tieout;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface TieOutErrorRepository extends JpaRepository<TieOutErrorEntity, Long> {

  List<TieOutErrorEntity> findByBankAccountIdOrderById(Long bankAccountId);
}
