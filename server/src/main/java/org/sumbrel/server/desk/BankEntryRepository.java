package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.Collection;
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

  String FITS =
      """
      e.companyId = :company and e.status = :status
        and e.standingRank in :ranks
        and (:q = '' or lower(e.payerName) like lower(concat('%', :q, '%'))
          or lower(e.remittance) like lower(concat('%', :q, '%')) or concat(e.currency, ' ', cast(e.amountMinor as String)) in :amounts
          or e.id in (select p.entryId from ProposalEntity p, CustomerEntity c
            where p.companyId = :company and c.id = p.payerId and lower(c.name) like lower(concat('%', :q, '%'))))
      """;

  @Query(
      "select e from BankEntryEntity e where "
          + FITS
          + """
            and (e.standingRank > :afterRank or (e.standingRank = :afterRank
              and (e.bookedOn > :afterDay or (e.bookedOn = :afterDay and e.id > :afterId))))
          order by e.standingRank, e.bookedOn, e.id
          """)
  List<BankEntryEntity> page(
      Long company,
      BankEntryEntity.Status status,
      Collection<Integer> ranks,
      String q,
      Collection<String> amounts,
      int afterRank,
      LocalDate afterDay,
      long afterId,
      Limit limit);

  /** How many entries stand so, and what they come to, by currency. */
  record Group(int standingRank, String currency, long count, long amountMinor) {}

  @Query(
      "select new org.sumbrel.server.desk.BankEntryRepository$Group(e.standingRank, e.currency, count(e),"
          + " sum(e.amountMinor)) from BankEntryEntity e where "
          + FITS
          + " group by e.standingRank, e.currency order by e.standingRank, e.currency")
  List<Group> groups(
      Long company,
      BankEntryEntity.Status status,
      Collection<Integer> ranks,
      String q,
      Collection<String> amounts);
}
