package org.sumbrel.server.runs;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface RunLineRepository extends JpaRepository<RunLineEntity, Long> {

  /** The next lines of one of several hands, who share them by their position. */
  @Query(
      """
      select l.id from RunLineEntity l
      where l.runId = :run and l.state = org.sumbrel.server.runs.RunLineEntity.State.PENDING and mod(l.position, :hands) = :hand
      order by l.position
      """)
  List<Long> pending(Long run, int hand, int hands, Limit limit);

  boolean existsByRunIdAndState(Long runId, RunLineEntity.State state);

  /**
   * The lines, held until the end of the transaction: whoever else runs them waits and then sees
   * them done.
   */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select l from RunLineEntity l where l.id in :ids order by l.position")
  List<RunLineEntity> held(Collection<Long> ids);

  @Query(
      "select l from RunLineEntity l where l.runId = :run and l.position > :after and (:state is null or l.state = :state) order by l.position")
  List<RunLineEntity> page(Long run, RunLineEntity.State state, int after, Limit limit);
}
