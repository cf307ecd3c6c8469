package org.sumbrel.server.settle;

import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Repository;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.customers.ItemSearch;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.EntrySearch;

/** Settlements of a customer, and those whose money or one of whose items fits a search line. */
@Repository
class SettlementSearch {

  private final EntityManager rows;

  SettlementSearch(EntityManager rows) {
    this.rows = rows;
  }

  /**
   * A page, newest first.
   *
   * @param customer null for all
   * @param before the id where the page before ended
   */
  List<SettlementEntity> page(Long company, Long customer, SearchLine line, long before, int most) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(SettlementEntity.class);
    var s = query.from(SettlementEntity.class);
    var all = new ArrayList<Predicate>();
    all.add(cb.equal(s.get("companyId"), company));
    all.add(cb.lt(s.<Long>get("id"), before));
    if (customer != null) {
      all.add(ofCustomer(customer, cb, query, s));
    }
    if (!line.isEmpty()) {
      all.add(
          cb.or(receiptFits(company, line, cb, query, s), itemFits(company, line, cb, query, s)));
    }
    query
        .where(all.toArray(Predicate[]::new))
        .orderBy(cb.desc(s.get("companyId")), cb.desc(s.get("id")));
    return rows.createQuery(query).setMaxResults(most).getResultList();
  }

  private static Predicate ofCustomer(
      Long customer, CriteriaBuilder cb, CriteriaQuery<?> query, Root<SettlementEntity> s) {
    var applied = query.subquery(Long.class);
    var a = applied.from(ApplicationEntity.class);
    var i = applied.from(OpenItemEntity.class);
    applied
        .select(a.get("settlement").get("id"))
        .where(cb.equal(i.get("id"), a.get("itemId")), cb.equal(i.get("customerId"), customer));
    return cb.or(
        s.get("id").in(applied),
        cb.equal(s.get("onAccountCustomerId"), customer),
        cb.equal(s.get("accountOfId"), customer));
  }

  private static Predicate receiptFits(
      Long company,
      SearchLine line,
      CriteriaBuilder cb,
      CriteriaQuery<?> query,
      Root<SettlementEntity> s) {
    var receipts = query.subquery(Long.class);
    var e = receipts.from(BankEntryEntity.class);
    receipts
        .select(e.get("id"))
        .where(
            cb.equal(e.get("companyId"), company),
            EntrySearch.fits(company, line, cb, receipts, e));
    return s.get("entryId").in(receipts);
  }

  private static Predicate itemFits(
      Long company,
      SearchLine line,
      CriteriaBuilder cb,
      CriteriaQuery<?> query,
      Root<SettlementEntity> s) {
    var applied = query.subquery(Long.class);
    var a = applied.from(ApplicationEntity.class);
    var i = applied.from(OpenItemEntity.class);
    applied
        .select(a.get("settlement").get("id"))
        .where(
            cb.equal(i.get("id"), a.get("itemId")),
            cb.equal(i.get("companyId"), company),
            ItemSearch.fits(company, ItemSearch.Which.SETTLED, line, cb, applied, i));
    return s.get("id").in(applied);
  }
}
