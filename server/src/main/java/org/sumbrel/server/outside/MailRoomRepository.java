package org.sumbrel.server.outside;

import org.springframework.data.jpa.repository.JpaRepository;

interface MailRoomRepository extends JpaRepository<MailRoomEntity, Long> {}
