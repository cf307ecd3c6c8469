package org.sumbrel.server.settle;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface DraftRepository extends JpaRepository<DraftEntity, Long> {

  Optional<DraftEntity> findByEntryId(Long entryId);

  Optional<DraftEntity> findByAccountOfId(Long accountOfId);

  @Query("select d from DraftEntity d where d.entryId in :entries or d.accountOfId in :accounts")
  List<DraftEntity> about(Collection<Long> entries, Collection<Long> accounts);

  List<DraftEntity> findByCompanyIdOrderById(Long companyId);

  default Optional<DraftEntity> about(DraftSubject subject) {
    return subject.entryId() == null
        ? findByAccountOfId(subject.accountOf())
        : findByEntryId(subject.entryId());
  }
}
