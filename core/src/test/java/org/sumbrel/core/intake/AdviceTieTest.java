package org.sumbrel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.intake.AdviceTie.Advice;
import org.sumbrel.core.intake.AdviceTie.Arrived;
import org.sumbrel.core.intake.AdviceTie.By;
import org.sumbrel.core.intake.AdviceTie.Tie;

/** An advice finds its money, and is tied to none where it could be another's. */
class AdviceTieTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 28);

  private static Advice advice(long key, String trace, String total, String payer) {
    return new Advice(key, trace, DAY, true, Money.parse("USD " + total), payer);
  }

  private static Arrived entry(long key, int days, String amount, String payer, String told) {
    return new Arrived(key, DAY.plusDays(days), Money.parse("USD " + amount), payer, told, true);
  }

  @Test
  void byTheTraceWhateverTheAmountAndTheDay() {
    var ties =
        AdviceTie.of(
            List.of(advice(1, "0210-0008934", "100.00", "Heron")),
            List.of(
                entry(7, 1, "100.00", "Heron", "flour"),
                entry(8, 40, "85.00", "Heron", "TRN*1*02100008934 less a fee")));
    assertThat(ties).containsExactly(new Tie(1L, 8L, By.TRACE));
  }

  @Test
  void aTraceInTwoEntriesIsDecidedByTheAmount() {
    var entries =
        List.of(
            entry(7, 1, "100.00", "Heron", "7700112"), entry(8, 1, "85.00", "Heron", "7700112"));
    assertThat(AdviceTie.of(List.of(advice(1, "7700112", "85.00", "")), entries))
        .containsExactly(new Tie(1L, 8L, By.TRACE));
    assertThat(AdviceTie.of(List.of(advice(1, "7700112", "90.00", "")), entries)).isEmpty();
  }

  @Test
  void byAmountAndDateWhereNothingElseFits() {
    var advice = List.of(advice(1, "", "100.00", "Heron"));
    assertThat(AdviceTie.of(advice, List.of(entry(7, 3, "100.00", "", ""))))
        .containsExactly(new Tie(1L, 7L, By.AMOUNT_AND_DATE));
    assertThat(AdviceTie.of(advice, List.of(entry(7, 16, "100.00", "", "")))).isEmpty();
    assertThat(AdviceTie.of(advice, List.of(entry(7, -6, "100.00", "", "")))).isEmpty();
    assertThat(AdviceTie.of(advice, List.of(entry(7, 3, "100.01", "", "")))).isEmpty();
  }

  @Test
  void withoutADateTheMoneyMayHaveComeLongBefore() {
    var undated = new Advice(1L, "", DAY, false, Money.parse("USD 100.00"), "");
    assertThat(AdviceTie.of(List.of(undated), List.of(entry(7, -40, "100.00", "", ""))))
        .containsExactly(new Tie(1L, 7L, By.AMOUNT_AND_DATE));
    assertThat(AdviceTie.of(List.of(undated), List.of(entry(7, -46, "100.00", "", "")))).isEmpty();
  }

  @Test
  void theNameTellsWhichOfSeveral() {
    var entries =
        List.of(
            entry(7, 1, "100.00", "Heron Bakery Ltd", ""), entry(8, 1, "100.00", "Wrenhouse", ""));
    assertThat(AdviceTie.of(List.of(advice(1, "", "100.00", "Heron Bakery")), entries))
        .containsExactly(new Tie(1L, 7L, By.NAME));
    assertThat(AdviceTie.of(List.of(advice(1, "", "100.00", "Nobody")), entries)).isEmpty();
    assertThat(
            AdviceTie.of(
                List.of(
                    advice(1, "", "100.00", "Heron Bakery"),
                    advice(2, "", "100.00", "Heron Bakery")),
                entries))
        .isEmpty();
  }

  /** No advice and no entry is tied twice, and the order in which they came changes nothing. */
  @Property(tries = 300)
  void oneToOneInAnyOrder(@ForAll long seed) {
    var random = new Random(seed);
    var names = List.of("Heron", "Wrenhouse", "");
    var advices = new ArrayList<Advice>();
    var entries = new ArrayList<Arrived>();
    for (var n = 0; n < random.nextInt(1, 8); n++) {
      advices.add(
          advice(
              n,
              random.nextBoolean() ? "" : "77001" + random.nextInt(4),
              random.nextInt(1, 4) + ".00",
              names.get(random.nextInt(3))));
    }
    for (var n = 0; n < random.nextInt(1, 8); n++) {
      entries.add(
          entry(
              n,
              random.nextInt(-8, 20),
              random.nextInt(1, 4) + ".00",
              names.get(random.nextInt(3)),
              random.nextBoolean() ? "" : "ref 77001" + random.nextInt(4)));
    }
    var ties = AdviceTie.of(advices, entries);
    assertThat(new HashSet<>(ties.stream().map(Tie::advice).toList())).hasSameSizeAs(ties);
    assertThat(new HashSet<>(ties.stream().map(Tie::entry).toList())).hasSameSizeAs(ties);
    Collections.shuffle(advices, random);
    Collections.shuffle(entries, random);
    assertThat(AdviceTie.of(advices, entries)).isEqualTo(ties);
  }
}
