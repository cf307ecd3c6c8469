package org.sumbrel.server.intake;

import org.springframework.data.jpa.repository.JpaRepository;

interface StatementRepository extends JpaRepository<StatementEntity, Long> {}
