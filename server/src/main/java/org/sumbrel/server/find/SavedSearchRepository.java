package org.sumbrel.server.find;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface SavedSearchRepository extends JpaRepository<SavedSearchEntity, Long> {

  List<SavedSearchEntity> findByUserNameOrderByName(String userName);

  Optional<SavedSearchEntity> findByUserNameAndName(String userName, String name);

  Optional<SavedSearchEntity> findByIdAndUserName(Long id, String userName);
}
