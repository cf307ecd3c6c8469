package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;

/**
 * Why the items of a draft do not come to what arrived, where the items themselves tell: one is not
 * ticked, one is ticked too much, one is taken in part, an amount has two digits exchanged.
 */
public final class GapReason {

  private static final int MOST = 3;

  private final Money gap;
  private final List<Application> taken;
  private final List<OpenItem> others;

  private GapReason(Money gap, List<Application> taken, List<OpenItem> others) {
    this.gap = gap;
    this.taken = taken;
    this.others = others;
  }

  /**
   * Sentences that explain the rest of a draft, likeliest first; empty where nothing is left or
   * nothing tells why.
   *
   * @param candidates what else might have been meant: open items of the accounts concerned
   */
  public static List<String> of(Draft draft, Collection<? extends OpenItem> candidates) {
    var gap = draft.tally().left();
    var taken = draft.ownApplications();
    if (gap.isZero() || taken.isEmpty()) {
      return List.of();
    }
    var ticked = draft.applications().stream().map(a -> a.item().id()).collect(Collectors.toSet());
    var others = new ArrayList<OpenItem>();
    candidates.stream()
        .filter(i -> !ticked.contains(i.id()) && !i.settled())
        .filter(i -> new Place(i.companyId(), i.open().getCurrencyUnit()).equals(draft.place()))
        .sorted(Comparator.comparing(OpenItem::issuedOn).thenComparing(OpenItem::number))
        .forEach(others::add);
    return new GapReason(gap, taken, others).sentences();
  }

  private List<String> sentences() {
    var found = new ArrayList<String>();
    one().forEach(found::add);
    tooMany().forEach(found::add);
    if (found.isEmpty()) {
      inPart().ifPresent(found::add);
      two().ifPresent(found::add);
      exchanged().ifPresent(found::add);
    }
    return found.size() > MOST ? List.copyOf(found.subList(0, MOST)) : List.copyOf(found);
  }

  /** One item that is not ticked comes to the gap. */
  private List<String> one() {
    return others.stream()
        .filter(i -> i.open().isEqual(gap))
        .map(i -> name(i) + " is not ticked.")
        .toList();
  }

  /** One item that is ticked comes to what is too much. */
  private List<String> tooMany() {
    return taken.stream()
        .filter(a -> a.taken().isEqual(gap.negated()))
        .map(a -> "Without " + name(a.item()) + " the two agree.")
        .toList();
  }

  /** One item is taken in part, and what is open of it comes to the gap. */
  private Optional<String> inPart() {
    return taken.stream()
        .filter(a -> a.item().open().minus(a.amount()).isEqual(gap))
        .findFirst()
        .map(
            a ->
                a.item().number()
                    + " is taken with "
                    + MoneyText.grouped(a.amount())
                    + " of "
                    + MoneyText.grouped(a.item().open())
                    + ".");
  }

  /** Two items that are not ticked come to the gap together. */
  private Optional<String> two() {
    var byOpen = new HashMap<Money, OpenItem>();
    for (var item : others) {
      var other = byOpen.get(gap.minus(item.open()));
      if (other != null) {
        return Optional.of(name(other) + " and " + name(item) + " are not ticked.");
      }
      byOpen.putIfAbsent(item.open(), item);
    }
    return Optional.empty();
  }

  /**
   * The typed amount of one item is what is open of it with two neighbouring digits exchanged; such
   * an error is always divisible by 9.
   */
  private Optional<String> exchanged() {
    if (gap.getAmountMinorLong() % 9 != 0) {
      return Optional.empty();
    }
    return taken.stream()
        .filter(a -> neighbours(a.amount()).contains(a.amount().plus(gap).getAmountMinorLong()))
        .findFirst()
        .map(
            a ->
                MoneyText.grouped(a.amount())
                    + " for "
                    + a.item().number()
                    + " would be "
                    + MoneyText.grouped(a.amount().plus(gap))
                    + " with two digits exchanged.");
  }

  private static HashSet<Long> neighbours(Money amount) {
    var digits = Long.toString(amount.abs().getAmountMinorLong());
    var all = new HashSet<Long>();
    for (var n = 0; n + 1 < digits.length(); n++) {
      var swapped = digits.toCharArray();
      var kept = swapped[n];
      swapped[n] = swapped[n + 1];
      swapped[n + 1] = kept;
      var figure = Long.parseLong(new String(swapped));
      all.add(amount.isNegative() ? -figure : figure);
    }
    return all;
  }

  private static String name(OpenItem item) {
    return item.number()
        + " of "
        + MoneyText.grouped(item.open())
        + " on "
        + DayText.of(item.issuedOn());
  }
}
