package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.usd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.Books;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** Why ticked items do not come to what arrived. */
class GapReasonTest {

  private static Draft draft(String received, Application... taken) {
    return draft(usd(received), List.of(taken));
  }

  private static Draft draft(Money received, List<Application> taken) {
    var receipt = new Receipt("R", COMPANY, TODAY, received, "card batch", "", "");
    return new Draft(receipt, taken, List.of(), usd("0"), Optional.empty());
  }

  private static Application whole(OpenItem item) {
    return Application.of(item, item.open());
  }

  private final OpenItem bagel = invoice("SLIP-1", "C1", "208.40");
  private final OpenItem rye = invoice("SLIP-2", "C1", "23.50");
  private final OpenItem bun = invoice("SLIP-3", "C1", "11.75");

  @Test
  void namesTheOneThatIsNotTicked() {
    assertThat(GapReason.of(draft("231.90", whole(bagel)), List.of(bagel, rye, bun)))
        .singleElement()
        .asString()
        .startsWith("SLIP-2 of 23.50 on ")
        .endsWith(" is not ticked.");
  }

  @Test
  void namesTheOneThatIsTickedTooMuch() {
    assertThat(GapReason.of(draft("208.40", whole(bagel), whole(rye)), List.of(bun)))
        .singleElement()
        .asString()
        .startsWith("Without SLIP-2 of 23.50");
  }

  @Test
  void namesTwoTogether() {
    var other = invoice("SLIP-4", "C1", "11.75");
    assertThat(GapReason.of(draft("231.90", whole(bagel)), List.of(bun, other)))
        .singleElement()
        .asString()
        .contains("SLIP-3 of 11.75", "SLIP-4 of 11.75", "are not ticked");
  }

  @Test
  void namesWhatIsTakenInPartAndExchangedDigits() {
    assertThat(GapReason.of(draft("208.40", Application.of(bagel, usd("200.00"))), List.of()))
        .containsExactly("SLIP-1 is taken with 200.00 of 208.40.");
    var large = invoice("SLIP-9", "C1", "900.00");
    assertThat(GapReason.of(draft("453.00", Application.of(large, usd("435.00"))), List.of()))
        .containsExactly("435.00 for SLIP-9 would be 453.00 with two digits exchanged.");
  }

  @Test
  void isSilentWhereNothingTells() {
    assertThat(GapReason.of(draft("231.90", whole(bagel)), List.of(bun))).isEmpty();
    assertThat(GapReason.of(draft("208.40", whole(bagel)), List.of(bun))).isEmpty();
  }

  /** Whichever slip of a batch is forgotten, it is named. */
  @Property(tries = 200)
  void namesWhicheverIsForgotten(
      @ForAll @Size(min = 2, max = 40) List<@IntRange(min = 1, max = 50_000) Integer> cents,
      @ForAll @IntRange(max = 1_000) int which) {
    var items = new ArrayList<OpenItem>();
    for (var one : cents) {
      items.add(
          invoice("S-" + items.size(), "C1", Money.ofMinor(Books.USD, one).getAmount().toString()));
    }
    var forgotten = items.get(which % items.size());
    var total = Money.total(items.stream().map(OpenItem::open).toList());
    var taken = items.stream().filter(i -> i != forgotten).map(GapReasonTest::whole).toList();
    assertThat(GapReason.of(draft(total, taken), items))
        .anyMatch(
            said -> said.startsWith(forgotten.number() + " of ") && said.endsWith("not ticked."));
  }
}
