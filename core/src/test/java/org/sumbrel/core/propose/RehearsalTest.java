package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.propose.Rehearsal.Posted;
import org.sumbrel.core.propose.Rehearsal.Thought;
import org.sumbrel.core.receivables.OpenItem;

/** What would have been thought of money that was settled since. */
class RehearsalTest {

  private static Snapshot books(OpenItem... items) {
    return new Snapshot(
        List.of(items),
        Map.of("LM-0010301", TODAY),
        List.of(customer("c1", "Oskar & Daughters")),
        List.of(),
        List.of(),
        policy());
  }

  @Test
  void setsBalancesBackAndHoldsTheFirstExplanationAgainstWhatWasPosted() {
    var settled = invoice("LM-0010301", "c1", "120.00").withOpen(usd("0.00"));
    var partly = invoice("LM-0010302", "c1", "300.00").withOpen(usd("100.00"));
    var right =
        new Posted(
            receipt("R1", "120.00", "Oskar & Daughters", "LM-0010301", TODAY),
            Map.of("LM-0010301", usd("120.00")));
    var other =
        new Posted(
            receipt("R2", "200.00", "Oskar & Daughters", "LM-0010302", TODAY),
            Map.of("LM-0010302", usd("150.00"), "LM-0010301", usd("0.00")));
    var thoughts = Rehearsal.of(books(settled, partly), List.of(right, other));
    assertThat(thoughts).extracting(Thought::receiptId).containsExactly("R1", "R2");
    assertThat(thoughts.get(0).right()).isTrue();
    assertThat(thoughts.get(0).standing()).isEqualTo(Standing.CLEAR);
    assertThat(thoughts.get(0).evidence()).startsWith("reference.");
    assertThat(thoughts.get(1).right()).isFalse();
  }

  @Test
  void saysSoWhereNothingWouldHaveBeenThought() {
    var posted = new Posted(receipt("R1", "77.00", "Nobody", "", TODAY), Map.of());
    assertThat(Rehearsal.of(books(), List.of(posted)))
        .containsExactly(new Thought("R1", Standing.BLANK, 0, false, ""));
  }
}
