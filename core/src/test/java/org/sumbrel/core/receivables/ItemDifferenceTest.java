package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.usd;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.ItemDifference.Kind;

/** What a later list says otherwise of a known item, and what it only does not know yet. */
class ItemDifferenceTest {

  private static final OpenItem INVOICE = invoice("LM-1", "oskar", "120.00");
  private static final LocalDate DUE = INVOICE.dueOn();

  private static List<Kind> kinds(OpenItem item, LocalDate due, String open, boolean cancelled) {
    return ItemDifference.between(item, due, usd(open), cancelled).stream()
        .map(ItemDifference::kind)
        .toList();
  }

  @Test
  void theSameIsNoDifferenceAndNeitherIsMoreOpenThanHere() {
    assertThat(kinds(INVOICE, DUE, "120.00", false)).isEmpty();
    assertThat(kinds(INVOICE, DUE, "150.00", false)).isEmpty();
  }

  @Test
  void aDueDateAndABalanceAreTwo() {
    assertThat(kinds(INVOICE, DUE.plusDays(1), "119.99", false))
        .containsExactly(Kind.DUE_DATE, Kind.PAID_ELSEWHERE);
  }

  @Test
  void cancelledGoesBeforeAllElse() {
    assertThat(kinds(INVOICE, DUE.plusDays(1), "0.00", true)).containsExactly(Kind.CANCELLED);
  }

  @Test
  void aCreditNoteKeepsItsSign() {
    var note = creditNote("CN-1", "oskar", "-84.00");
    var difference = ItemDifference.between(note, note.dueOn(), usd("30.00"), false).get(0);
    assertThat(difference.kind()).isEqualTo(Kind.PAID_ELSEWHERE);
    assertThat(difference.open()).isEqualTo(usd("-30.00"));
  }
}
