package org.sumbrel.server.customers;

import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CommonAbstractCriteria;
import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Repository;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.api.LinePredicates;
import org.sumbrel.server.api.LinePredicates.Columns;

/** Items of accounts, open and settled, that fit a search line. */
@Repository
public class ItemSearch {

  private final EntityManager rows;

  ItemSearch(EntityManager rows) {
    this.rows = rows;
  }

  /** Which items are asked for. */
  public enum Which {
    OPEN,
    SETTLED
  }

  /**
   * How many items fit, and what is open of them (of settled ones: what they were), in one
   * currency.
   */
  public record Sum(String currency, long count, long amountMinor) {}

  /** Open items by id, a page at a time. */
  List<OpenItemEntity> open(Long company, SearchLine line, long after, int most) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(OpenItemEntity.class);
    var i = query.from(OpenItemEntity.class);
    query.where(cb.gt(i.<Long>get("id"), after), of(company, Which.OPEN, line, cb, query, i));
    order(company, Which.OPEN, line, cb, query, i, false);
    return rows.createQuery(query).setMaxResults(most).getResultList();
  }

  /**
   * Items nearest to a figure or newest first.
   *
   * @param owners whose items; null for all of the company
   */
  public List<OpenItemEntity> found(
      Long company, Collection<Long> owners, Which which, SearchLine line, int skip, int most) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(OpenItemEntity.class);
    var i = query.from(OpenItemEntity.class);
    query.where(of(company, which, line, cb, query, i), ownedBy(owners, cb, i));
    order(company, which, line, cb, query, i, true);
    return rows.createQuery(query).setFirstResult(skip).setMaxResults(most).getResultList();
  }

  private static void order(
      Long company,
      Which which,
      SearchLine line,
      CriteriaBuilder cb,
      CriteriaQuery<?> query,
      Root<OpenItemEntity> i,
      boolean newest) {
    if (newest && line.near().isPresent()) {
      var columns = columns(company, which, cb, query, i);
      query.orderBy(
          cb.asc(LinePredicates.distance(cb, columns, line.near().get())),
          cb.desc(i.get("issuedOn")),
          cb.desc(i.get("id")));
    } else if (newest) {
      // the company, which is the same for all, so that an index gives the order, here and below
      query.orderBy(cb.desc(i.get("companyId")), cb.desc(i.get("issuedOn")), cb.desc(i.get("id")));
    } else {
      query.orderBy(cb.asc(i.get("companyId")), cb.asc(i.get("id")));
    }
  }

  /** How many items fit, and what they come to. */
  public List<Sum> sums(Long company, Collection<Long> owners, Which which, SearchLine line) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(Sum.class);
    var i = query.from(OpenItemEntity.class);
    query
        .select(
            cb.construct(
                Sum.class,
                i.<String>get("currency"),
                cb.count(i),
                cb.sum(i.<Long>get(which == Which.OPEN ? "openMinor" : "totalMinor"))))
        .where(of(company, which, line, cb, query, i), ownedBy(owners, cb, i))
        .groupBy(i.<String>get("currency"))
        .orderBy(cb.asc(i.get("currency")));
    return rows.createQuery(query).getResultList();
  }

  private static Predicate ownedBy(
      Collection<Long> owners, CriteriaBuilder cb, Root<OpenItemEntity> i) {
    return owners == null ? cb.conjunction() : i.get("customerId").in(owners);
  }

  private static Predicate of(
      Long company,
      Which which,
      SearchLine line,
      CriteriaBuilder cb,
      CriteriaQuery<?> query,
      Root<OpenItemEntity> i) {
    var all = new ArrayList<Predicate>();
    all.add(cb.equal(i.get("companyId"), company));
    all.add(
        which == Which.OPEN
            ? cb.notEqual(i.get("openMinor"), 0L)
            : cb.equal(i.get("openMinor"), 0L));
    all.add(fits(company, which, line, cb, query, i));
    return cb.and(all.toArray(Predicate[]::new));
  }

  /**
   * Items that fit a line, for whoever asks within a query of his own.
   *
   * @param query that query
   */
  public static Predicate fits(
      Long company,
      Which which,
      SearchLine line,
      CriteriaBuilder cb,
      CommonAbstractCriteria query,
      Root<OpenItemEntity> i) {
    return LinePredicates.of(line, cb, columns(company, which, cb, query, i));
  }

  private static Columns columns(
      Long company,
      Which which,
      CriteriaBuilder cb,
      CommonAbstractCriteria query,
      Root<OpenItemEntity> i) {
    return new Columns(
        List.of(),
        pattern -> {
          var named = query.subquery(Long.class);
          var c = named.from(CustomerEntity.class);
          named
              .select(c.get("id"))
              .where(
                  cb.equal(c.get("companyId"), company),
                  cb.like(cb.lower(c.get("name")), pattern, '\\'));
          return i.get("customerId").in(named);
        },
        List.of(i.get("number"), i.get("orderReference"), i.get("creditorReference")),
        List.of(),
        which == Which.OPEN
            ? List.of(i.get("openMinor"), i.get("totalMinor"))
            : List.of(i.get("totalMinor")),
        i.get("currency"),
        i.get("issuedOn"),
        // no money came by an item itself
        by -> cb.disjunction());
  }
}
