package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.Books;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.testing.TestDepth;

/** Inputs that would make a careless engine slow, sure of itself, or fall over. */
class HostileInputTest {

  private static final Customer OSKAR = customer("oskar", "Oskar Bakehouse");

  private static ReceiptProposals propose(
      List<Customer> customers, List<? extends OpenItem> items, Receipt receipt) {
    var snapshot = new Snapshot(items, Map.of(), customers, List.of(), List.of(), policy());
    return ProposalEngine.over(snapshot).propose(List.of(receipt)).get(0);
  }

  private static List<OpenItem> invoices(int count, Random random) {
    var items = new ArrayList<OpenItem>();
    for (var n = 0; n < count; n++) {
      var amount =
          Money.ofMinor(Books.USD, random == null ? 12_500 : 2_000 + random.nextInt(400_000));
      items.add(
          invoice(
              "LM-%07d".formatted(20_000 + n),
              "oskar",
              amount.getAmount().toPlainString(),
              TODAY.minusDays(n % 60)));
    }
    return items;
  }

  @Test
  void isNotClearAmongThousandsOfItemsOfOneAmount() {
    var items = invoices(TestDepth.pick(2_000, 10_000), null);
    for (var amount : List.of("125.00", "375.00", "100.00")) {
      var result = propose(List.of(OSKAR), items, receipt(amount, "Oskar Bakehouse", ""));
      assertThat(result.standing()).isNotEqualTo(Standing.CLEAR);
      assertThat(result.proposals()).hasSizeLessThanOrEqualTo(5);
    }
    var named = receipt("125.00", "Oskar Bakehouse", "INV LM-0021711");
    assertThat(propose(List.of(OSKAR), items, named).standing()).isEqualTo(Standing.CLEAR);
  }

  @Test
  void isNotClearWhereTwelveOfFourHundredAddUp() {
    var items = invoices(400, new Random(7));
    var sum =
        IntStream.iterate(3, n -> n + 31)
            .limit(12)
            .mapToObj(items::get)
            .map(OpenItem::open)
            .reduce(Money::plus)
            .orElseThrow();
    var result =
        propose(
            List.of(OSKAR), items, receipt(sum.getAmount().toPlainString(), "Oskar Bakehouse", ""));
    assertThat(result.standing()).isNotEqualTo(Standing.CLEAR);
  }

  @Test
  void readsAHundredKilobytesOfRemittance() {
    var items = invoices(3_000, new Random(8));
    var text = new StringBuilder("REMITTANCE ");
    var sum = Money.zero(Books.USD);
    for (var n = 0; n < 2_000; n++) {
      text.append(items.get(n).number()).append(" of 2026-05-01 less nothing, as agreed; ");
      sum = sum.plus(items.get(n).open());
    }
    assertThat(text.length()).isGreaterThan(90_000);
    var result =
        propose(
            List.of(OSKAR),
            items,
            receipt(sum.getAmount().toPlainString(), "Oskar Bakehouse", text.toString()));
    assertThat(result.proposals().get(0).applications()).hasSize(2_000);
    assertThat(result.marks()).hasSize(2_000);
  }

  @Test
  void survivesManyKilobytesOfNonsense() {
    var random = new Random(9);
    var text = new StringBuilder();
    while (text.length() < TestDepth.pick(30_000, 100_000)) {
      text.append(random.nextInt(3) == 0 ? "LM-" : " ").append(random.nextInt(60_000));
    }
    var result =
        propose(
            List.of(OSKAR),
            invoices(400, random),
            receipt("881.20", "Oskar Bakehouse", text.toString()));
    assertThat(result.standing()).isNotEqualTo(Standing.CLEAR);
  }

  @Test
  void takesAReceiptOfNothingForNothing() {
    var result = propose(List.of(OSKAR), invoices(5, null), receipt("0.00", "Oskar Bakehouse", ""));
    assertThat(result.standing()).isNotEqualTo(Standing.CLEAR);
  }

  /** Thousands have nearly this name, and one of them owes just this: that is no proof. */
  @Test
  void isNotSureOfOneAmongThousandsOfNearlyOneName() {
    var customers = new ArrayList<Customer>();
    var items = new ArrayList<OpenItem>();
    for (var n = 0; n < 5_000; n++) {
      customers.add(customer("c%04d".formatted(n), "Green Kitchen " + (1_000 + n)));
      items.add(invoice("LM-%07d".formatted(n), "c%04d".formatted(n), (100 + n) + ".10"));
    }
    var unsure = propose(customers, items, receipt("101.10", "GREEN KITCHEN", ""));
    assertThat(unsure.standing()).isNotEqualTo(Standing.CLEAR);
    var sure = propose(customers, items, receipt("101.10", "Green Kitchen 1001", ""));
    assertThat(sure.proposals().get(0).customerId()).contains("c0001");
  }

  /** The number of an invoice may be a date as well; its mention alone is no proof. */
  @Test
  void isNotSureOfANumberThatIsADate() {
    var items =
        List.of(invoice("20260528", "oskar", "640.00"), invoice("20260501", "oskar", "90.00"));
    var other =
        propose(List.of(OSKAR), items, receipt("77.15", "Oskar Bakehouse", "PAYMENT 2026-05-28"));
    assertThat(other.standing()).isNotEqualTo(Standing.CLEAR);
    var both =
        propose(List.of(OSKAR), items, receipt("640.00", "Oskar Bakehouse", "PAYMENT 2026-05-28"));
    assertThat(both.proposals().get(0).applications().get(0).item().number()).isEqualTo("20260528");
  }
}
