package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.receipt;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.propose.BatchAssigner.Wanting;
import org.sumbrel.core.propose.Composition.Part;

class BatchAssignerTest {

  private static Composition wants(String number, long cents, double weight) {
    var open = invoice(number, "a", "100.00");
    var part =
        new Part(new Candidate(open, open.open().getAmountMinorLong(), 0, 0, null), cents, 0);
    return new Composition(Optional.of("a"), List.of(part), Optional.empty(), 0, List.of(), weight);
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
}
