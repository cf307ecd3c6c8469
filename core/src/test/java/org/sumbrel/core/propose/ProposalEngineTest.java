package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.Books.withReferences;
import static org.sumbrel.core.Books.withTerms;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.ForkJoinPool;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.SmallWriteOff;

class ProposalEngineTest {

  private static final Customer OSKAR = customer("oskar", "Oskar & Daughters Bakehouse");
  private static final Customer FORNO = customer("forno", "Piazza Forno");

  private static ReceiptProposals propose(Receipt receipt, OpenItem... items) {
    return propose(List.of(OSKAR, FORNO), receipt, items);
  }

  private static ReceiptProposals propose(
      List<Customer> customers, Receipt receipt, OpenItem... items) {
    var snapshot =
        new Snapshot(List.of(items), Map.of(), customers, List.of(), List.of(), policy());
    return ProposalEngine.over(snapshot).propose(List.of(receipt)).get(0);
  }

  private static List<String> numbers(Proposal proposal) {
    return proposal.applications().stream().map(a -> a.item().number()).toList();
  }

  private static List<String> codes(Proposal proposal) {
    return proposal.evidence().stream().map(Evidence::code).toList();
  }

  @Test
  void isClearWhereNumberPayerAndAmountAgree() {
    var result =
        propose(
            receipt("1420.00", "OSKAR DAUGHTERS BAKEHSE", "INV LM-0020418 FLOUR"),
            invoice("LM-0020418", "oskar", "1420.00"),
            invoice("LM-0020460", "oskar", "1420.00"));
    assertThat(result.standing()).isEqualTo(Standing.CLEAR);
    assertThat(numbers(result.proposals().get(0))).containsExactly("LM-0020418");
    assertThat(codes(result.proposals().get(0)))
        .contains("reference.exact", "amount.exact", "payer.name");
    assertThat(result.marks()).containsExactly(new TextMark(4, 14, "LM-0020418", true));
  }

  @Test
  void marksTheAmountsThatTheTextGivesForEach() {
    var result =
        propose(
            receipt("1100.00", "TANSY", "LM-0020482 1000.00 LM-0020573 100.00"),
            invoice("LM-0020482", "tansy", "1101.30"),
            invoice("LM-0020573", "tansy", "197.90"));
    assertThat(codes(result.proposals().get(0))).contains("amount.stated");
    assertThat(result.marks())
        .containsExactly(
            new TextMark(0, 10, "LM-0020482", true),
            new TextMark(11, 18, "LM-0020482", true),
            new TextMark(19, 29, "LM-0020573", true),
            new TextMark(30, 36, "LM-0020573", true));
  }

  /** A number with a slip that may have meant one settled item is told so, and of many none is. */
  @Test
  void saysOfASlipOnlyWhatItMayMean() {
    var receipt = receipt("80.00", "OSKAR DAUGHTERS BAKEHSE", "LM-0020671");
    var one = invoice("LM-0020571", "oskar", "80.00").withOpen(usd("0.00"));
    assertThat(propose(receipt, one).notes())
        .extracting(Evidence::text)
        .containsExactly("LM-0020671 in the text may mean LM-0020571, which was settled already");
    var other = invoice("LM-0020471", "oskar", "80.00").withOpen(usd("0.00"));
    assertThat(propose(receipt, one, other).notes()).isEmpty();
  }

  @Test
  void isTornWhereOneInvoiceAndTwoTogetherComeToTheAmount() {
    var result =
        propose(
            receipt("3072.00", "OSKAR DAUGHTERS BAKEHOUSE", "FLOUR MAY"),
                invoice("LM-0020377", "oskar", "3072.00"),
            invoice("LM-0020418", "oskar", "1420.00"), invoice("LM-0020431", "oskar", "1652.00"));
    assertThat(result.standing()).isEqualTo(Standing.TORN);
    assertThat(result.alternatives()).isEqualTo(2);
    assertThat(result.proposals().stream().limit(2).map(ProposalEngineTest::numbers).toList())
        .containsExactlyInAnyOrder(List.of("LM-0020377"), List.of("LM-0020418", "LM-0020431"));
  }

  @Test
  void isTornBetweenEqualInvoices() {
    var result =
        propose(
            receipt("500.00", "Piazza Forno", ""), invoice("LM-1001", "forno", "500.00"),
            invoice("LM-1002", "forno", "500.00", TODAY),
                invoice("LM-1003", "forno", "500.00", TODAY.plusDays(9)));
    assertThat(result.standing()).isEqualTo(Standing.TORN);
    assertThat(result.alternatives()).isEqualTo(3);
    assertThat(numbers(result.proposals().get(0))).containsExactly("LM-1001");
  }

  @Test
  void isNeverClearByTheAmountAlone() {
    var result =
        propose(receipt("977.31", "TRANSFER 88120", ""), invoice("LM-1001", "forno", "977.31"));
    assertThat(result.standing()).isEqualTo(Standing.LEANING);
    assertThat(numbers(result.proposals().get(0))).containsExactly("LM-1001");
  }

  @Test
  void isBlankWhereNothingPointsAnywhere() {
    var result =
        propose(
            receipt("540.00", "TRANSFER 88120 HALLORAN", ""),
            invoice("LM-1001", "forno", "977.31"));
    assertThat(result.standing()).isEqualTo(Standing.BLANK);
    assertThat(result.proposals()).isEmpty();
  }

  @Test
  void takesTheDiscountThatIsEarnedInTime() {
    var inTime =
        withTerms(invoice("LM-1001", "forno", "1000.00", TODAY.plusDays(21)), "2/10 net 30");
    var result = propose(receipt("980.00", "Piazza Forno", "1001"), inTime);
    assertThat(result.proposals().get(0).applications())
        .containsExactly(new Application(inTime, usd("1000.00"), usd("20.00")));
    var late = withTerms(invoice("LM-1001", "forno", "1000.00", TODAY), "2/10 net 30");
    var none = propose(receipt("980.00", "Piazza Forno", "LM-1001"), late);
    assertThat(none.proposals())
        .allSatisfy(p -> assertThat(codes(p)).doesNotContain("amount.discount"));
  }

  @Test
  void explainsAUsualFeeAndASmallDifference() {
    var item = invoice("LM-1001", "forno", "1040.00");
    var fee = propose(receipt("1025.00", "Piazza Forno", "LM-1001"), item).proposals().get(0);
    assertThat(fee.adjustments()).singleElement().isInstanceOf(FeeWithheld.class);
    var cents = propose(receipt("1039.60", "Piazza Forno", "LM-1001"), item).proposals().get(0);
    assertThat(cents.adjustments()).containsExactly(SmallWriteOff.of(usd("0.40")));
  }

  @Test
  void leavesARestOpenOrOnAccountWhereTheInvoiceIsNamed() {
    var item = invoice("LM-1001", "forno", "1040.00");
    var part = propose(receipt("600.00", "Piazza Forno", "LM-1001 PART"), item).proposals().get(0);
    assertThat(part.applications()).containsExactly(Application.of(item, usd("600.00")));
    var over = propose(receipt("1100.00", "Piazza Forno", "LM-1001"), item).proposals().get(0);
    assertThat(over.onAccount()).isEqualTo(usd("60.00"));
  }

  @Test
  void setsACreditNoteAgainstItsInvoice() {
    var result =
        propose(
            receipt("916.00", "Piazza Forno", "LM-1001 LESS TORN SACKS"),
            invoice("LM-1001", "forno", "1000.00"),
            creditNote("CN-87", "forno", "-84.00"));
    assertThat(numbers(result.proposals().get(0))).containsExactlyInAnyOrder("LM-1001", "CN-87");
    assertThat(result.standing()).isEqualTo(Standing.CLEAR);
  }

  @Test
  void runsDownTheOldestForCustomersWhoAreSetSo() {
    var oldest =
        new Customer("forno", COMPANY, "Piazza Forno", Optional.empty(), List.of("ACC 9"), true);
    var due = LocalDate.of(2026, 5, 1);
    var first = invoice("LM-1001", "forno", "300.00", due);
    var second = invoice("LM-1002", "forno", "300.00", due.plusDays(7));
    var third = invoice("LM-1003", "forno", "300.00", due.plusDays(14));
    var money = new Receipt("R", COMPANY, TODAY, usd("450.00"), "", "acc9", "");
    var best = propose(List.of(oldest), money, third, second, first).proposals().get(0);
    assertThat(best.applications())
        .containsExactly(
            Application.of(first, usd("300.00")), Application.of(second, usd("150.00")));
  }

  @Test
  void knowsThatAParentPaysForItsBranches() {
    var parent =
        new Customer(
            "p", COMPANY, "Thistlebrook School Kitchens", Optional.empty(), List.of(), false);
    var branch = new Customer("b", COMPANY, "Elm Road Primary", Optional.of("p"), List.of(), false);
    var result =
        propose(
            List.of(parent, branch),
            receipt("210.00", "THISTLEBROOK SCHOOL KITCHENS", "LM-2001"),
            invoice("LM-2001", "b", "210.00"));
    assertThat(result.standing()).isEqualTo(Standing.CLEAR);
    assertThat(result.proposals().get(0).customerId()).contains("b");
    assertThat(codes(result.proposals().get(0))).contains("payer.parent");
  }

  @Test
  void saysWhatIsSettledAlready() {
    var settled = invoice("LM-1001", "forno", "300.00").withOpen(usd("0"));
    var snapshot =
        new Snapshot(
            List.of(settled),
            Map.of("LM-1001", LocalDate.of(2026, 4, 30)),
            List.of(FORNO),
            List.of(),
            List.of(),
            policy());
    var result =
        ProposalEngine.over(snapshot)
            .propose(List.of(receipt("300.00", "Piazza Forno", "LM-1001")))
            .get(0);
    assertThat(result.notes())
        .singleElement()
        .satisfies(n -> assertThat(n.text()).contains("LM-1001", "30 April 2026"));
    assertThat(result.proposals().get(0).onAccount()).isEqualTo(usd("300.00"));
  }

  @Test
  void givesAnInvoiceThatTwoQuoteToTheEarlierOne() {
    var item = withReferences(invoice("LM-1001", "forno", "300.00"), "PO-1", "");
    var snapshot =
        new Snapshot(List.of(item), Map.of(), List.of(FORNO), List.of(), List.of(), policy());
    var early =
        receipt("late in the list", "300.00", "Piazza Forno", "LM-1001", TODAY.minusDays(1));
    var late = receipt("first in the list", "300.00", "Piazza Forno", "LM-1001", TODAY);
    var results = ProposalEngine.over(snapshot).propose(List.of(late, early));
    assertThat(numbers(results.get(1).proposals().get(0))).containsExactly("LM-1001");
    var twice = results.get(0).proposals().get(0);
    assertThat(twice.applications()).isEmpty();
    assertThat(twice.onAccount()).isEqualTo(usd("300.00"));
    assertThat(twice.customerId()).contains("forno");
    assertThat(twice.evidence())
        .anySatisfy(e -> assertThat(e.text()).contains("300.00 of 28 May 2026", "came first"));
  }

  /** The second of the same payment does not take another item of the same amount instead. */
  @Test
  void keepsASecondPaymentOfTheSameOnAccountThoughATwinIsOpen() {
    var items =
        List.<OpenItem>of(
            invoice("LM-1001", "forno", "300.00"), invoice("LM-1002", "forno", "300.00"));
    var snapshot = new Snapshot(items, Map.of(), List.of(FORNO), List.of(), List.of(), policy());
    var first = receipt("a", "300.00", "Piazza Forno", "LM-1001", TODAY);
    var second = receipt("b", "300.00", "Piazza Forno", "LM-1001", TODAY);
    var results = ProposalEngine.over(snapshot).propose(List.of(first, second));
    assertThat(numbers(results.get(0).proposals().get(0))).containsExactly("LM-1001");
    assertThat(results.get(1).proposals().get(0).onAccount()).isEqualTo(usd("300.00"));
  }

  /** Where others take all there is, the payer is still known. */
  @Test
  void keepsTheMoneyOfAKnownPayerOnAccountWhereNothingIsLeft() {
    var items = List.<OpenItem>of(invoice("LM-1001", "forno", "300.00"));
    var snapshot = new Snapshot(items, Map.of(), List.of(FORNO), List.of(), List.of(), policy());
    var named = receipt("a", "300.00", "Piazza Forno", "LM-1001", TODAY);
    var other = receipt("b", "300.00", "Piazza Forno", "FLOUR", TODAY);
    var results = ProposalEngine.over(snapshot).propose(List.of(other, named));
    assertThat(numbers(results.get(1).proposals().get(0))).containsExactly("LM-1001");
    assertThat(results.get(0).proposals())
        .singleElement()
        .satisfies(p -> assertThat(p.onAccount()).isEqualTo(usd("300.00")))
        .satisfies(p -> assertThat(p.customerId()).contains("forno"));
    assertThat(results.get(0).notes())
        .filteredOn(note -> note.code().equals("batch.taken"))
        .extracting(Evidence::text)
        .singleElement()
        .asString()
        .contains(" is wanted by the ")
        .doesNotStartWith("but");
  }

  @Test
  void takesADiscountAndAFeeFromOnePayment() {
    var item = withTerms(invoice("LM-1001", "forno", "640.00", TODAY.plusDays(25)), "2/10 net 30");
    var snapshot =
        new Snapshot(List.of(item), Map.of(), List.of(FORNO), List.of(), List.of(), policy());
    var best =
        ProposalEngine.over(snapshot)
            .propose(List.of(receipt("612.20", "Piazza Forno", "LM-1001")))
            .get(0)
            .proposals()
            .get(0);
    assertThat(best.applications())
        .singleElement()
        .satisfies(
            a -> {
              assertThat(a.amount()).isEqualTo(usd("640.00"));
              assertThat(a.discount()).isEqualTo(usd("12.80"));
            });
    assertThat(best.adjustments())
        .singleElement()
        .satisfies(a -> assertThat(a.amount()).isEqualTo(usd("15.00")));
  }

  @Test
  void paysOfEachItemWhatTheTextStates() {
    var items =
        List.<OpenItem>of(
            invoice("LM-1001", "forno", "300.00"), invoice("LM-1002", "forno", "500.00"));
    var snapshot = new Snapshot(items, Map.of(), List.of(FORNO), List.of(), List.of(), policy());
    var best =
        ProposalEngine.over(snapshot)
            .propose(List.of(receipt("420.00", "Piazza Forno", "LM-1001 120.00, LM-1002 300.00")))
            .get(0)
            .proposals()
            .get(0);
    assertThat(best.applications())
        .extracting(a -> a.item().number() + " " + a.amount().getAmount())
        .containsExactlyInAnyOrder("LM-1001 120.00", "LM-1002 300.00");
  }

  private static final String[] NAMES = {
    "Piazza Forno", "Oskar Bakehouse", "Wrenhouse Bagels", "Three Rivers"
  };

  private static List<OpenItem> randomItems(Random random) {
    var items = new ArrayList<OpenItem>();
    for (var n = 0; n < 30; n++) {
      var amount = (1 + random.nextInt(8)) * 100 + ".00";
      var customer = "c" + random.nextInt(NAMES.length);
      items.add(
          random.nextInt(6) == 0
              ? creditNote("CN-" + (300 + n), customer, "-" + amount)
              : withTerms(
                  invoice(
                      "LM-" + (10_300 + n),
                      customer,
                      amount,
                      TODAY.plusDays(random.nextInt(60) - 30)),
                  "2/10 net 30"));
    }
    return items;
  }

  private static List<Receipt> randomReceipts(Random random) {
    var receipts = new ArrayList<Receipt>();
    for (var n = 0; n < 15; n++) {
      var text = random.nextBoolean() ? "" : "INV " + (10_300 + random.nextInt(35));
      var amount =
          Money.ofMinor(USD, (1 + random.nextInt(16)) * 10_000L - random.nextInt(3) * 1_500L);
      receipts.add(
          new Receipt(
              "R" + n,
              COMPANY,
              TODAY.minusDays(random.nextInt(3)),
              amount,
              random.nextInt(4) == 0 ? "SOMEBODY" : NAMES[random.nextInt(NAMES.length)],
              "",
              text));
    }
    return receipts;
  }

  private static Snapshot randomSnapshot(Random random) {
    var customers = new ArrayList<Customer>();
    for (var n = 0; n < NAMES.length; n++) {
      var parent = n == 3 ? Optional.of("c0") : Optional.<String>empty();
      customers.add(new Customer("c" + n, COMPANY, NAMES[n], parent, List.of(), n == 2));
    }
    return new Snapshot(randomItems(random), Map.of(), customers, List.of(), List.of(), policy());
  }

  /** Every proposal could be posted as it stands: it balances and keeps all money rules. */
  @Property(tries = 150)
  void proposesOnlyWhatCanBePosted(@ForAll Random random) {
    var receipts = randomReceipts(random);
    var results = ProposalEngine.over(randomSnapshot(random)).propose(receipts);
    for (var n = 0; n < receipts.size(); n++) {
      for (var proposal : results.get(n).proposals()) {
        var settlement = proposal.draftFor(receipts.get(n)).settle(policy(), Authority.CLERK);
        assertThat(settlement.receipt()).isEqualTo(receipts.get(n));
        // none is likelier than what stands first, whatever speaks for it
        assertThat(proposal.probability())
            .isBetween(0.0, results.get(n).proposals().get(0).probability());
        assertThat(proposal.evidence()).isNotEmpty();
      }
    }
  }

  /** First proposals, all taken together, use no item beyond its balance. */
  @Property(tries = 150)
  void neverWantsAnItemTwice(@ForAll Random random) {
    var snapshot = randomSnapshot(random);
    var left = new HashMap<String, Money>();
    snapshot.items().forEach(i -> left.put(i.id(), i.open().abs()));
    for (var result : ProposalEngine.over(snapshot).propose(randomReceipts(random))) {
      result.proposals().stream()
          .limit(1)
          .flatMap(p -> p.applications().stream())
          .forEach(a -> left.merge(a.item().id(), a.amount().abs().negated(), Money::plus));
    }
    assertThat(left.values()).noneMatch(Money::isNegative);
  }

  /** The order of the input does not matter. */
  @Property(tries = 150)
  void proposesTheSameForAnyOrder(@ForAll Random random) {
    var snapshot = randomSnapshot(random);
    var receipts = randomReceipts(random);
    var items = new ArrayList<OpenItem>(snapshot.items());
    var one = byId(ProposalEngine.over(snapshot).propose(receipts));
    Collections.shuffle(items, random);
    Collections.shuffle(receipts, random);
    var shuffled =
        new Snapshot(
            items, Map.of(), snapshot.customers(), List.of(), List.of(), snapshot.policy());
    assertThat(byId(ProposalEngine.over(shuffled).propose(receipts))).isEqualTo(one);
  }

  private static Map<String, ReceiptProposals> byId(List<ReceiptProposals> results) {
    var map = new HashMap<String, ReceiptProposals>();
    results.forEach(r -> map.put(r.receiptId(), r));
    return map;
  }

  /** One processor or eight: the same result. */
  @Property(tries = 25)
  void proposesTheSameOnAnyNumberOfThreads(@ForAll Random random) throws Exception {
    var snapshot = randomSnapshot(random);
    var receipts = randomReceipts(random);
    assertThat(onThreads(8, snapshot, receipts)).isEqualTo(onThreads(1, snapshot, receipts));
  }

  private static List<ReceiptProposals> onThreads(
      int threads, Snapshot snapshot, List<Receipt> receipts) throws Exception {
    var pool = new ForkJoinPool(threads);
    try {
      return pool.submit(() -> ProposalEngine.over(snapshot).propose(receipts)).get();
    } finally {
      pool.shutdown();
    }
  }

  /** A customer who has nothing to do with any of it changes nothing. */
  @Property(tries = 100)
  void isNotMovedByAStranger(@ForAll Random random) {
    var snapshot = randomSnapshot(random);
    var receipts = randomReceipts(random);
    var customers = new ArrayList<>(snapshot.customers());
    customers.add(customer("stranger", "Vexley Quartz"));
    var items = new ArrayList<OpenItem>(snapshot.items());
    items.add(invoice("ZZ-99888777", "stranger", "31337.31"));
    var more = new Snapshot(items, Map.of(), customers, List.of(), List.of(), snapshot.policy());
    assertThat(ProposalEngine.over(more).propose(receipts))
        .isEqualTo(ProposalEngine.over(snapshot).propose(receipts));
  }
}
