package org.sumbrel.server.companies;

import org.springframework.data.jpa.repository.JpaRepository;

interface PolicyRepository extends JpaRepository<PolicyEntity, PolicyEntity.Key> {}
