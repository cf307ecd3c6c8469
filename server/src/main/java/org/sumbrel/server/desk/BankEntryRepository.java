package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BankEntryRepository extends JpaRepository<BankEntryEntity, Long> {

  List<BankEntryEntity> findByCompanyIdAndStatus(Long companyId, BankEntryEntity.Status status);

  @Query(
      "select e from BankEntryEntity e where e.companyId = :company and e.status = :status and e.standingRank = :rank"
          + " and e.currency = :currency order by e.bookedOn, e.id")
  List<BankEntryEntity> standing(
      Long company, BankEntryEntity.Status status, int rank, String currency);

  long countByCompanyIdAndStatus(Long companyId, BankEntryEntity.Status status);

  @Query(
      "select e from BankEntryEntity e where e.companyId = :company and e.settledCustomerId is not null order by e.id desc")
  List<BankEntryEntity> settledLast(Long company, Limit limit);

  @Query(
      """
      select e from BankEntryEntity e where e.companyId = :company and e.status = :status and e.currency = :currency
        and e.amountMinor = :minor and e.bookedOn between :from and :until order by e.id desc
      """)
  List<BankEntryEntity> ofAmount(
      Long company,
      BankEntryEntity.Status status,
      String currency,
      long minor,
      LocalDate from,
      LocalDate until);

  @Query(
      "select e from BankEntryEntity e where e.bankAccountId = :account and e.status = DEBIT and e.bookedOn >= :from order by e.id")
  List<BankEntryEntity> debits(Long account, LocalDate from);

  @Query(
      """
      select e from BankEntryEntity e where e.bankAccountId = :account and e.bookedOn between :from and :until
        and e.status in (WAITING, SETTLED, SHELVED, RETURNED, DEBIT) order by e.bookedOn, e.id
      """)
  List<BankEntryEntity> booked(Long account, LocalDate from, LocalDate until);
}
