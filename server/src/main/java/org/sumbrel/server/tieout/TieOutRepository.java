package org.sumbrel.server.tieout;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface TieOutRepository extends JpaRepository<TieOutEntity, Long> {

  Optional<TieOutEntity> findFirstByBankAccountIdAndClosingReopenedAtIsNullOrderByAsOfDesc(
      Long bankAccountId);

  List<TieOutEntity> findByBankAccountIdOrderByIdDesc(Long bankAccountId);
}
