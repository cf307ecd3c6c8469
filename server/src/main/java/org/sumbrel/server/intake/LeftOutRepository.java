package org.sumbrel.server.intake;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface LeftOutRepository extends JpaRepository<LeftOutEntity, Long> {

  List<LeftOutEntity> findByIntakeIdOrderByLine(Long intakeId);

  List<LeftOutEntity> findByBecameIntakeId(Long intakeId);

  void deleteByIntakeId(Long intakeId);
}
