package org.sumbrel.server.settle;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface SettlementRepository extends JpaRepository<SettlementEntity, Long> {

  /** The settlement, held until the end of the transaction: one reversal at a time. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select s from SettlementEntity s where s.id = :id")
  Optional<SettlementEntity> held(Long id);

  Optional<SettlementEntity> findFirstByEntryIdAndStatus(
      Long entryId, SettlementEntity.Status status);

  /** What ever settled these entries, oldest first. */
  @Query("select s from SettlementEntity s where s.entryId in :entries order by s.id")
  List<SettlementEntity> ofEntries(Collection<Long> entries);

  List<SettlementEntity> findByReplacesIdIn(Collection<Long> replaced);

  /** All that ever touched an item, and what made it, oldest first. */
  @Query(
      """
      select s from SettlementEntity s
      where s.id = (select i.madeBySettlementId from OpenItemEntity i where i.id = :item)
        or exists (select 1 from ApplicationEntity a where a.settlement = s and a.itemId = :item)
      order by s.id
      """)
  List<SettlementEntity> ofItem(Long item);

  /** The settlement that touched an item last. */
  default Optional<SettlementEntity> latestOf(Long itemId) {
    return touching(itemId, Limit.of(1)).stream().findFirst();
  }

  @Query(
      "select s from SettlementEntity s where exists (select 1 from ApplicationEntity a where a.settlement = s and a.itemId = :item)"
          + " order by coalesce(s.reversedAt, s.postedAt) desc, s.id desc")
  List<SettlementEntity> touching(Long item, Limit limit);
}
