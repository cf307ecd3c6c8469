package org.sumbrel.server.exports;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface JournalExportRepository extends JpaRepository<JournalExportEntity, Long> {

  List<JournalExportEntity> findByCompanyIdOrderByIdDesc(Long companyId);
}
