package org.sumbrel.server.access;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface UserRepository extends JpaRepository<UserEntity, Long> {

  Optional<UserEntity> findByName(String name);

  List<UserEntity> findAllByOrderByName();

  boolean existsByRole(Role role);
}
