package org.sumbrel.core.receivables;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

/**
 * The order in which money without a word is applied: due dates, then issue dates, then numbers.
 */
public final class OldestFirst {

  public static final Comparator<OpenItem> ORDER =
      Comparator.comparing(OpenItem::dueOn)
          .thenComparing(OpenItem::issuedOn)
          .thenComparing(OpenItem::number)
          .thenComparing(OpenItem::id);

  private OldestFirst() {}

  /** A part of an item, in the item's sign. */
  public record Part(OpenItem item, Money amount) {}

  /**
   * Sets what a customer has in credit against what he owes, both oldest first, as far as the
   * smaller of the two goes. The parts add up to zero.
   *
   * @param items what is open on the account; what is promised back is left alone
   */
  public static List<Part> applyCredit(
      Collection<? extends OpenItem> items, CurrencyUnit currency) {
    var usable =
        items.stream()
            .filter(i -> i.open().getCurrencyUnit().equals(currency))
            .filter(i -> !(i instanceof RefundDue))
            .map(OpenItem.class::cast)
            .sorted(ORDER)
            .toList();
    var credit = usable.stream().filter(i -> i.open().isNegative()).toList();
    var debt = usable.stream().filter(i -> i.open().isPositive()).toList();
    var credited = MoneySum.of(currency, credit, OpenItem::open).negated();
    var owed = MoneySum.of(currency, debt, OpenItem::open);
    var most = credited.isLessThan(owed) ? credited : owed;
    var parts = new ArrayList<Part>();
    parts.addAll(upTo(most, debt));
    parts.addAll(upTo(most, credit));
    return parts;
  }

  private static List<Part> upTo(Money most, List<OpenItem> items) {
    var parts = new ArrayList<Part>();
    var left = most;
    for (var item : items) {
      var size = item.open().abs().isGreaterThan(left) ? left : item.open().abs();
      if (size.isPositive()) {
        parts.add(new Part(item, item.open().isNegative() ? size.negated() : size));
        left = left.minus(size);
      }
    }
    return parts;
  }
}
