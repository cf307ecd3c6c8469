package org.sumbrel.server.outside;

import org.springframework.data.jpa.repository.JpaRepository;

interface SimulatedBankRepository extends JpaRepository<SimulatedBankEntity, Long> {}
