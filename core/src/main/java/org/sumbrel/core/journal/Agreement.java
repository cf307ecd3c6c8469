package org.sumbrel.core.journal;

import java.util.Collection;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

/**
 * The subledger held against the ledger: what the items of each customer come to, and what his
 * accounts of the journal say. The two are written apart, so that each proves the other.
 *
 * @param lines one for each customer who has anything on either side
 */
public record Agreement(CurrencyUnit currency, List<Line> lines) {

  /**
   * One customer's control account.
   *
   * @param items Σ open balances of his items of this account, in their signs
   * @param books what the journal has on the account for him; debit positive
   */
  public record Line(String customerId, AccountRole role, Money items, Money books) {

    public Line {
      if (!role.byCustomer()) {
        throw new IllegalArgumentException(role + " is not kept for each customer");
      }
    }

    /** What the books have more than the items; zero where they agree. */
    public Money difference() {
      return books.minus(items);
    }
  }

  public Agreement {
    lines = List.copyOf(lines);
  }

  /** Those that differ. */
  public List<Line> apart() {
    return lines.stream().filter(line -> !line.difference().isZero()).toList();
  }

  public boolean agrees() {
    return apart().isEmpty();
  }

  /** The sum of one control account. */
  public Line total(AccountRole role) {
    var of = lines.stream().filter(line -> line.role() == role).toList();
    return new Line("", role, sum(of, true), sum(of, false));
  }

  private Money sum(Collection<Line> of, boolean items) {
    return MoneySum.of(currency, of, line -> items ? line.items() : line.books());
  }
}
