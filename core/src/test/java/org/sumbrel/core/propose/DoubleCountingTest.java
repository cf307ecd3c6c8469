package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.propose.DoubleCounting.Earlier;
import org.sumbrel.core.receivables.Receipt;

class DoubleCountingTest {

  private static final Receipt RECEIPT = receipt("300.00", "Oskar & Daughters", "flour");

  @Test
  void namesTheInvoicesTheMoneyWouldPay() {
    var a = invoice("LM-1", "a", "100.00");
    var b = invoice("LM-2", "a", "200.00");
    var findings =
        DoubleCounting.of(
            RECEIPT, List.of(List.of(a, b)), List.of(), List.of(a, b), "Oskar", List.of());
    assertThat(findings).hasSize(1);
    assertThat(findings.get(0).items()).containsExactly(a, b);
    assertThat(findings.get(0).sentence())
        .isEqualTo("LM-1 of 100.00 and LM-2 of 200.00 are open and would explain it.");
  }

  @Test
  void namesAnInvoiceOfTheSameAmountWhoeverOwesIt() {
    var equal = invoice("LM-3", "b", "300.00");
    var other = invoice("LM-4", "b", "300.01");
    assertThat(
            DoubleCounting.of(RECEIPT, List.of(), List.of(equal, other), List.of(), "", List.of()))
        .extracting(DoubleCounting.Finding::sentence)
        .containsExactly("LM-3 has exactly 300.00 open.");
  }

  @Test
  void namesTheSameMoneyThatWasSettledBefore() {
    var same = new Earlier("12", "OSKAR & DAUGHTERS", "", usd("300.00"), TODAY.minusDays(10));
    var longAgo = new Earlier("9", "OSKAR & DAUGHTERS", "", usd("300.00"), TODAY.minusDays(15));
    var somebodyElse = new Earlier("10", "Heron", "", usd("300.00"), TODAY);
    assertThat(
            DoubleCounting.of(
                RECEIPT, List.of(), List.of(), List.of(), "", List.of(same, longAgo, somebodyElse)))
        .extracting(DoubleCounting.Finding::sentence)
        .containsExactly(
            "300.00 from the same payer came on 19 May 2026 and is settled with settlement 12.");
  }

  @Test
  void saysThatThePayerOwesMoneyWhereNothingBetterIsKnown() {
    var owed = List.of(invoice("LM-1", "a", "70.00"), invoice("LM-2", "a", "50.00"));
    assertThat(DoubleCounting.of(RECEIPT, List.of(), List.of(), owed, "Oskar", List.of()))
        .extracting(DoubleCounting.Finding::sentence)
        .containsExactly("Oskar owes 120.00 in 2 open items.");
  }

  @Test
  void isSilentWhereNothingSpeaksAgainstIt() {
    assertThat(DoubleCounting.of(RECEIPT, List.of(), List.of(), List.of(), "", List.of()))
        .isEmpty();
  }
}
