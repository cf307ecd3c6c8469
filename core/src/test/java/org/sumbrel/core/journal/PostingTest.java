package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.usd;

import java.util.Optional;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OnAccount;

/** What an item writes when it is taken in. */
class PostingTest {

  private static void assertWrites(JournalEntry entry, Tuple... lines) {
    assertThat(entry.lines())
        .extracting(JournalLine::role, JournalLine::customerId, JournalLine::amount)
        .containsExactly(lines);
  }

  @Test
  void makesAnInvoiceAReceivableAndASale() {
    assertWrites(
        Posting.entryFor(invoice("LM-1", "a", "100.00")).orElseThrow(),
        tuple(AccountRole.RECEIVABLE, Optional.of("a"), usd("100.00")),
        tuple(AccountRole.SALES, Optional.empty(), usd("-100.00")));
  }

  @Test
  void keepsWhatWasSettledBeforeApart() {
    var i = invoice("LM-1", "a", "100.00");
    var half =
        new Invoice(
            "LM-1",
            COMPANY,
            "a",
            "LM-1",
            i.issuedOn(),
            i.dueOn(),
            usd("100.00"),
            usd("40.00"),
            "",
            "",
            i.terms());
    assertWrites(
        Posting.entryFor(half).orElseThrow(),
        tuple(AccountRole.RECEIVABLE, Optional.of("a"), usd("40.00")),
        tuple(AccountRole.OPENING_BALANCES, Optional.empty(), usd("60.00")),
        tuple(AccountRole.SALES, Optional.empty(), usd("-100.00")));
  }

  @Test
  void takesACreditNoteOffBoth() {
    assertWrites(
        Posting.entryFor(creditNote("CN-1", "a", "-8.40")).orElseThrow(),
        tuple(AccountRole.RECEIVABLE, Optional.of("a"), usd("-8.40")),
        tuple(AccountRole.SALES, Optional.empty(), usd("8.40")));
  }

  @Test
  void keepsMoneyOnAccountOffTheSales() {
    var held = new OnAccount("OA-1", COMPANY, "a", "OA-1", TODAY, usd("-30.00"), usd("-30.00"));
    assertWrites(
        Posting.entryFor(held).orElseThrow(),
        tuple(AccountRole.UNAPPLIED_RECEIPTS, Optional.of("a"), usd("-30.00")),
        tuple(AccountRole.OPENING_BALANCES, Optional.empty(), usd("30.00")));
  }

  @Test
  void writesNothingForNothing() {
    assertThat(Posting.entryFor(invoice("LM-1", "a", "0.00"))).isEmpty();
  }
}
