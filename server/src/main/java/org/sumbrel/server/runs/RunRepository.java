package org.sumbrel.server.runs;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RunRepository extends JpaRepository<RunEntity, Long> {

  Optional<RunEntity> findByStartedByAndCallKey(String startedBy, String callKey);

  List<RunEntity> findByStateOrderById(RunEntity.State state);

  /** Those of a lockbox batch, the newest first. */
  List<RunEntity> findByLockboxBatchIdOrderByIdDesc(Long lockboxBatchId);

  boolean existsByLockboxBatchIdAndStateIn(Long lockboxBatchId, Collection<RunEntity.State> states);

  /** What waits for nothing any more. */
  @Query(
      "select r.id from RunEntity r where r.state = org.sumbrel.server.runs.RunEntity.State.WAITS"
          + " and (r.needsRelease = false or r.releasedBy is not null) and (r.notBefore is null or r.notBefore <= :now)")
  List<Long> due(Instant now);

  List<RunEntity> findByCompanyIdAndIdLessThanOrderByIdDesc(
      Long companyId, Long before, Limit limit);

  @Query("select r.stopAsked from RunEntity r where r.id = :id")
  boolean stopAsked(Long id);

  @Modifying(clearAutomatically = true, flushAutomatically = true)
  @Query(
      "update RunEntity r set r.posted = r.posted + :lines, r.postedMinor = r.postedMinor + :minor where r.id = :id")
  void countPosted(Long id, int lines, long minor);

  @Modifying(clearAutomatically = true, flushAutomatically = true)
  @Query("update RunEntity r set r.refused = r.refused + 1 where r.id = :id")
  void countRefused(Long id);

  @Modifying
  @Query(
      "update RunEntity r set r.stopAsked = true where r.id = :id and r.state = org.sumbrel.server.runs.RunEntity.State.RUNNING")
  int askToStop(Long id);

  @Modifying(clearAutomatically = true, flushAutomatically = true)
  @Query(
      "update RunEntity r set r.state = :to, r.stopAsked = false, r.endedAt = :at where r.id = :id and r.state = :from")
  int move(Long id, RunEntity.State from, RunEntity.State to, Instant at);
}
