package org.sumbrel.core.propose;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.sumbrel.core.receivables.OpenItem;

/** How an explanation that somebody took differs from the one that stood first. */
public enum Manner {
  /** Several items rather than one. */
  SEVERAL,

  /** One item rather than several. */
  ONE,

  /** Of as many items those that are due later. */
  LATER,

  /** Of as many items those that are due earlier. */
  EARLIER;

  /**
   * How the items that were taken differ from those that stood first; empty where in neither way.
   */
  public static Optional<Manner> between(
      List<? extends OpenItem> taken, List<? extends OpenItem> first) {
    if (taken.isEmpty() || first.isEmpty()) {
      return Optional.empty();
    }
    if (taken.size() > 1 != first.size() > 1) {
      return Optional.of(taken.size() > 1 ? SEVERAL : ONE);
    }
    var difference = taken.size() == first.size() ? due(taken).compareTo(due(first)) : 0;
    return difference == 0 ? Optional.empty() : Optional.of(difference > 0 ? LATER : EARLIER);
  }

  /** The due day of the last of these items, as far as it can be compared. */
  static LocalDate due(List<? extends OpenItem> items) {
    return items.stream().map(OpenItem::dueOn).max(Comparator.naturalOrder()).orElseThrow();
  }
}
