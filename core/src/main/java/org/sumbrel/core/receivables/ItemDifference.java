package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;

/**
 * What a later list says otherwise of an item that is known.
 *
 * @param dueOn the list's due date
 * @param open what the list has open, in the item's sign
 */
public record ItemDifference(Kind kind, LocalDate dueOn, Money open) {

  /** What the list says. */
  public enum Kind {
    /** It is due on another day. */
    DUE_DATE,
    /** It no longer counts. */
    CANCELLED,
    /** Less of it is open, because it was paid past these books. */
    PAID_ELSEWHERE
  }

  /**
   * The differences between an item and what a list says of it. A list that has more open than the
   * item does not know its settlement yet, which is no difference.
   *
   * @param open what the list has open, without a sign
   */
  public static List<ItemDifference> between(
      OpenItem item, LocalDate dueOn, Money open, boolean cancelled) {
    var signed = item.open().isNegative() ? open.negated() : open;
    if (cancelled) {
      return List.of(new ItemDifference(Kind.CANCELLED, dueOn, signed));
    }
    var differences = new ArrayList<ItemDifference>();
    if (!dueOn.equals(item.dueOn())) {
      differences.add(new ItemDifference(Kind.DUE_DATE, dueOn, signed));
    }
    if (open.isLessThan(item.open().abs())) {
      differences.add(new ItemDifference(Kind.PAID_ELSEWHERE, dueOn, signed));
    }
    return differences;
  }
}
