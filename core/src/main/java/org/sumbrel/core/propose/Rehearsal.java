package org.sumbrel.core.propose;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;

/**
 * What the engine would have thought of money that people have settled since. Every balance is set
 * back by what was posted, the receipts are thought about as if they came together, and the first
 * explanation of each is held against what was posted.
 */
public final class Rehearsal {

  private Rehearsal() {}

  /**
   * A receipt and what it was posted as.
   *
   * @param applied what the balance of each item fell by, by the item's id
   */
  public record Posted(Receipt receipt, Map<String, Money> applied) {

    public Posted {
      applied = Map.copyOf(applied);
    }

    private Map<String, BigDecimal> amounts() {
      return applied.entrySet().stream()
          .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().getAmount()));
    }
  }

  /**
   * What would have been thought.
   *
   * @param probability of the first explanation; 0 where there is none
   * @param right whether it is what was posted: the same items by the same amounts
   * @param evidence code of what speaks most for it; empty where there is none
   */
  public record Thought(
      String receiptId, Standing standing, double probability, boolean right, String evidence) {}

  /**
   * Thinks of all of them, in the order given.
   *
   * @param now the books as they stand; items that these postings made are to be left out of it
   */
  public static List<Thought> of(Snapshot now, Collection<Posted> posted) {
    var before = setBack(now, posted);
    var results =
        ProposalEngine.over(before).propose(posted.stream().map(Posted::receipt).toList());
    var byId = new HashMap<String, Posted>();
    posted.forEach(p -> byId.put(p.receipt().id(), p));
    return results.stream().map(r -> thought(r, byId.get(r.receiptId()))).toList();
  }

  private static Thought thought(ReceiptProposals result, Posted posted) {
    return result.proposals().stream()
        .findFirst()
        .map(
            first ->
                new Thought(
                    result.receiptId(),
                    result.standing(),
                    first.probability(),
                    isWhat(posted.amounts(), first.applications()),
                    strongest(first.evidence())))
        .orElseGet(() -> new Thought(result.receiptId(), result.standing(), 0, false, ""));
  }

  /**
   * Whether a proposal is what was posted: the same items by the same amounts, whatever their
   * order.
   *
   * @param one the amount of each item in the currency of the other, by the item's id
   */
  public static boolean isWhat(Map<String, BigDecimal> one, List<Application> other) {
    var sums = new HashMap<String, BigDecimal>();
    other.forEach(a -> sums.merge(a.item().id(), a.amount().getAmount(), BigDecimal::add));
    return sums.equals(one);
  }

  /** The code of the reason that weighs most for an explanation; empty where none speaks for it. */
  public static String strongest(List<Evidence> evidence) {
    return evidence.stream()
        .filter(e -> e.weight() > 0)
        .max(Comparator.comparingDouble(Evidence::weight))
        .map(Evidence::code)
        .orElse("");
  }

  private static Snapshot setBack(Snapshot now, Collection<Posted> posted) {
    var back = new HashMap<String, Money>();
    posted.forEach(p -> p.applied().forEach((id, amount) -> back.merge(id, amount, Money::plus)));
    var items =
        now.items().stream()
            .map(
                item -> {
                  var fell = back.get(item.id());
                  return fell == null ? item : before(item, fell);
                })
            .toList();
    var settledOn = new HashMap<>(now.settledOn());
    settledOn.keySet().removeAll(back.keySet());
    return new Snapshot(
        items,
        settledOn,
        now.customers(),
        now.aliases(),
        now.history(),
        now.choices(),
        now.policy());
  }

  /** Never beyond the total, where an item was updated since. */
  private static OpenItem before(OpenItem item, Money fell) {
    var open = item.open().plus(fell);
    var beyond =
        item.total().isNegative()
            ? open.isLessThan(item.total())
            : open.isGreaterThan(item.total());
    return item.withOpen(beyond ? item.total() : open);
  }
}
