package org.sumbrel.server.settle;

import org.springframework.data.jpa.repository.JpaRepository;

interface AnsweredCallRepository
    extends JpaRepository<AnsweredCallEntity, AnsweredCallEntity.Key> {}
