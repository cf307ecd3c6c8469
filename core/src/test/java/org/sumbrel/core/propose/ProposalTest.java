package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** An explanation as a draft. */
class ProposalTest {

  private static Proposal leaving(Optional<String> customer, Optional<String> payer) {
    return new Proposal(0.9, customer, payer, List.of(), List.of(), usd("20.00"), List.of());
  }

  /** A parent that pays too much for a branch has the rest on its own account. */
  @Test
  void keepsWhatIsLeftOnTheAccountOfWhoeverPaid() {
    var proposal = leaving(Optional.of("branch"), Optional.of("parent"));
    assertThat(proposal.onAccountCustomerId()).contains("parent");
    var draft = proposal.draftFor(receipt("20.00", "Parent", ""));
    assertThat(draft.onAccountCustomer()).contains("parent");
  }

  @Test
  void keepsItOnTheCustomersAccountWhereThePayerIsNotKnown() {
    assertThat(leaving(Optional.of("branch"), Optional.empty()).onAccountCustomerId())
        .contains("branch");
    assertThat(leaving(Optional.empty(), Optional.empty()).onAccountCustomerId()).isEmpty();
  }
}
