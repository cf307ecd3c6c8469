package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface BankEntryRepository extends JpaRepository<BankEntryEntity, Long> {

  List<BankEntryEntity> findByCompanyIdAndStatus(Long companyId, BankEntryEntity.Status status);

  @Query(
      "select e from BankEntryEntity e where e.companyId = :company and e.status = :status and e.standingRank = :rank"
          + " and e.currency = :currency order by e.bookedOn, e.id")
  List<BankEntryEntity> standing(
      Long company, BankEntryEntity.Status status, int rank, String currency);

  @Query(
      "select new org.sumbrel.server.desk.Entries$Brief(e.id, e.bookedOn, e.payerName, e.remittance) from BankEntryEntity e where e.id in :ids")
  List<Entries.Brief> briefly(Collection<Long> ids);

  @Query("select distinct e.companyId from BankEntryEntity e where e.status = :status")
  List<Long> companiesWith(BankEntryEntity.Status status);

  List<BankEntryEntity> findByBankAccountIdAndStatus(
      Long bankAccountId, BankEntryEntity.Status status);

  long countByCompanyIdAndStatus(Long companyId, BankEntryEntity.Status status);

  @Query(
      "select e from BankEntryEntity e where e.companyId = :company and e.settledCustomerId is not null and not e.payerForgotten order by e.id desc")
  List<BankEntryEntity> settledLast(Long company, Limit limit);

  @Query(
      "select e from BankEntryEntity e where e.companyId = :company and e.settledCustomerId is not null and not e.payerForgotten"
          + " and e.bookedOn < :before order by e.id desc")
  List<BankEntryEntity> settledBooked(Long company, LocalDate before, Limit limit);

  @Query(
      "select e from BankEntryEntity e where e.companyId = :company and e.settledCustomerId is not null and not e.payerForgotten and e.id < :before"
          + " order by e.id desc")
  List<BankEntryEntity> settledBefore(Long company, Long before, Limit limit);

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
      """
      select e from BankEntryEntity e where e.bankAccountId = :account and e.status in (WAITING, SETTLED)
        and e.amountMinor between :least and :most and e.bookedOn between :from and :until order by e.id desc
      """)
  List<BankEntryEntity> credits(
      Long account, long least, long most, LocalDate from, LocalDate until, Limit limit);

  @Query(
      "select e from BankEntryEntity e where e.bankAccountId = :account and e.status = DEBIT and e.bookedOn >= :from order by e.id")
  List<BankEntryEntity> debits(Long account, LocalDate from);

  @Query(
      """
      select e from BankEntryEntity e where e.bankAccountId = :account and e.bookedOn between :from and :until
        and e.status in (WAITING, SETTLED, SHELVED, RETURNED, DEBIT, PAID) order by e.bookedOn, e.id
      """)
  List<BankEntryEntity> booked(Long account, LocalDate from, LocalDate until);

  @Query(
      """
      select new org.sumbrel.server.desk.Entries$Paid(e.payerName, e.payerAccount, e.settledCustomerId)
      from BankEntryEntity e where e.companyId = :company and e.settledCustomerId is not null and e.bookedOn >= :since
      """)
  List<Entries.Paid> settledSince(Long company, LocalDate since);

  @Query(
      """
      select new org.sumbrel.server.desk.Entries$PaidBefore(e.payerName, e.payerAccount, count(e), max(e.bookedOn))
      from BankEntryEntity e where e.companyId = :company and e.settledCustomerId = :customer and not e.payerForgotten
        and (e.payerName <> '' or e.payerAccount <> '')
      group by e.payerName, e.payerAccount order by count(e) desc, e.payerName
      """)
  List<Entries.PaidBefore> paidBefore(Long company, Long customer);

  @Modifying(flushAutomatically = true, clearAutomatically = true)
  @Query(
      """
      update BankEntryEntity e set e.payerForgotten = true, e.version = e.version + 1
      where e.companyId = :company and e.settledCustomerId = :customer and not e.payerForgotten
        and e.payerName = :name and e.payerAccount = :account
      """)
  int forgetPayer(Long company, Long customer, String name, String account);
}
