package org.sumbrel.server.runs;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface UnattendedRuleRepository extends JpaRepository<UnattendedRuleEntity, Long> {

  List<UnattendedRuleEntity> findByCompanyIdAndEndedAtIsNullOrderById(Long companyId);

  Optional<UnattendedRuleEntity> findByIdAndEndedAtIsNull(Long id);
}
