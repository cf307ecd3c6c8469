package org.sumbrel.server.settle;

import jakarta.persistence.LockModeType;
import java.time.LocalDate;
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

  /** The sides of a transfer that stand. */
  List<SettlementEntity> findByTransferIdAndStatusOrderById(
      Long transferId, SettlementEntity.Status status);

  /** Refunds sent from an account of which the bank has shown nothing. */
  List<SettlementEntity> findBySentFromIdAndStatusAndShownByIdIsNullOrderById(
      Long sentFromId, SettlementEntity.Status status);

  /** Transfers of which one side has come, and the other is awaited on this account. */
  @Query(
      "select s from SettlementEntity s where s.transferWithId = :account and s.status = POSTED"
          + " and not exists (select 1 from SettlementEntity o where o.transferId = s.transferId and o.id <> s.id and o.status = POSTED)")
  List<SettlementEntity> transfersAwaitedOn(Long account);

  /** How often a house rule is followed, when last, and what all of it comes to. */
  record Use(Long treatmentId, String currency, long times, LocalDate last, long amountMinor) {}

  @Query(
      "select new org.sumbrel.server.settle.SettlementRepository$Use(s.treatmentId, min(s.currency), count(*), max(s.postedOn),"
          + " sum(s.receivedMinor)) from SettlementEntity s"
          + " where s.companyId = :company and s.treatmentId is not null and s.status = POSTED group by s.treatmentId")
  List<Use> used(Long company);

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
