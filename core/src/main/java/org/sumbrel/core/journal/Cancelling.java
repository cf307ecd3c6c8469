package org.sumbrel.core.journal;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joda.money.Money;
import org.sumbrel.core.journal.AccountSheet.Movement;

/**
 * Movements of one account that cancel each other: a fee and its refund, an entry and its reversal.
 * A reversal is known; that a movement is given back by another is seen from its amount only, and
 * said so.
 */
public final class Cancelling {

  /** Days within which the same amount the other way is taken for the same thing given back. */
  public static final int LONGEST = 92;

  private Cancelling() {}

  /** By what two movements are known to cancel. */
  public enum KnownBy {
    /** One of them was written to take the other back. */
    REVERSAL,
    /** They are the same amount, one each way, not long apart, and no other fits as well. */
    SAME_AMOUNT
  }

  /**
   * The other half of a movement.
   *
   * @param with the movement that cancels it
   */
  public record Half(Movement with, KnownBy by) {}

  /**
   * The other half of each movement that has one, by the movement's line. What is debited is held
   * against what is credited after it (or before it, on an account where credits come first), the
   * nearest in days first; each movement is used once.
   */
  public static Map<Long, Half> among(Collection<Movement> movements) {
    var found = new HashMap<Long, Half>();
    reversals(movements, found);
    var free = new HashMap<Money, List<Movement>>();
    movements.stream()
        .filter(m -> !found.containsKey(m.lineId()))
        .sorted(Comparator.comparing(Movement::on).thenComparing(Movement::lineId))
        .forEach(m -> free.computeIfAbsent(m.amount().abs(), a -> new ArrayList<>()).add(m));
    free.values().forEach(alike -> sameAmounts(alike, found));
    return found;
  }

  private static void reversals(Collection<Movement> movements, Map<Long, Half> found) {
    record Key(long entry, Money amount) {}
    var byEntry = new HashMap<Key, List<Movement>>();
    movements.forEach(
        m ->
            byEntry
                .computeIfAbsent(new Key(m.entryId(), m.amount()), k -> new ArrayList<>())
                .add(m));
    for (var movement : movements) {
      movement
          .reverses()
          .map(entry -> byEntry.get(new Key(entry, movement.amount().negated())))
          .flatMap(of -> of.stream().filter(m -> !found.containsKey(m.lineId())).findFirst())
          .ifPresent(original -> join(original, movement, KnownBy.REVERSAL, found));
    }
  }

  /** Pairs the nearest first, so that of two fees it is the later one that a refund gives back. */
  private static void sameAmounts(List<Movement> alike, Map<Long, Half> found) {
    record Pair(Movement one, Movement other, long days) {}
    var pairs = new ArrayList<Pair>();
    for (var n = 0; n < alike.size(); n++) {
      for (var m = n + 1; m < alike.size(); m++) {
        var days = ChronoUnit.DAYS.between(alike.get(n).on(), alike.get(m).on());
        if (days > LONGEST) {
          break;
        }
        if (alike.get(n).amount().isPositive() != alike.get(m).amount().isPositive()
            && alike.get(n).entryId() != alike.get(m).entryId()) {
          pairs.add(new Pair(alike.get(n), alike.get(m), days));
        }
      }
    }
    pairs.sort(Comparator.comparingLong(Pair::days));
    Set<Long> used = new HashSet<>();
    for (var pair : pairs) {
      if (!used.contains(pair.one().lineId()) && !used.contains(pair.other().lineId())) {
        used.add(pair.one().lineId());
        used.add(pair.other().lineId());
        join(pair.one(), pair.other(), KnownBy.SAME_AMOUNT, found);
      }
    }
  }

  private static void join(Movement one, Movement other, KnownBy by, Map<Long, Half> found) {
    found.put(one.lineId(), new Half(other, by));
    found.put(other.lineId(), new Half(one, by));
  }

  /**
   * Whether movements on an account of this role are looked at so: where each is a cost of its own.
   */
  public static boolean lookedFor(AccountRole role) {
    return role.bookable() && role != AccountRole.SALES && role != AccountRole.TAX;
  }
}
