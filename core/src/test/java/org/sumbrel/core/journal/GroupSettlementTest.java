package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.COMPANY;
import static org.sumbrel.core.Books.TODAY;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.Books;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.Place;
import org.sumbrel.core.settle.Policies;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.RemainderOption.Kind;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.core.settle.SettlementRefused;

/** A receipt of one company settles items of others of the group. */
class GroupSettlementTest {

  private static final CurrencyUnit EUR = CurrencyUnit.EUR;
  private static final CurrencyUnit USD = CurrencyUnit.USD;
  private static final String EXPORT = "export";
  private static final String TRADE = "trade";

  private static final Group GROUP =
      new Group() {
        @Override
        public String account(String companyId, String counterpartId) {
          return companyId + "-" + counterpartId;
        }

        @Override
        public String name(String companyId) {
          return companyId.toUpperCase(Locale.ROOT);
        }
      };

  private static Money money(String text) {
    return Money.parse(text);
  }

  private static Invoice own(String id, String open) {
    return Books.invoice(id, "c-" + COMPANY, money(open));
  }

  private static Invoice exports(String id, String open) {
    return Books.of(EXPORT, Books.invoice(id, "c-" + EXPORT, money(open)));
  }

  private static Application whole(OpenItem item) {
    return Application.of(item, item.open());
  }

  private static Draft draft(String received, List<Exchanged> exchanges, Application... taken) {
    var amount = money(received);
    return new Draft(
        new Receipt("R", COMPANY, TODAY, amount, "payer", "", ""),
        List.of(taken),
        List.of(),
        Money.zero(amount.getCurrencyUnit()),
        Optional.of("c-" + COMPANY),
        exchanges);
  }

  private static Settlement settled(Draft draft) {
    return draft.settle(RandomPlaces.STANDARD, Authority.CLERK);
  }

  private static List<JournalEntry> entries(Settlement settlement) {
    var usd = new ValuedBooks(USD, Map.of(EUR, rate()), Map.of());
    return Posting.entriesFor(settlement, TODAY, "Receipt", company -> usd, GROUP);
  }

  private static Rate rate() {
    return new Rate(EUR, USD, new BigDecimal("1.0800"));
  }

  private static List<String> lines(JournalEntry entry) {
    return entry.lines().stream()
        .map(
            l ->
                l.role()
                    + l.accountId().map(a -> " " + a).orElse("")
                    + " "
                    + l.amount()
                    + l.worth().map(w -> " = " + w).orElse(""))
        .toList();
  }

  @Test
  void oneReceiptPaysOwnInvoicesAndThoseOfAnotherCompany() {
    var settlement =
        settled(
            draft(
                "USD 1500.00",
                List.of(Exchanged.in(EXPORT, money("USD 1000.00"))),
                whole(own("LM-1", "USD 500.00")),
                whole(exports("LX-1", "USD 1000.00"))));
    var written = entries(settlement);
    assertThat(written.stream().map(e -> e.companyId() + ": " + e.text()))
        .containsExactly("mill: Receipt", "export: Receipt, received by MILL");
    assertThat(lines(written.get(0)))
        .containsExactly(
            "BANK USD 1500.00", "RECEIVABLE USD -500.00", "GROUP_COMPANY mill-export USD -1000.00");
    assertThat(lines(written.get(1)))
        .containsExactly("GROUP_COMPANY export-mill USD 1000.00", "RECEIVABLE USD -1000.00");
    assertThat(settlement.itemsAfter()).allMatch(OpenItem::settled);
  }

  @Test
  void eurosPayTheDollarInvoiceOfAnotherCompany() {
    var used = new RateUsed(new Rate(USD, EUR, new BigDecimal("0.92")), Source.TABLE, "of the day");
    var settlement =
        settled(
            draft(
                "EUR 920.00",
                List.of(Exchanged.atRate(EXPORT, money("USD 1000.00"), used)),
                whole(exports("LX-1", "USD 1000.00"))));
    var written = entries(settlement);
    // 920.00 euros are worth 993.60 dollars on their day, and 1,000.00 are owed to the other
    assertThat(lines(written.get(0)))
        .containsExactly(
            "BANK EUR 920.00 = USD 993.60",
            "CURRENCY_CONVERSION EUR -920.00 = USD -993.60",
            "CURRENCY_CONVERSION USD 993.60",
            "EXCHANGE_DIFFERENCES USD 6.40",
            "GROUP_COMPANY mill-export USD -1000.00");
    assertThat(lines(written.get(1)))
        .containsExactly("GROUP_COMPANY export-mill USD 1000.00", "RECEIVABLE USD -1000.00");
  }

  @Test
  void whatIsMissingOfAnothersInvoiceIsThatCompanysDifference() {
    var draft =
        draft(
            "USD 1499.97",
            List.of(Exchanged.in(EXPORT, money("USD 1000.00"))),
            whole(own("LM-1", "USD 500.00")),
            whole(exports("LX-1", "USD 1000.00")));
    var options = RemainderOption.of(draft, RandomPlaces.STANDARD, Authority.CLERK);
    assertThat(options.stream().map(RemainderOption::kind))
        .contains(Kind.WRITE_OFF, Kind.CLAIM, Kind.LEAVE_OWING, Kind.BANK_FEE)
        .doesNotContain(Kind.EXCHANGE)
        .doesNotHaveDuplicates();
    var off = taken(draft, Kind.WRITE_OFF);
    var written = entries(settled(off));
    assertThat(lines(written.get(0)))
        .containsExactly(
            "BANK USD 1499.97", "RECEIVABLE USD -500.00", "GROUP_COMPANY mill-export USD -999.97");
    assertThat(lines(written.get(1)))
        .containsExactly(
            "GROUP_COMPANY export-mill USD 999.97",
            "SMALL_WRITE_OFFS USD 0.03",
            "RECEIVABLE USD -1000.00");
    var claim = settled(taken(draft, Kind.CLAIM)).itemsMade(prefix -> prefix + "-7").get(0);
    assertThat(claim).isInstanceOf(Claim.class);
    assertThat(claim.companyId()).isEqualTo(EXPORT);
    assertThat(claim.customerId()).isEqualTo("c-" + EXPORT);
    // a fee of the bank is borne where the money came
    assertThat(lines(entries(settled(taken(draft, Kind.BANK_FEE))).get(0)))
        .contains("BANK_FEES USD 0.03", "GROUP_COMPANY mill-export USD -1000.00");
  }

  private static Draft taken(Draft draft, Kind kind) {
    return RemainderOption.taken(
        draft, kind, Optional.of(ClaimReason.OTHER), RandomPlaces.STANDARD, Authority.CLERK);
  }

  @Test
  void whatIsMissingOfTheOwnInvoiceThatCameLastIsTheOwnDifference() {
    var draft =
        draft(
            "USD 1499.97",
            List.of(Exchanged.in(EXPORT, money("USD 1000.00"))),
            whole(exports("LX-1", "USD 1000.00")),
            whole(own("LM-1", "USD 500.00")));
    assertThat(lines(entries(settled(taken(draft, Kind.WRITE_OFF))).get(0)))
        .contains("SMALL_WRITE_OFFS USD 0.03", "GROUP_COMPANY mill-export USD -1000.00");
  }

  /** The grace of the company whose invoice it is decides, not that of the one with the bank. */
  @Test
  void theEarlyPaymentDiscountIsThatOfTheCompanyWhoseInvoiceItIs() {
    var invoice = Books.withTerms(exports("LX-1", "USD 1000.00"), "2/10 net 30");
    var late = invoice.issuedOn().plusDays(12);
    var draft =
        new Draft(
            new Receipt("R", COMPANY, late, money("USD 980.00"), "payer", "", ""),
            List.of(new Application(invoice, money("USD 1000.00"), money("USD 20.00"))),
            List.of(),
            money("USD 0.00"),
            Optional.empty(),
            List.of(Exchanged.in(EXPORT, money("USD 980.00"))));
    assertThat(lines(entries(draft.settle(graceOf(EXPORT), Authority.CLERK)).get(1)))
        .containsExactly(
            "GROUP_COMPANY export-mill USD 980.00",
            "DISCOUNTS_ALLOWED USD 20.00",
            "RECEIVABLE USD -1000.00");
    assertThatThrownBy(() -> draft.settle(graceOf(COMPANY), Authority.CLERK))
        .isInstanceOf(SettlementRefused.class)
        .hasMessageContaining("is not earned");
  }

  private static Policies graceOf(String company) {
    return (Place where) ->
        Books.withGrace(
            Policy.standard(where.currency()), where.companyId().equals(company) ? 5 : 0);
  }

  @Test
  void whatIsAnothersIsRefusedWhereNothingCountsThere() {
    assertThatThrownBy(
            () -> draft("USD 10.00", List.of(), whole(exports("LX-1", "USD 10.00"))).tally())
        .hasMessageContaining("LX-1 is owed to another company")
        .extracting(e -> ((SettlementRefused) e).code())
        .isEqualTo(SettlementRefused.Code.FOREIGN_COMPANY);
  }

  @Test
  void theMoneyOfAnothersItemHasNoAccountHereToStayOn() {
    var settlement =
        settled(
            draft(
                "USD 1500.00",
                List.of(Exchanged.in(EXPORT, money("USD 1000.00"))),
                whole(own("LM-1", "USD 500.00")),
                whole(exports("LX-1", "USD 1000.00"))));
    assertThatThrownBy(() -> settlement.without("LX-1", "c-" + EXPORT))
        .hasMessageContaining("LX-1 is another company's");
    var rest = settlement.without("LM-1", "c-" + COMPANY);
    assertThat(lines(entries(settled(rest)).get(1)))
        .contains("GROUP_COMPANY export-mill USD 1000.00");
  }

  @Property
  void eachJournalBalancesAloneAndTheCompaniesAgreeOnWhatTheyOweEachOther(@ForAll long seed) {
    var companies = List.of(COMPANY, EXPORT, TRADE);
    var made = new RandomPlaces(seed, companies);
    if (made.applications.isEmpty()) {
      return;
    }
    var settlement = made.settlement(way -> Statistics.label("way").collect(way));
    var entries = Posting.entriesFor(settlement, TODAY, "x", made::kept, GROUP);
    Statistics.label("companies").collect(entries.size());
    var between = new HashMap<String, Money>();
    for (var entry : entries) {
      var books = made.books(entry.companyId());
      // that it balances in each currency is held by the entry itself
      assertThat(entry.worth(books)).contains(Money.zero(books));
      entry.lines().stream()
          .filter(l -> l.role() == AccountRole.GROUP_COMPANY)
          .forEach(
              l -> {
                var pair =
                    l.accountId().orElseThrow().replace(COMPANY, "").replace("-", "")
                        + l.amount().getCurrencyUnit();
                between.merge(pair, l.amount(), Money::plus);
              });
    }
    assertThat(between.values()).allMatch(Money::isZero);
    // receivables fall in each company by what was applied of its items
    for (var company : companies) {
      var fell =
          settlement.applications().stream()
              .filter(a -> a.item().companyId().equals(company))
              .collect(
                  Collectors.toMap(
                      a -> a.amount().getCurrencyUnit(), Application::amount, Money::plus));
      var booked =
          entries.stream()
              .filter(e -> e.companyId().equals(company))
              .flatMap(e -> e.lines().stream())
              .filter(l -> l.role() == AccountRole.RECEIVABLE)
              .collect(
                  Collectors.toMap(
                      l -> l.amount().getCurrencyUnit(), l -> l.amount().negated(), Money::plus));
      assertThat(booked).isEqualTo(fell);
    }
    reverses(settlement, entries, made);
  }

  /** All entries are mirrored and all items stand as before, in their currency and in the books. */
  private static void reverses(
      Settlement settlement, List<JournalEntry> entries, RandomPlaces made) {
    for (var entry : entries) {
      var books = made.books(entry.companyId());
      var back = entry.mirrored(TODAY, "back");
      for (var role : AccountRole.values()) {
        assertThat(
                RandomPlaces.worthOn(entry, role, books)
                    .plus(RandomPlaces.worthOn(back, role, books)))
            .isEqualTo(Money.zero(books));
      }
    }
    var after =
        settlement.itemsAfter().stream().collect(Collectors.toMap(OpenItem::id, item -> item));
    var restored = settlement.itemsAfterReversal(after, List.of());
    for (var n = 0; n < restored.size(); n++) {
      var before = settlement.applications().get(n);
      assertThat(restored.get(n)).isEqualTo(before.item());
      var kept = made.kept(before.item().companyId());
      if (before.amount().equals(before.item().open())) {
        // nothing of what it stood in the books with is left behind
        assertThat(kept.ofItem(before.item(), before.amount()))
            .isEqualTo(kept.worth().get(before.item().id()));
      }
    }
  }
}
