package org.sumbrel.server.access;

import org.springframework.data.jpa.repository.JpaRepository;

interface SetupCodeRepository extends JpaRepository<SetupCodeEntity, Long> {}
