package org.sumbrel.server.outside;

import org.springframework.data.jpa.repository.JpaRepository;

interface SimulatedProcessorRepository extends JpaRepository<SimulatedProcessorEntity, Long> {}
