package org.sumbrel.server.pouch;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.sumbrel.core.receivables.PaidBy;

interface ReceiptRepository extends JpaRepository<ReceiptEntity, Long> {

  /** What is in the pouch, the oldest first. */
  @Query(
      "select r from ReceiptEntity r where r.companyId = :company and r.depositId is null and r.withdrawnAt is null"
          + " and r.currency = :currency order by r.receivedOn, r.id")
  List<ReceiptEntity> inPouch(Long company, String currency);

  @Query(
      "select r from ReceiptEntity r where r.companyId = :company and r.method = :method and r.reference = :reference"
          + " and r.amountMinor = :minor and r.withdrawnAt is null")
  List<ReceiptEntity> alike(Long company, PaidBy method, String reference, long minor);

  List<ReceiptEntity> findByDepositIdOrderById(Long depositId);

  List<ReceiptEntity> findByCompanyIdAndDepositIdIn(Long companyId, List<Long> depositIds);
}
