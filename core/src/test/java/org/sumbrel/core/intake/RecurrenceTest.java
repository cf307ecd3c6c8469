package org.sumbrel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.usd;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.intake.Meeting.Kind;

class RecurrenceTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 28);

  private static Movement movement(
      String source, String id, LocalDate day, String amount, String told) {
    return new Movement(source, id, !id.startsWith("f-"), day, day, usd(amount), true, told);
  }

  private static Movement announced(Movement movement) {
    return new Movement(
        movement.source(),
        movement.id(),
        movement.idOfBank(),
        movement.bookedOn(),
        movement.valueOn(),
        movement.amount(),
        false,
        movement.told());
  }

  private static List<KnownMovement> known(Movement... movements) {
    var known = new ArrayList<KnownMovement>();
    for (var movement : movements) {
      var ids = Set.of(KnownMovement.id(movement.source(), movement.id()));
      known.add(new KnownMovement(known.size() + 1L, ids, movement, false));
    }
    return known;
  }

  private static List<Kind> kinds(List<Meeting> meetings) {
    return meetings.stream().map(Meeting::kind).toList();
  }

  @Test
  void theSameDayInTwoFormatsIsOneDay() {
    var ofx =
        known(
            movement("ofx", "1", DAY, "100.00", "PIAZZA FORNO INV 1"),
            movement("ofx", "2", DAY, "100.00", "TAMARISK INV 2"),
            movement("ofx", "3", DAY, "7.00", "ACH CREDIT"));
    var camt =
        List.of(
            movement("camt", "A", DAY, "100.00", "Tamarisk, INV 2, second half"),
            movement("camt", "B", DAY, "7.00", "Oskar & Daughters"),
            movement("camt", "C", DAY, "100.00", "Piazza Forno INV 1"),
            movement("camt", "D", DAY, "100.00", "Wrenhouse"));
    var meetings = Recurrence.of(camt, ofx, day -> true);
    assertThat(kinds(meetings)).containsExactly(Kind.SAME, Kind.SAME, Kind.SAME, Kind.NEW);
    assertThat(meetings.get(0).known().orElseThrow().key()).isEqualTo(2);
    assertThat(meetings.get(2).known().orElseThrow().key()).isEqualTo(1);
    assertThat(meetings).extracting(Meeting::doubtful).containsExactly(false, true, false, false);
  }

  /** Where neither side has the whole day, day and amount alone do not make two payments one. */
  @Test
  void inPartsOfADayWhatIsToldMustBeAlike() {
    var ofx = known(movement("ofx", "1", DAY, "100.00", "PIAZZA FORNO INV 1"));
    var told = movement("mt", "A", DAY, "100.00", "PIAZZA FORNO");
    var other = movement("mt", "B", DAY, "100.00", "TAMARISK");
    assertThat(kinds(Recurrence.of(List.of(told), ofx, day -> false))).containsExactly(Kind.SAME);
    assertThat(kinds(Recurrence.of(List.of(other), ofx, day -> false))).containsExactly(Kind.NEW);
    assertThat(kinds(Recurrence.of(List.of(other), ofx, day -> true))).containsExactly(Kind.SAME);
  }

  @Test
  void idsOfTheBankTellTwoOfTheSameDayAndAmountApart() {
    var ofx = known(movement("ofx", "1", DAY, "100.00", "PIAZZA FORNO"));
    var next = List.of(movement("ofx", "2", DAY, "100.00", "PIAZZA FORNO"));
    assertThat(kinds(Recurrence.of(next, ofx, day -> true))).containsExactly(Kind.NEW);
  }

  @Test
  void anotherAmountUnderTheSameIdIsAChange() {
    var before = known(movement("camt", "A", DAY, "100.00", "X"));
    var changed = List.of(movement("camt", "A", DAY, "110.00", "X"));
    assertThat(kinds(Recurrence.of(changed, before, day -> true))).containsExactly(Kind.CHANGED);
    var usedAgain = List.of(movement("camt", "A", DAY.plusYears(1), "110.00", "X"));
    assertThat(kinds(Recurrence.of(usedAgain, before, day -> true))).containsExactly(Kind.NEW);
  }

  /** What a corrected statement took out does not come back, and stands in for nothing else. */
  @Test
  void aWithdrawnOneIsKnownByItsIdOnly() {
    var gone = known(movement("camt", "A", DAY, "100.00", "PIAZZA")).get(0);
    var withdrawn = List.of(new KnownMovement(gone.key(), gone.ids(), gone.movement(), true));
    var again = List.of(movement("camt", "A", DAY, "110.00", "PIAZZA"));
    assertThat(kinds(Recurrence.of(again, withdrawn, day -> true))).containsExactly(Kind.SAME);
    var other = List.of(movement("ofx", "1", DAY, "100.00", "PIAZZA"));
    assertThat(kinds(Recurrence.of(other, withdrawn, day -> true))).containsExactly(Kind.NEW);
  }

  @Test
  void anAnnouncedOneBecomesBookedOnce() {
    var announced = announced(movement("camt", "f-1", DAY, "100.00", "PIAZZA FORNO INV 1"));
    var booked = movement("camt", "A", DAY.plusDays(2), "100.00", "PIAZZA FORNO INV 1");
    assertThat(kinds(Recurrence.of(List.of(booked), known(announced), day -> true)))
        .containsExactly(Kind.BECOMES_BOOKED);
    assertThat(kinds(Recurrence.of(List.of(announced), known(booked), day -> true)))
        .containsExactly(Kind.SAME);
    assertThat(kinds(Recurrence.of(List.of(booked, booked), known(announced), day -> true)))
        .containsExactlyInAnyOrder(Kind.BECOMES_BOOKED, Kind.NEW);
    var late = movement("camt", "A", DAY.plusDays(11), "100.00", "PIAZZA FORNO INV 1");
    assertThat(kinds(Recurrence.of(List.of(late), known(announced), day -> true)))
        .containsExactly(Kind.NEW);
    var other = movement("camt", "A", DAY, "100.00", "TAMARISK INV 9");
    assertThat(kinds(Recurrence.of(List.of(other), known(announced), day -> true)))
        .containsExactly(Kind.NEW);
  }

  @Test
  void formatsMayDateTheSameMovementDifferently() {
    var ofx = known(movement("ofx", "1", DAY, "100.00", "PIAZZA FORNO INV 1"));
    var next = movement("mt", "A", DAY.plusDays(1), "100.00", "PIAZZA FORNO INV 1");
    assertThat(kinds(Recurrence.of(List.of(next), ofx, day -> false))).containsExactly(Kind.SAME);
    var nextWeek = movement("mt", "A", DAY.plusDays(7), "100.00", "PIAZZA FORNO INV 1");
    assertThat(kinds(Recurrence.of(List.of(nextWeek), ofx, day -> false)))
        .containsExactly(Kind.NEW);
  }

  /** Two thousand of the same amount on one day, as a subscription brings them. */
  @Test
  void veryManyAlikeMeetOneToOne() {
    var ofx = new ArrayList<Movement>();
    var camt = new ArrayList<Movement>();
    for (var n = 0; n < 2_000; n++) {
      ofx.add(movement("ofx", "O" + n, DAY, "10.00", "PAYER " + n));
      camt.add(movement("camt", "C" + n, DAY, "10.00", "Payer " + n));
    }
    camt.add(movement("camt", "MORE", DAY, "10.00", "One more"));
    var meetings = Recurrence.of(camt, known(ofx.toArray(new Movement[0])), day -> true);
    assertThat(kinds(meetings)).filteredOn(k -> k == Kind.SAME).hasSize(2_000);
    assertThat(kinds(meetings)).filteredOn(k -> k == Kind.NEW).hasSize(1);
  }

  private static List<Movement> random(Random random, String source, int count) {
    var movements = new ArrayList<Movement>();
    var payers = List.of("PIAZZA FORNO", "TAMARISK CAFE", "OSKAR DAUGHTERS", "");
    for (var n = 0; n < count; n++) {
      var amount = Money.ofMinor(CurrencyUnit.USD, 100 + random.nextInt(4));
      var day = DAY.plusDays(random.nextInt(3));
      var told = payers.get(random.nextInt(payers.size()));
      movements.add(
          new Movement(
              source,
              "B" + n,
              random.nextBoolean(),
              day,
              day,
              amount,
              random.nextInt(5) > 0,
              told));
    }
    return movements;
  }

  private static List<Movement> booked(Random random, int count) {
    return random(random, "ofx", count).stream()
        .filter(Movement::booked)
        .collect(Collectors.toList());
  }

  /** The same movements as another format would tell them, in another order. */
  private static List<Movement> elsewhere(Random random, List<Movement> movements) {
    var told =
        movements.stream()
            .map(
                m ->
                    new Movement(
                        "camt",
                        m.id() + "x",
                        true,
                        m.bookedOn(),
                        m.valueOn(),
                        m.amount(),
                        m.booked(),
                        m.told()))
            .collect(Collectors.toList());
    Collections.shuffle(told, random);
    return told;
  }

  private static Money sum(List<Movement> movements) {
    return movements.stream()
        .map(Movement::amount)
        .reduce(Money.zero(CurrencyUnit.USD), Money::plus);
  }

  /** Invariant 5: the same file taken in twice brings nothing, in whatever order. */
  @Property
  void theSameFileBringsNothing(@ForAll Random random, @ForAll @IntRange(max = 30) int count) {
    var movements = random(random, "ofx", count);
    var known = known(movements.toArray(new Movement[0]));
    Collections.shuffle(movements, random);
    assertThat(kinds(Recurrence.of(movements, known, day -> random.nextBoolean())))
        .allSatisfy(kind -> assertThat(kind).isEqualTo(Kind.SAME));
  }

  /** Invariant 5: of whole days in another format exactly what was not known is new. */
  @Property
  void ofWholeDaysInAnotherFormatWhatWasNotKnownIsNew(
      @ForAll Random random,
      @ForAll @IntRange(max = 20) int before,
      @ForAll @IntRange(max = 10) int more) {
    var all = booked(random, before + more);
    var known = all.subList(0, Math.min(before, all.size()));
    var camt = elsewhere(random, all);
    var meetings = Recurrence.of(camt, known(known.toArray(new Movement[0])), day -> true);
    var fresh =
        meetings.stream().filter(m -> m.kind() == Kind.NEW).map(m -> camt.get(m.at())).toList();
    assertThat(fresh).hasSize(all.size() - known.size());
    assertThat(sum(fresh)).isEqualTo(sum(all).minus(sum(known)));
  }

  /** Movements meet one to one. */
  @Property
  void noKnownMovementIsMetTwice(@ForAll Random random, @ForAll @IntRange(max = 30) int count) {
    var known = known(random(random, "ofx", count).toArray(new Movement[0]));
    var meetings = Recurrence.of(random(random, "camt", count), known, day -> random.nextBoolean());
    var met = new HashSet<Long>();
    meetings.forEach(m -> m.known().ifPresent(k -> assertThat(met.add(k.key())).isTrue()));
  }
}
