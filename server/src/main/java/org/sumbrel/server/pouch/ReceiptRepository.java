package org.sumbrel.server.pouch;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.sumbrel.core.receivables.PaidBy;

interface ReceiptRepository extends JpaRepository<ReceiptEntity, Long> {

  /**
   * What is in the pouch, or in a deposit that is open again and so in the pouch still; the oldest
   * first.
   */
  @Query(
      "select r from ReceiptEntity r where r.companyId = :company and r.withdrawnAt is null and r.lockboxBatchId is null and (r.depositId is null"
          + " or r.depositId in (select d.id from DepositEntity d where d.status = org.sumbrel.server.pouch.DepositEntity.Status.OPEN))"
          + " and r.currency = :currency order by r.receivedOn, r.id")
  List<ReceiptEntity> inPouch(Long company, String currency);

  /** Cheques of lockbox batches that are in no deposit, since a supervisor has to accept them. */
  @Query(
      "select r from ReceiptEntity r where r.companyId = :company and r.lockboxBatchId is not null and r.depositId is null"
          + " and r.withdrawnAt is null and r.currency = :currency")
  List<ReceiptEntity> inMailRoom(Long company, String currency);

  @Query(
      "select r from ReceiptEntity r where r.companyId = :company and r.method = :method and r.reference = :reference"
          + " and r.amountMinor = :minor and r.withdrawnAt is null")
  List<ReceiptEntity> alike(Long company, PaidBy method, String reference, long minor);

  @Query(
      "select r from ReceiptEntity r where r.companyId = :company and r.method = org.sumbrel.core.receivables.PaidBy.CHEQUE"
          + " and r.withdrawnAt is null and r.routing <> '' and r.receivedOn >= :since order by r.id")
  List<ReceiptEntity> chequesSince(Long company, LocalDate since);

  @Query(
      "select r.id from ReceiptEntity r where r.withdrawnAt is null and r.receivedOn >= :since and r.amountMinor between :least and :most"
          + " and r.depositId in (select d.id from DepositEntity d where d.bankAccountId = :account"
          + " and d.status in (org.sumbrel.server.pouch.DepositEntity.Status.MADE, org.sumbrel.server.pouch.DepositEntity.Status.TIED))"
          + " order by r.id desc")
  List<Long> takenTo(Long account, LocalDate since, long least, long most, Limit limit);

  List<ReceiptEntity> findByLockboxBatchIdOrderById(Long lockboxBatchId);

  List<ReceiptEntity> findByTakingsIdOrderById(Long takingsId);

  List<ReceiptEntity> findByTakingsIdInOrderById(Collection<Long> takingsIds);

  List<ReceiptEntity> findByDepositIdOrderById(Long depositId);

  List<ReceiptEntity> findByCompanyIdAndDepositIdIn(Long companyId, List<Long> depositIds);
}
