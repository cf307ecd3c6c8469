package org.sumbrel.server.profiles;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ProfileRepository extends JpaRepository<ProfileEntity, Long> {

  List<ProfileEntity> findByCompanyIdOrderByName(Long companyId);

  Optional<ProfileEntity> findByCompanyIdAndName(Long companyId, String name);
}
