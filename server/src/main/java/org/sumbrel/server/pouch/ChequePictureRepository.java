package org.sumbrel.server.pouch;

import org.springframework.data.jpa.repository.JpaRepository;

interface ChequePictureRepository extends JpaRepository<ChequePictureEntity, Long> {}
