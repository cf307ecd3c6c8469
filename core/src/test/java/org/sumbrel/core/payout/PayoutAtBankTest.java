package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.payout.PayoutAtBank.Entry;
import org.sumbrel.core.payout.PayoutAtBank.Seen;
import org.sumbrel.core.payout.PayoutAtBank.Sent;

/** Made up, no source. */
class PayoutAtBankTest {

  private static final LocalDate FRIDAY = LocalDate.of(2026, 5, 29);
  private static final List<String> KNOWN = List.of("Chipfold", "Grocer's Row");

  private static Entry entry(String id, int daysLater, String amount, String says) {
    return new Entry(id, FRIDAY.plusDays(daysLater), Money.parse("USD " + amount), says);
  }

  private static Sent sent(String id, String processor, String amount) {
    return new Sent(id, processor, FRIDAY, Money.parse("USD " + amount));
  }

  @Test
  void findsThePayoutByNameAmountAndDay() {
    var entries =
        List.of(
            entry("1", 3, "418.70", "CHIPFOLD PAYOUTS SETTLEMENT 22-28 MAY"),
            entry("2", 0, "211.90", "GROCERS ROW MARKET W21"),
            entry("3", 0, "90.00", "THREE RIVERS LM-0020412"));
    var sent = List.of(sent("p", "Chipfold", "418.70"), sent("q", "Grocer's Row", "100.00"));
    assertThat(PayoutAtBank.among(entries, sent, KNOWN))
        .containsExactly(
            new Seen("1", Optional.of("Chipfold"), Optional.of("p"), true),
            new Seen("2", Optional.of("Grocer's Row"), Optional.empty(), false));
  }

  @Test
  void takesAWordForPayoutsForOneOfAProcessorThatNobodyKnows() {
    assertThat(
            PayoutAtBank.among(
                List.of(
                    entry("1", 0, "10.00", "NEWFOLD WEEKLY PAYOUT 7"),
                    entry("2", 0, "10.00", "LAYPAYOUTER LTD")),
                List.of(),
                List.of()))
        .containsExactly(new Seen("1", Optional.empty(), Optional.empty(), false));
  }

  @Test
  void findsASilentEntryByAmountOnlyWithinAFewDays() {
    var sent = List.of(sent("p", "Chipfold", "418.70"));
    assertThat(PayoutAtBank.among(List.of(entry("1", 3, "418.70", "ACH 99")), sent, KNOWN))
        .containsExactly(new Seen("1", Optional.empty(), Optional.of("p"), true));
    assertThat(PayoutAtBank.among(List.of(entry("1", 4, "418.70", "ACH 99")), sent, KNOWN))
        .isEmpty();
  }

  @Test
  void findsAPayoutForOneEntryOnlyAndNeverForMoneyThatLeaves() {
    var sent = List.of(sent("p", "Chipfold", "418.70"));
    assertThat(
            PayoutAtBank.among(
                List.of(
                    entry("0", 0, "-418.70", "CHIPFOLD TAKEN BACK"),
                    entry("1", 0, "418.70", "CHIPFOLD"),
                    entry("2", 1, "418.70", "CHIPFOLD")),
                sent,
                KNOWN))
        .containsExactly(
            new Seen("1", Optional.of("Chipfold"), Optional.of("p"), true),
            new Seen("2", Optional.of("Chipfold"), Optional.empty(), false));
  }

  @Test
  void doesNotTakeThePayoutOfAnotherProcessor() {
    assertThat(
            PayoutAtBank.among(
                List.of(entry("1", 0, "418.70", "GROCERS ROW")),
                List.of(sent("p", "Chipfold", "418.70")),
                KNOWN))
        .containsExactly(new Seen("1", Optional.of("Grocer's Row"), Optional.empty(), false));
  }

  @Test
  void takesWhatIsLessThanAPayoutOfTheNamedProcessorForAPart() {
    var sent = List.of(sent("q", "Grocer's Row", "900.00"), sent("p", "Chipfold", "418.70"));
    assertThat(
            PayoutAtBank.among(
                List.of(
                    entry("1", 1, "400.00", "CHIPFOLD PART 1"),
                    entry("2", 1, "400.00", "ACH 99"),
                    entry("3", 1, "500.00", "CHIPFOLD")),
                sent,
                KNOWN))
        .containsExactly(
            new Seen("1", Optional.of("Chipfold"), Optional.of("p"), false),
            new Seen("3", Optional.of("Chipfold"), Optional.empty(), false));
  }
}
