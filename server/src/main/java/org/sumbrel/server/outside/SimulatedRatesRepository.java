package org.sumbrel.server.outside;

import org.springframework.data.jpa.repository.JpaRepository;

interface SimulatedRatesRepository extends JpaRepository<SimulatedRatesEntity, Long> {}
