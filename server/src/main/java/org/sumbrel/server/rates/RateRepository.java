package org.sumbrel.server.rates;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RateRepository extends JpaRepository<RateEntity, Long> {

  /** Those that count, of some days. */
  @Query(
      "select r from RateEntity r where r.rateOn between :first and :last and r.replacedById is null order by r.rateOn, r.id")
  List<RateEntity> between(LocalDate first, LocalDate last);
}
