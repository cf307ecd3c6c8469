package org.sumbrel.core.intake;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.joda.money.Money;
import org.sumbrel.core.intake.Meeting.Kind;

/**
 * Finds the movements of a file that are known already, so that each counts once, whatever format
 * told of it first. Movements meet one to one: two alike in the file need two that are known.
 *
 * <p>First by their ids. Then by day and amount: within days of which one side has all movements,
 * any two of the same day and amount are the same; else what is told must be alike. Then an
 * announced one and a booked one of the same amount. At last those whose day differs a little
 * between two formats, where what is told is nearly all the same.
 */
public final class Recurrence {

  /** The days within which an announced movement gets booked. */
  static final int DAYS_TO_BOOK = 10;

  /** The days by which two formats may date the same movement differently. */
  static final int DAYS_BETWEEN_FORMATS = 3;

  /** The days within which the same id means the same movement; a bank may use one again. */
  static final int DAYS_OF_AN_ID = 31;

  /** The most of one day and amount that are compared with each other. */
  private static final int MOST_COMPARED = 300;

  private static final double ALIKE = 0.6;
  private static final double NEARLY_THE_SAME = 0.8;

  private final List<Movement> incoming;
  private final Predicate<LocalDate> complete;
  private final List<KnownMovement> free;
  private final Meeting[] meetings;

  private Recurrence(
      List<Movement> incoming, List<KnownMovement> known, Predicate<LocalDate> complete) {
    this.incoming = incoming;
    this.complete = complete;
    this.free = new ArrayList<>(known);
    this.meetings = new Meeting[incoming.size()];
  }

  /**
   * What each incoming movement is, in their order.
   *
   * @param complete whether of a day all movements are known or all are in the file
   */
  public static List<Meeting> of(
      List<Movement> incoming, List<KnownMovement> known, Predicate<LocalDate> complete) {
    var recurrence = new Recurrence(incoming, known, complete);
    recurrence.byId();
    if (!recurrence.free.isEmpty()) {
      recurrence.byDayAndAmount();
      recurrence.announced();
      recurrence.betweenFormats();
    }
    return recurrence.all();
  }

  /** The days on which a movement of the file could be a known one. */
  public static int daysAround() {
    return DAYS_OF_AN_ID;
  }

  private void byId() {
    Map<String, KnownMovement> byId = new HashMap<>();
    free.forEach(k -> k.ids().forEach(id -> byId.put(id, k)));
    Set<Long> met = new HashSet<>();
    for (var at = 0; at < incoming.size(); at++) {
      var movement = incoming.get(at);
      var known = byId.get(KnownMovement.id(movement.source(), movement.id()));
      if (known == null
          || days(known.movement(), movement) > DAYS_OF_AN_ID
          || !met.add(known.key())) {
        continue;
      }
      var kind = known.withdrawn() ? Kind.SAME : kindById(movement, known.movement());
      meet(at, kind, known, false);
    }
    free.removeIf(k -> met.contains(k.key()) || k.withdrawn());
  }

  private static Kind kindById(Movement movement, Movement known) {
    if (movement.booked() && !known.booked()) {
      return Kind.BECOMES_BOOKED;
    }
    var unchanged =
        movement.amount().equals(known.amount()) && movement.bookedOn().equals(known.bookedOn());
    // what was booked is not changed by what was announced of it
    return unchanged || !movement.booked() ? Kind.SAME : Kind.CHANGED;
  }

  private record DayAndAmount(LocalDate day, Money amount, boolean booked) {
    static DayAndAmount of(Movement movement) {
      return new DayAndAmount(movement.bookedOn(), movement.amount(), movement.booked());
    }
  }

  private void byDayAndAmount() {
    var known = new HashMap<DayAndAmount, List<KnownMovement>>();
    free.forEach(
        k -> known.computeIfAbsent(DayAndAmount.of(k.movement()), d -> new ArrayList<>()).add(k));
    var pairs = new ArrayList<Pair>();
    var before = new HashMap<DayAndAmount, Integer>();
    for (var at = 0; at < incoming.size(); at++) {
      if (meetings[at] != null) {
        continue;
      }
      var movement = incoming.get(at);
      var dayAndAmount = DayAndAmount.of(movement);
      var running = before.merge(dayAndAmount, 1, Integer::sum) - 1;
      var alike = known.getOrDefault(dayAndAmount, List.of());
      for (var other : compared(alike, running)) {
        if (!bothNamedByTheBank(movement, other)) {
          var likeness = Likeness.of(movement.told(), other.movement().told());
          if (complete.test(movement.bookedOn()) && !sameSource(movement, other)
              || likeness == Likeness.UNKNOWN
              || likeness >= ALIKE) {
            pairs.add(new Pair(at, other, likeness));
          }
        }
      }
    }
    meetBest(pairs, (at, k) -> Kind.SAME);
  }

  /** Of very many alike each is held against one only; comparing all with all would not end. */
  private static List<KnownMovement> compared(List<KnownMovement> alike, int running) {
    if (alike.size() <= MOST_COMPARED) {
      return alike;
    }
    return running < alike.size() ? alike.subList(running, running + 1) : List.of();
  }

  /** Ids that a bank gave differ: so do the movements. */
  private static boolean bothNamedByTheBank(Movement movement, KnownMovement known) {
    return movement.idOfBank() && known.hasBankIdOf(movement.source());
  }

  private static boolean sameSource(Movement movement, KnownMovement known) {
    return known.movement().source().equals(movement.source());
  }

  /** Announced ones that are booked now, and booked ones that are announced once more. */
  private void announced() {
    var pairs = new ArrayList<Pair>();
    // most of what is known is booked, and of no use to what is booked too
    var announced = byAmount(k -> !k.movement().booked());
    var all = byAmount(k -> true);
    for (var at = 0; at < incoming.size(); at++) {
      if (meetings[at] != null) {
        continue;
      }
      var movement = incoming.get(at);
      var others = movement.booked() ? announced : all;
      for (var other : others.getOrDefault(movement.amount(), List.of())) {
        var known = other.movement();
        if (days(known, movement) > DAYS_TO_BOOK) {
          continue;
        }
        var likeness = Likeness.of(movement.told(), known.told());
        if (likeness == Likeness.UNKNOWN || likeness >= ALIKE) {
          pairs.add(new Pair(at, other, likeness - days(known, movement) / 100.0));
        }
      }
    }
    meetBest(
        pairs,
        (at, k) ->
            incoming.get(at).booked() && !k.movement().booked() ? Kind.BECOMES_BOOKED : Kind.SAME);
  }

  private Map<Money, List<KnownMovement>> byAmount(Predicate<KnownMovement> which) {
    var byAmount = new HashMap<Money, List<KnownMovement>>();
    for (var known : free) {
      if (which.test(known)) {
        byAmount.computeIfAbsent(known.movement().amount(), a -> new ArrayList<>()).add(known);
      }
    }
    return byAmount;
  }

  private void betweenFormats() {
    var pairs = new ArrayList<Pair>();
    var byAmount = byAmount(k -> true);
    for (var at = 0; at < incoming.size(); at++) {
      if (meetings[at] != null) {
        continue;
      }
      var movement = incoming.get(at);
      for (var other : byAmount.getOrDefault(movement.amount(), List.of())) {
        if (!sameSource(movement, other)
            && days(other.movement(), movement) <= DAYS_BETWEEN_FORMATS
            && Likeness.of(movement.told(), other.movement().told()) >= NEARLY_THE_SAME) {
          pairs.add(new Pair(at, other, 1 - days(other.movement(), movement) / 100.0));
        }
      }
    }
    meetBest(pairs, (at, k) -> Kind.SAME);
  }

  private record Pair(int at, KnownMovement known, double likeness) {}

  @FunctionalInterface
  private interface KindOf {
    Kind of(int at, KnownMovement known);
  }

  /** The most alike first; each movement meets one at most. */
  private void meetBest(List<Pair> pairs, KindOf kind) {
    pairs.sort(Comparator.comparingDouble(Pair::likeness).reversed());
    Set<Long> met = new HashSet<>();
    for (var pair : pairs) {
      if (meetings[pair.at()] == null && met.add(pair.known().key())) {
        var doubtful = pair.likeness() >= 0 && pair.likeness() < ALIKE / 2;
        meet(pair.at(), kind.of(pair.at(), pair.known()), pair.known(), doubtful);
      }
    }
    free.removeIf(k -> met.contains(k.key()));
  }

  private void meet(int at, Kind kind, KnownMovement known, boolean doubtful) {
    meetings[at] = new Meeting(at, kind, Optional.of(known), doubtful);
  }

  private static long days(Movement a, Movement b) {
    return Math.abs(ChronoUnit.DAYS.between(a.bookedOn(), b.bookedOn()));
  }

  private List<Meeting> all() {
    var all = new ArrayList<Meeting>(meetings.length);
    for (var at = 0; at < meetings.length; at++) {
      all.add(
          meetings[at] == null ? new Meeting(at, Kind.NEW, Optional.empty(), false) : meetings[at]);
    }
    return all;
  }
}
