package org.sumbrel.server.customers;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface OpenItemRepository extends JpaRepository<OpenItemEntity, Long> {

  List<OpenItemEntity> findByCompanyId(Long companyId);

  List<OpenItemEntity> findByIntakeId(Long intakeId);

  @Modifying(flushAutomatically = true, clearAutomatically = true)
  @Query("delete from OpenItemEntity i where i.intakeId = :intake")
  void removeAllOf(Long intake);

  /** Joined, so that the database looks each number up; for "in" it goes through all items. */
  @Query(
      nativeQuery = true,
      value =
          "select i.* from unnest(:numbers) asked(number) join open_item i on i.company_id = :company and i.number = asked.number")
  List<OpenItemEntity> numbered(Long company, String[] numbers);

  @Query(
      "select i from OpenItemEntity i where i.customerId in :customers and i.openMinor <> 0 order by i.dueOn, i.issuedOn, i.number")
  List<OpenItemEntity> openOf(Collection<Long> customers);

  @Query(
      "select i from OpenItemEntity i where i.customerId = :customer and i.openMinor = 0 order by i.settledOn desc, i.id desc")
  List<OpenItemEntity> settledOf(Long customer, Limit limit);

  List<OpenItemEntity> findByMadeBySettlementIdOrderById(Long settlementId);

  /** Numbers that begin so; the index of the number answers this. */
  @Query(
      "select i.number from OpenItemEntity i where i.companyId = :company and i.number like concat(:text, '%') order by i.number")
  List<String> numbersLike(Long company, String text, Limit limit);

  /** Open items whose number ends so. */
  @Query(
      "select i from OpenItemEntity i where i.companyId = :company and i.openMinor <> 0 and i.number like concat('%', :digits)")
  List<OpenItemEntity> openEnding(Long company, String digits, Limit limit);

  boolean existsByCompanyIdAndNumber(Long companyId, String number);

  @Query(
      "select i from OpenItemEntity i where i.companyId = :company and i.currency = :currency and i.openMinor = :minor order by i.dueOn, i.id")
  List<OpenItemEntity> withBalance(Long company, String currency, long minor, Limit limit);

  /** Items whose number or order reference is one of these, however written in capitals. */
  @Query(
      "select i from OpenItemEntity i where i.companyId = :company and (upper(i.number) in :words or upper(i.orderReference) in :words)")
  List<OpenItemEntity> named(Long company, Collection<String> words);

  /** A customer with money on account and invoices it could pay. */
  record Applicable(
      Long customerId, String currency, long creditMinor, long owedMinor, long invoices) {}

  @Query(
      """
      select new org.sumbrel.server.customers.OpenItemRepository$Applicable(i.customerId, i.currency,
        sum(case when i.openMinor < 0 then i.openMinor else 0L end),
        sum(case when i.openMinor > 0 then i.openMinor else 0L end),
        sum(case when i.openMinor > 0 then 1L else 0L end))
      from OpenItemEntity i where i.companyId = :company and i.openMinor <> 0 and i.kind <> org.sumbrel.server.customers.OpenItemEntity.Kind.REFUND
        and i.customerId in (select j.customerId from OpenItemEntity j
          where j.companyId = :company and j.kind = org.sumbrel.server.customers.OpenItemEntity.Kind.ON_ACCOUNT and j.openMinor <> 0)
      group by i.customerId, i.currency
      having sum(case when i.openMinor < 0 then i.openMinor else 0L end) < 0
        and sum(case when i.openMinor > 0 then i.openMinor else 0L end) > 0
      """)
  List<Applicable> applicable(Long company);
}
