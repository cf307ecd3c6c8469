package org.sumbrel.server.settle;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface DraftRepository extends JpaRepository<DraftEntity, Long> {

  Optional<DraftEntity> findByEntryId(Long entryId);

  Optional<DraftEntity> findByAccountOfId(Long accountOfId);

  List<DraftEntity> findByCompanyIdOrderById(Long companyId);

  default Optional<DraftEntity> about(DraftSubject subject) {
    return subject.entryId() == null
        ? findByAccountOfId(subject.accountOf())
        : findByEntryId(subject.entryId());
  }
}
