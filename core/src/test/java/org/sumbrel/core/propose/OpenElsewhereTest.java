package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;

import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.Policy;

/** Items in another currency than the receipt: read where they are named, never taken for money. */
class OpenElsewhereTest {

  private static Invoice inEuros(String number, String customer, String open) {
    return invoice(number, customer, Money.parse("EUR " + open));
  }

  private static ReceiptProposals thought(String amount, String text, OpenItem... items) {
    var snapshot =
        new Snapshot(
            List.of(items),
            Map.of(),
            List.of(customer("salt", "Saltpan Trading"), customer("wren", "Wrenhouse Bagels")),
            List.of(),
            List.of(),
            Policy.standard(USD));
    return ProposalEngine.over(snapshot)
        .propose(List.of(receipt(amount, "SALTPAN TRADING", text)))
        .get(0);
  }

  @Test
  void whoOwesInAnotherCurrencyOnlyHasSomethingOpen() {
    var thought = thought("906.70", "flour", inEuros("LX-03401", "salt", "1000.00"));
    assertThat(thought.standing()).isNotEqualTo(Standing.CLEAR);
    assertThat(thought.proposals().get(0).evidence().stream().map(Evidence::text))
        .anyMatch(says -> says.contains("what is open is in EUR"));
    assertThat(thought.proposals().get(0).evidence()).anyMatch(Evidence::openElsewhere);
  }

  @Test
  void aNumberThatNamesItIsNoSlipOfAnotherOne() {
    var thought =
        thought(
            "906.70",
            "INV LX-03401",
            inEuros("LX-03401", "salt", "1000.00"),
            invoice("LX-03301", "salt", "906.70"));
    assertThat(thought.standing()).isNotEqualTo(Standing.CLEAR);
    assertThat(thought.notes().stream().map(Evidence::text))
        .anyMatch(says -> says.contains("LX-03401 in the text has 1,000.00 EUR open"));
    for (var proposal : thought.proposals()) {
      assertThat(proposal.applications()).allMatch(a -> a.amount().getCurrencyUnit().equals(USD));
    }
  }

  @Test
  void whatIsPaidInItsOwnCurrencyStandsAsBefore() {
    var thought =
        thought(
            "900.00",
            "INV LM-0020448",
            inEuros("LX-03401", "salt", "900.00"),
            invoice("LM-0020448", "salt", "900.00"));
    assertThat(thought.standing()).isEqualTo(Standing.CLEAR);
    assertThat(thought.proposals().get(0).applications().get(0).amount()).isEqualTo(usd("900.00"));
    assertThat(thought.proposals().get(0).evidence()).noneMatch(Evidence::openElsewhere);
  }
}
