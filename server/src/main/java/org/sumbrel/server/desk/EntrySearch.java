package org.sumbrel.server.desk;

import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CommonAbstractCriteria;
import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Expression;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Repository;
import org.sumbrel.core.find.PaidBy;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.api.LinePredicates;
import org.sumbrel.server.api.LinePredicates.Columns;
import org.sumbrel.server.customers.CustomerEntity;

/** Bank entries that fit a search line. */
@Repository
public class EntrySearch {

  private final EntityManager rows;

  EntrySearch(EntityManager rows) {
    this.rows = rows;
  }

  /** How many entries stand so, and what they come to, by currency. */
  record Group(int standingRank, String currency, long count, long amountMinor) {}

  /** How many entries fit, and what they come to, in one currency. */
  public record Sum(String currency, long count, long amountMinor) {}

  /** Where a page of the queue ended. */
  record After(int rank, LocalDate on, long id) {}

  /** A page of the queue: by standing, booking date, id. */
  List<BankEntryEntity> queue(
      Long company,
      BankEntryEntity.Status status,
      Collection<Integer> ranks,
      SearchLine line,
      After after,
      int most) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(BankEntryEntity.class);
    var e = query.from(BankEntryEntity.class);
    var rank = e.<Integer>get("standingRank");
    var on = e.<LocalDate>get("bookedOn");
    var id = e.<Long>get("id");
    var later =
        cb.or(
            cb.gt(rank, after.rank()),
            cb.and(
                cb.equal(rank, after.rank()),
                cb.or(
                    cb.greaterThan(on, after.on()),
                    cb.and(cb.equal(on, after.on()), cb.gt(id, after.id())))));
    query
        .where(inQueue(company, status, ranks, line, cb, query, e), later)
        .orderBy(cb.asc(rank), cb.asc(on), cb.asc(id));
    return rows.createQuery(query).setMaxResults(most).getResultList();
  }

  List<Group> groups(
      Long company, BankEntryEntity.Status status, Collection<Integer> ranks, SearchLine line) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(Group.class);
    var e = query.from(BankEntryEntity.class);
    var rank = e.<Integer>get("standingRank");
    var currency = e.<String>get("currency");
    query
        .select(
            cb.construct(
                Group.class, rank, currency, cb.count(e), cb.sum(e.<Long>get("amountMinor"))))
        .where(inQueue(company, status, ranks, line, cb, query, e))
        .groupBy(rank, currency)
        .orderBy(cb.asc(rank), cb.asc(currency));
    return rows.createQuery(query).getResultList();
  }

  private Predicate inQueue(
      Long company,
      BankEntryEntity.Status status,
      Collection<Integer> ranks,
      SearchLine line,
      CriteriaBuilder cb,
      CriteriaQuery<?> query,
      Root<BankEntryEntity> e) {
    return cb.and(
        cb.equal(e.get("companyId"), company),
        cb.equal(e.get("status"), status),
        e.get("standingRank").in(ranks),
        fits(company, line, cb, query, e));
  }

  /** Entries of any age and state, nearest to a figure or newest first. */
  public List<BankEntryEntity> found(Long company, SearchLine line, int skip, int most) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(BankEntryEntity.class);
    var e = query.from(BankEntryEntity.class);
    query.where(ofAnyAge(company, line, cb, query, e));
    if (line.near().isPresent()) {
      var columns = columns(company, cb, query, e);
      query.orderBy(
          cb.asc(LinePredicates.distance(cb, columns, line.near().get())),
          cb.desc(e.get("bookedOn")),
          cb.desc(e.get("id")));
    } else {
      query.orderBy(cb.desc(e.get("bookedOn")), cb.desc(e.get("id")));
    }
    return rows.createQuery(query).setFirstResult(skip).setMaxResults(most).getResultList();
  }

  /** How many entries of any age fit, and what they come to. */
  public List<Sum> sums(Long company, SearchLine line) {
    var cb = rows.getCriteriaBuilder();
    var query = cb.createQuery(Sum.class);
    var e = query.from(BankEntryEntity.class);
    query
        .select(
            cb.construct(
                Sum.class,
                e.<String>get("currency"),
                cb.count(e),
                cb.sum(e.<Long>get("amountMinor"))))
        .where(ofAnyAge(company, line, cb, query, e))
        .groupBy(e.<String>get("currency"))
        .orderBy(cb.asc(e.get("currency")));
    return rows.createQuery(query).getResultList();
  }

  private Predicate ofAnyAge(
      Long company,
      SearchLine line,
      CriteriaBuilder cb,
      CriteriaQuery<?> query,
      Root<BankEntryEntity> e) {
    return cb.and(
        cb.equal(e.get("companyId"), company),
        cb.notEqual(e.get("status"), BankEntryEntity.Status.WITHDRAWN),
        fits(company, line, cb, query, e));
  }

  /**
   * Entries that fit a line, for whoever asks within a query of his own.
   *
   * @param query that query
   */
  public static Predicate fits(
      Long company,
      SearchLine line,
      CriteriaBuilder cb,
      CommonAbstractCriteria query,
      Root<BankEntryEntity> e) {
    return LinePredicates.of(line, cb, columns(company, cb, query, e));
  }

  private static Columns columns(
      Long company, CriteriaBuilder cb, CommonAbstractCriteria query, Root<BankEntryEntity> e) {
    var told =
        List.<Expression<String>>of(e.get("remittance"), e.get("bankText"), e.get("payerAccount"));
    return new Columns(
        List.of(e.get("payerName")),
        pattern -> proposedPayer(company, pattern, cb, query, e),
        List.of(e.get("bankReference"), e.get("checkNumber"), e.get("remittance")),
        told,
        List.of(e.get("amountMinor")),
        e.get("currency"),
        e.get("bookedOn"),
        by -> paid(by, cb, e, told));
  }

  /** Whom the first explanation names stands in the queue, so he can be looked for. */
  private static Predicate proposedPayer(
      Long company,
      String pattern,
      CriteriaBuilder cb,
      CommonAbstractCriteria query,
      Root<BankEntryEntity> e) {
    var named = query.subquery(Long.class);
    var p = named.from(ProposalEntity.class);
    var c = named.from(CustomerEntity.class);
    named
        .select(p.get("entryId"))
        .where(
            cb.equal(p.get("companyId"), company),
            cb.equal(c.get("id"), p.get("payerId")),
            cb.like(cb.lower(c.get("name")), pattern, '\\'));
    return e.get("id").in(named);
  }

  /** As {@link PaidBy#of} has it. */
  private static Predicate paid(
      PaidBy by, CriteriaBuilder cb, Root<BankEntryEntity> e, List<Expression<String>> told) {
    var cheque = cb.notEqual(cb.trim(e.<String>get("checkNumber")), "");
    var cash = says("%cash%", cb, e, told);
    var card = says("%card%", cb, e, told);
    return switch (by) {
      case CHEQUE -> cheque;
      case CASH -> cb.and(cb.not(cheque), cash);
      case CARD -> cb.and(cb.not(cheque), cb.not(cash), card);
      case TRANSFER -> cb.and(cb.not(cheque), cb.not(cash), cb.not(card));
    };
  }

  private static Predicate says(
      String pattern, CriteriaBuilder cb, Root<BankEntryEntity> e, List<Expression<String>> told) {
    var ways = new ArrayList<Predicate>();
    ways.add(cb.like(cb.lower(e.get("payerName")), pattern));
    told.forEach(t -> ways.add(cb.like(cb.lower(t), pattern)));
    return cb.or(ways.toArray(Predicate[]::new));
  }
}
