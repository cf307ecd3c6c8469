package org.sumbrel.core.tieout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.tieout.GapLeads.Figure;
import org.sumbrel.core.tieout.GapLeads.Place;
import org.sumbrel.core.tieout.GapLeads.Slip;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Way;

/**
 * Bank reconciliations as textbooks work them, to the cent. The figures are quoted from memory, as
 * no print can be reached here; that both sides come to the same adjusted balance is what each
 * example shows.
 */
class TextbookReconciliationTest {

  private static final LocalDate DAY = LocalDate.of(2026, 4, 30);

  private final List<Way> ways = new ArrayList<>();

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  private void way(Kind kind, String amount, String words) {
    ways.add(new Way(kind, words, DAY, words, usd(amount)));
  }

  private TieOut between(String bank, String books) {
    return new TieOut(DAY, usd(bank), usd(books), ways);
  }

  /**
   * Weygandt, Kimmel, Kieso: Accounting Principles, chapter on cash and internal control, W. A.
   * Laird Company (from memory): a deposit in transit, three cheques outstanding, a note collected
   * by the bank with interest less its fee, a cheque of 1,226.00 booked as 1,262.00, a returned
   * cheque and a service charge.
   */
  @Test
  void depositInTransitChequesOutstandingAndAnErrorOfTheBooks() {
    way(Kind.IN_TRANSIT, "2201.40", "deposit of 30 April");
    way(Kind.REFUND_OUTSTANDING, "-3000.00", "cheque 453");
    way(Kind.REFUND_OUTSTANDING, "-1401.30", "cheque 457");
    way(Kind.REFUND_OUTSTANDING, "-1502.70", "cheque 460");
    way(Kind.UNEXPLAINED, "1035.00", "note collected 1,000.00, interest 50.00, less fee 15.00");
    way(Kind.UNEXPLAINED, "-425.60", "returned cheque");
    way(Kind.UNEXPLAINED, "-30.00", "service charge");
    var before = between("15907.45", "11589.45");
    assertThat(before.sum(Kind.REFUND_OUTSTANDING)).isEqualTo(usd("-5904.00"));
    // the error of the books is still to be found: nine divides it
    assertThat(before.gap()).isEqualTo(usd("36.00"));
    var leads =
        GapLeads.of(
            before.gap(),
            List.of(
                new Figure(Place.EXPLAINED, "443", DAY, "cheque 443", usd("-1262.00")),
                new Figure(Place.EXPLAINED, "444", DAY, "cheque 444", usd("-1250.00")),
                new Figure(Place.BALANCE, "", DAY, "the balance", usd("15907.45"))));
    assertThat(leads)
        .singleElement()
        .satisfies(
            lead -> {
              assertThat(lead.slip()).isEqualTo(Slip.TRANSPOSED);
              assertThat(lead.figures().get(0).id()).isEqualTo("443");
              assertThat(lead.sentence()).contains("-1,262.00 may be -1,226.00");
            });
    way(Kind.BOOK_ERROR, "36.00", "cheque 443 of 1,226.00 booked as 1,262.00");
    var tied = between("15907.45", "11589.45");
    assertThat(tied.adjustedStatement()).isEqualTo(usd("12204.85"));
    assertThat(tied.adjustedBooks()).isEqualTo(usd("12204.85"));
    assertThat(tied.tied()).isTrue();
  }

  /**
   * Harrison, Horngren: Financial Accounting, chapter on internal control and cash, Business
   * Research, Inc. (from memory): also an error of the bank, which charged another firm's cheque of
   * 100.00.
   */
  @Test
  void errorsOfTheBankAndOfTheBooks() {
    way(Kind.IN_TRANSIT, "1591.63", "deposit of 30 January");
    way(Kind.BANK_ERROR, "100.00", "cheque of another firm charged to us");
    way(Kind.REFUND_OUTSTANDING, "-286.00", "cheque 337");
    way(Kind.REFUND_OUTSTANDING, "-319.47", "cheque 338");
    way(Kind.REFUND_OUTSTANDING, "-83.00", "cheque 339");
    way(Kind.REFUND_OUTSTANDING, "-203.14", "cheque 340");
    way(Kind.REFUND_OUTSTANDING, "-458.53", "cheque 341");
    way(Kind.UNEXPLAINED, "904.03", "rent received");
    way(Kind.UNEXPLAINED, "2114.00", "note collected with interest");
    way(Kind.UNEXPLAINED, "28.01", "interest");
    way(Kind.BOOK_ERROR, "360.00", "cheque 333 booked too high");
    way(Kind.UNEXPLAINED, "-14.25", "service charge");
    way(Kind.UNEXPLAINED, "-52.00", "returned cheque");
    way(Kind.UNEXPLAINED, "-361.00", "insurance");
    var tied = between("5931.51", "3294.21");
    assertThat(tied.adjustedStatement()).isEqualTo(usd("6273.00"));
    assertThat(tied.adjustedBooks()).isEqualTo(usd("6273.00"));
    assertThat(tied.tied()).isTrue();
  }

  /**
   * Wild, Shaw, Chiappetta: Fundamental Accounting Principles, chapter on cash and internal
   * controls, VideoBuster (from memory).
   */
  @Test
  void noteCollectedInterestAndChargesOfTheBank() {
    way(Kind.IN_TRANSIT, "145.00", "deposit of 31 October");
    way(Kind.REFUND_OUTSTANDING, "-150.00", "cheque 124");
    way(Kind.REFUND_OUTSTANDING, "-200.00", "cheque 126");
    way(Kind.UNEXPLAINED, "485.00", "note of 500.00 collected, less fee 15.00");
    way(Kind.UNEXPLAINED, "8.42", "interest");
    way(Kind.UNEXPLAINED, "-23.00", "cheque printing");
    way(Kind.UNEXPLAINED, "-30.00", "returned cheque and its fee");
    var tied = between("2050.00", "1404.58");
    assertThat(tied.adjustedStatement()).isEqualTo(usd("1845.00"));
    assertThat(tied.adjustedBooks()).isEqualTo(usd("1845.00"));
  }
}
