package org.sumbrel.server.exports;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface TakenFileRepository extends JpaRepository<TakenFileEntity, Long> {

  List<TakenFileEntity> findByExportIdInOrderById(Collection<Long> exports);
}
