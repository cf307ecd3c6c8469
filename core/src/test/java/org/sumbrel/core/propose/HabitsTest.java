package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** What was chosen before for a payer tells his next payment apart. */
class HabitsTest {

  private static final OpenItem WHOLE = invoice("LM-0010301", "c1", "300.00", TODAY.minusDays(5));
  private static final OpenItem ONE = invoice("LM-0010302", "c1", "110.00", TODAY.minusDays(4));
  private static final OpenItem OTHER = invoice("LM-0010303", "c1", "190.00", TODAY.minusDays(3));
  private static final OpenItem LATER = invoice("LM-0010304", "c1", "300.00", TODAY.plusDays(9));

  private static ReceiptProposals propose(
      Receipt receipt, List<PastChoice> choices, OpenItem... items) {
    var snapshot =
        new Snapshot(
            List.of(items),
            Map.of(),
            List.of(customer("c1", "Oskar & Daughters")),
            List.of(),
            List.of(),
            choices,
            policy());
    return ProposalEngine.over(snapshot).propose(List.of(receipt)).get(0);
  }

  private static List<String> first(ReceiptProposals proposals) {
    return proposals.proposals().get(0).applications().stream()
        .map(a -> a.item().number())
        .sorted()
        .toList();
  }

  private static List<PastChoice> chosen(Manner manner, int times) {
    return Collections.nCopies(times, new PastChoice("Oskar & Daughters", "", manner));
  }

  private static Receipt money() {
    return receipt("R1", "300.00", "Oskar & Daughters", "", TODAY);
  }

  @Test
  void takesSeveralTogetherWhereThatWasChosenBefore() {
    assertThat(first(propose(money(), List.of(), WHOLE, ONE, OTHER))).containsExactly("LM-0010301");
    var twice = propose(money(), chosen(Manner.SEVERAL, 3), WHOLE, ONE, OTHER);
    assertThat(first(twice)).containsExactly("LM-0010302", "LM-0010303");
    assertThat(twice.proposals().get(0).evidence())
        .extracting(Evidence::text)
        .contains("several items together were chosen for this payer before, 3 times");
  }

  @Test
  void takesWhatIsDueLaterWhereThatWasChosenBefore() {
    assertThat(first(propose(money(), List.of(), WHOLE, LATER))).containsExactly("LM-0010301");
    assertThat(first(propose(money(), chosen(Manner.LATER, 2), WHOLE, LATER)))
        .containsExactly("LM-0010304");
  }

  @Test
  void isNotMovedByOthersChoicesNorAgainstTheText() {
    var others = Collections.nCopies(5, new PastChoice("Somebody Else", "", Manner.SEVERAL));
    assertThat(first(propose(money(), others, WHOLE, ONE, OTHER))).containsExactly("LM-0010301");
    var named = receipt("R1", "300.00", "Oskar & Daughters", "LM-0010301", TODAY);
    assertThat(first(propose(named, chosen(Manner.SEVERAL, 9), WHOLE, ONE, OTHER)))
        .containsExactly("LM-0010301");
  }

  @ParameterizedTest
  @CsvSource({"2, 1, SEVERAL", "1, 3, ONE"})
  void tellsHowAChoiceDiffersInNumber(int taken, int first, Manner manner) {
    var items = List.of(WHOLE, ONE, OTHER);
    assertThat(Manner.between(items.subList(0, taken), items.subList(0, first))).contains(manner);
  }

  @Test
  void tellsHowAChoiceDiffersInAge() {
    assertThat(Manner.between(List.of(LATER), List.of(WHOLE))).contains(Manner.LATER);
    assertThat(Manner.between(List.of(WHOLE), List.of(LATER))).contains(Manner.EARLIER);
    assertThat(Manner.between(List.of(WHOLE), List.of(WHOLE))).isEmpty();
    assertThat(Manner.between(List.of(), List.of(WHOLE))).isEqualTo(Optional.empty());
  }
}
