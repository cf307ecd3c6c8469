package org.sumbrel.server.payouts;

import org.springframework.data.jpa.repository.JpaRepository;

interface PayoutJobRepository extends JpaRepository<PayoutJobEntity, Long> {}
