package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.Books.withTerms;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.FeeWithheld;

/** What a payer lists is taken as he lists it, and what cannot be taken is told with figures. */
class AdviceReaderTest {

  private static final Customer OSKAR = customer("oskar", "Oskar & Daughters Bakehouse");
  private static final Customer FORNO = customer("forno", "Piazza Forno");

  private static RemittanceItem pays(String reference, String amount) {
    return new RemittanceItem(reference, usd(amount), usd("0.00"), usd("0.00"), "");
  }

  private static RemittanceAdvice advice(String total, RemittanceItem... items) {
    return new RemittanceAdvice(
        "7700112", Optional.of(LocalDate.of(2026, 5, 28)), "Oskar", usd(total), List.of(items));
  }

  private static ReceiptProposals propose(
      Receipt receipt, RemittanceAdvice advice, OpenItem... items) {
    var snapshot =
        new Snapshot(
            List.of(items), Map.of(), List.of(OSKAR, FORNO), List.of(), List.of(), policy());
    return ProposalEngine.over(snapshot, Map.of(receipt.id(), advice))
        .propose(List.of(receipt))
        .get(0);
  }

  private static List<String> taken(Proposal proposal) {
    return proposal.applications().stream()
        .map(a -> a.item().number() + " " + a.amount().getAmount() + " " + a.discount().getAmount())
        .toList();
  }

  private static List<String> notes(ReceiptProposals result) {
    return result.notes().stream().map(Evidence::text).toList();
  }

  @Test
  void leadsBeforeWhatTheTextAndTheAmountSay() {
    var result =
        propose(
            receipt("3072.00", "OSKAR DAUGHTERS BAKEHOUSE", "LM-0020377"),
            advice("3072.00", pays("LM-0020418", "1420.00"), pays("20431", "1652.00")),
            invoice("LM-0020377", "oskar", "3072.00"),
            invoice("LM-0020418", "oskar", "1420.00"),
            invoice("LM-0020431", "oskar", "1652.00"));
    assertThat(result.standing()).isEqualTo(Standing.CLEAR);
    assertThat(taken(result.proposals().get(0)))
        .containsExactly("LM-0020418 1420.00 0.00", "LM-0020431 1652.00 0.00");
    assertThat(result.proposals().get(0).evidence().get(0).text())
        .isEqualTo(
            "the advice of 28 May 2026, trace 7700112, lists these 2, and they add up to the cent");
    // what the text says is still there to be chosen
    assertThat(taken(result.proposals().get(1))).containsExactly("LM-0020377 3072.00 0.00");
  }

  @Test
  void takesPartsCreditNotesAndEarnedDiscounts() {
    var result =
        propose(
            receipt("1846.00", "OSKAR", ""),
            advice(
                "1846.00",
                new RemittanceItem("LM-1001", usd("980.00"), usd("20.00"), usd("0.00"), ""),
                new RemittanceItem("LM-1002", usd("950.00"), usd("0.00"), usd("-50.00"), "torn"),
                pays("CN-7", "-84.00")),
            withTerms(
                invoice("LM-1001", "oskar", "1000.00", LocalDate.of(2026, 6, 20)), "2/10 net 30"),
            invoice("LM-1002", "oskar", "1000.00"),
            creditNote("CN-7", "oskar", "-84.00"));
    assertThat(taken(result.proposals().get(0)))
        .containsExactly("LM-1001 1000.00 20.00", "LM-1002 950.00 0.00", "CN-7 -84.00 0.00");
    assertThat(result.proposals().get(0).evidence())
        .extracting(Evidence::text)
        .contains("of LM-1002 it pays 50.00 less: torn");
  }

  @Test
  void tellsWhatCannotBeTakenWithItsFigures() {
    var result =
        propose(
            receipt("500.00", "OSKAR", ""),
            advice(
                "620.00",
                pays("LM-1001", "300.00"),
                pays("LM-1002", "150.00"),
                pays("ZZ-88", "120.00"),
                new RemittanceItem("rebate", usd("0.00"), usd("0.00"), usd("50.00"), "AA")),
            invoice("LM-1001", "oskar", "300.00"),
            invoice("LM-1002", "oskar", "100.00"));
    assertThat(notes(result))
        .contains(
            "the advice pays 150.00 of LM-1002, of which 100.00 is open",
            "the advice lists ZZ-88 with 120.00, which is nothing that is known",
            "the advice adds 50.00 for no document: rebate");
    assertThat(taken(result.proposals().get(0))).containsExactly("LM-1001 300.00 0.00");
    assertThat(result.proposals().get(0).onAccount()).isEqualTo(usd("200.00"));
    assertThat(result.standing()).isNotEqualTo(Standing.CLEAR);
  }

  @Test
  void aUsualFeeMayBeMissingFromWhatItLists() {
    var result =
        propose(
            receipt("975.00", "OSKAR", ""),
            advice("1000.00", pays("LM-1001", "600.00"), pays("LM-1002", "400.00")),
            invoice("LM-1001", "oskar", "600.00"),
            invoice("LM-1002", "oskar", "400.00"));
    assertThat(notes(result))
        .contains("the advice lists 1,000.00, which is 25.00 more than arrived");
    var first = result.proposals().get(0);
    assertThat(first.applications()).hasSize(2);
    assertThat(first.adjustments()).allMatch(FeeWithheld.class::isInstance).hasSize(1);
  }

  @Test
  void anAdviceInAnotherCurrencyIsNotSetAgainstTheMoney() {
    var advice =
        new RemittanceAdvice("", Optional.empty(), "", Money.parse("EUR 10.00"), List.of());
    var result =
        propose(receipt("10.00", "OSKAR", ""), advice, invoice("LM-1001", "oskar", "10.00"));
    assertThat(notes(result)).contains("the advice is in EUR and cannot be set against this money");
  }

  /** Whatever an advice says, every explanation is a draft that adds up and can be posted. */
  @Property(tries = 300)
  void whateverItSaysTheExplanationAddsUp(@ForAll long seed) {
    var random = new Random(seed);
    var items = new ArrayList<OpenItem>();
    for (var n = 0; n < 6; n++) {
      var amount = usd(random.nextInt(1, 200) + ".00");
      items.add(
          switch (random.nextInt(3)) {
            case 0 -> creditNote("CN-" + n, "oskar", "-" + amount.getAmount().toPlainString());
            case 1 ->
                withTerms(
                    invoice("LM-100" + n, "oskar", amount.getAmount().toPlainString()),
                    "2/10 net 30");
            default -> invoice("LM-100" + n, "forno", amount.getAmount().toPlainString());
          });
    }
    var lines = new RemittanceItem[random.nextInt(1, 8)];
    for (var n = 0; n < lines.length; n++) {
      var item = items.get(random.nextInt(items.size()));
      lines[n] =
          new RemittanceItem(
              random.nextInt(5) == 0 ? "NN-" + n : item.number(),
              random.nextBoolean()
                  ? item.open()
                  : Money.ofMinor(USD, random.nextInt(-20_000, 20_000)),
              Money.ofMinor(USD, random.nextInt(0, 400)),
              Money.ofMinor(USD, random.nextInt(-100, 100)),
              "because");
    }
    var sum = Arrays.stream(lines).map(RemittanceItem::amount).reduce(usd("0.00"), Money::plus);
    var arrived =
        random.nextBoolean() && sum.isPositive()
            ? sum
            : Money.ofMinor(USD, random.nextInt(1, 50_000));
    var receipt = receipt(arrived.getAmount().toPlainString(), "OSKAR", "");
    var result =
        propose(
            receipt,
            new RemittanceAdvice("", Optional.empty(), "", sum, List.of(lines)),
            items.toArray(new OpenItem[0]));
    for (var proposal : result.proposals()) {
      proposal.draftFor(receipt).settle(policy(), Authority.CLERK);
      assertThat(
              proposal.applications().stream().map(Application::item).map(OpenItem::id).distinct())
          .hasSameSizeAs(proposal.applications());
    }
  }
}
