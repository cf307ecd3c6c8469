package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.receipt;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.propose.BatchAssigner.Wanting;
import org.sumbrel.core.propose.Composition.Part;

class BatchAssignerTest {

  private static Composition wants(String number, long cents, double weight) {
    var open = invoice(number, "a", "100.00");
    var part =
        new Part(new Candidate(open, open.open().getAmountMinorLong(), 0, 0, null), cents, 0);
    return new Composition(Optional.of("a"), List.of(part), List.of(), 0, List.of(), weight);
  }

  private static Wanting wanting(String id, LocalDate on, Composition... compositions) {
    return new Wanting(receipt(id, "100.00", "", "", on), Arrays.asList(compositions));
  }

  @Test
  void givesAnItemToTheStrongerAndTheOtherItsSecond() {
    var strong = wanting("strong", TODAY, wants("LM-1", 10_000, 9));
    var weak =
        wanting("weak", TODAY.minusDays(5), wants("LM-1", 10_000, 7), wants("LM-2", 10_000, 6));
    var result = BatchAssigner.assign(List.of(weak, strong));
    assertThat(result.get("strong").compositions().get(0).key()).contains("LM-1");
    assertThat(result.get("weak").compositions().get(0).key()).contains("LM-2");
    assertThat(result.get("weak").compositions().get(1).evidence())
        .extracting(Evidence::text)
        .anyMatch(says -> says.contains("LM-1 is wanted by the 100.00 of 29 May 2026"));
  }

  @Test
  void givesAnItemToTheEarlierOfEquals() {
    var late = wanting("a", TODAY, wants("LM-1", 10_000, 8));
    var early = wanting("b", TODAY.minusDays(1), wants("LM-1", 10_000, 8));
    var result = BatchAssigner.assign(List.of(late, early));
    assertThat(result.get("b").compositions()).hasSize(1);
    assertThat(result.get("a").compositions()).isEmpty();
    assertThat(result.get("a").notes())
        .singleElement()
        .extracting(Evidence::code)
        .isEqualTo("batch.taken");
  }

  @Test
  void letsTwoShareAnItemWithinItsBalance() {
    var one = wanting("a", TODAY, wants("LM-1", 6_000, 8));
    var two = wanting("b", TODAY, wants("LM-1", 4_000, 7));
    var three = wanting("c", TODAY, wants("LM-1", 1, 6));
    var result = BatchAssigner.assign(List.of(three, two, one));
    assertThat(result.get("a").compositions()).hasSize(1);
    assertThat(result.get("b").compositions()).hasSize(1);
    assertThat(result.get("c").compositions()).isEmpty();
  }

  /**
   * An assignment problem of four by four with the least cost 140 (69 + 37 + 11 + 23): the usual
   * worked example of the Hungarian method (Kuhn 1955), figures recalled from memory. Costs are
   * turned into weights.
   */
  @Test
  void solvesAPublishedAssignment() {
    var costs = new int[][] {{82, 83, 69, 92}, {77, 37, 49, 92}, {11, 69, 5, 86}, {8, 9, 98, 23}};
    var all = new ArrayList<Wanting>();
    for (var row = 0; row < 4; row++) {
      var cost = costs[row];
      all.add(
          wanting(
              "r" + row,
              TODAY,
              IntStream.range(0, 4)
                  .mapToObj(column -> wants("LM-" + column, 10_000, 22 - cost[column] / 10.0))
                  .sorted(Composition.BEST_FIRST)
                  .toArray(Composition[]::new)));
    }
    var result = BatchAssigner.assign(all);
    var total =
        result.values().stream().mapToDouble(a -> 22 - a.compositions().get(0).weight()).sum();
    assertThat(total).isCloseTo(14.0, within(1e-9));
  }

  /** Compared with every way of handing out a few items: none is worth more. */
  @Property(tries = 200)
  void isWorthAsMuchAsTheBestOfAllWays(@ForAll Random random) {
    var all = new ArrayList<Wanting>();
    for (var n = 0; n < 5; n++) {
      var wishes =
          random
              .ints(0, 5)
              .distinct()
              .limit(1 + random.nextInt(3))
              .mapToObj(item -> wants("LM-" + item, 10_000, 8 + random.nextInt(100) / 10.0))
              .sorted(Composition.BEST_FIRST)
              .toArray(Composition[]::new);
      all.add(wanting("r" + n, TODAY, wishes));
    }
    var result = BatchAssigner.assign(all);
    var got =
        all.stream()
            .map(w -> result.get(w.receipt().id()).compositions())
            .filter(c -> !c.isEmpty())
            .mapToDouble(c -> worth(c.get(0)))
            .sum();
    assertThat(got).isCloseTo(best(all, 0, new HashSet<>()), within(1e-6));
  }

  private static double worth(Composition composition) {
    return Math.log1p(Math.exp(composition.weight() - Weights.NONE_OF_THESE));
  }

  private static double best(List<Wanting> all, int at, Set<String> used) {
    if (at == all.size()) {
      return 0;
    }
    var best = best(all, at + 1, used);
    for (var wish : all.get(at).compositions()) {
      if (used.add(wish.key())) {
        best = Math.max(best, worth(wish) + best(all, at + 1, used));
        used.remove(wish.key());
      }
    }
    return best;
  }
}
