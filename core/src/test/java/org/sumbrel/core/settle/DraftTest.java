package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.Books.withTerms;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.RemainderOption.Kind;
import org.sumbrel.core.settle.SettlementRefused.Code;

class DraftTest {

  private static Draft draft(String received, Application... applications) {
    return new Draft(
        receipt(received, "", ""), List.of(applications), List.of(), usd("0"), Optional.empty());
  }

  private static Application whole(Invoice invoice) {
    return Application.of(invoice, invoice.open());
  }

  private static void assertRefused(Draft draft, Code code, String... figures) {
    assertThatThrownBy(() -> draft.settle(policy(), Authority.CLERK))
        .isInstanceOfSatisfying(
            SettlementRefused.class,
            refused -> {
              assertThat(refused.code()).isEqualTo(code);
              assertThat(refused.getMessage()).contains(figures);
            });
  }

  @Test
  void refusesADraftThatDoesNotBalance() {
    assertRefused(
        draft("100.00", whole(invoice("LM-1", "a", "60.00"))),
        Code.UNBALANCED,
        "100.00",
        "60.00",
        "40.00");
    assertRefused(
        draft("50.00", whole(invoice("LM-1", "a", "60.00"))),
        Code.UNBALANCED,
        "10.00 is more than received");
  }

  @Test
  void refusesMoreThanIsOpen() {
    var item = invoice("LM-1", "a", "60.00");
    assertRefused(
        draft("70.00", Application.of(item, usd("70.00"))), Code.OVER_APPLIED, "60.00", "70.00");
    assertRefused(
        draft("70.00", Application.of(item, usd("-1.00"))), Code.OVER_APPLIED, "60.00", "-1.00");
  }

  @Test
  void refusesWhatIsSettledAlready() {
    var settled = invoice("LM-1", "a", "60.00").withOpen(usd("0"));
    assertRefused(
        draft("60.00", Application.of(settled, usd("60.00"))),
        Code.ALREADY_SETTLED,
        "LM-1",
        "60.00");
  }

  @Test
  void refusesAnItemOfAnotherCompany() {
    var i = invoice("LM-1", "a", "60.00");
    var foreign =
        new Invoice(
            "x",
            "export",
            "a",
            "LX-1",
            i.issuedOn(),
            i.dueOn(),
            i.total(),
            i.open(),
            "",
            "",
            i.terms());
    assertRefused(draft("60.00", whole(foreign)), Code.FOREIGN_COMPANY, "LX-1");
  }

  @Test
  void refusesAnItemInAnotherCurrency() {
    var i = invoice("LM-1", "a", "60.00");
    var euros = Money.ofMajor(CurrencyUnit.EUR, 60);
    var foreign =
        new Invoice(
            "x", "mill", "a", "LX-1", i.issuedOn(), i.dueOn(), euros, euros, "", "", i.terms());
    assertRefused(draft("60.00", whole(foreign)), Code.WRONG_CURRENCY, "EUR", "USD");
  }

  @Test
  void refusesTheSameItemTwice() {
    var item = invoice("LM-1", "a", "60.00");
    assertRefused(
        draft("60.00", Application.of(item, usd("30.00")), Application.of(item, usd("30.00"))),
        Code.TWICE_IN_DRAFT,
        "LM-1");
  }

  @Test
  void refusesADiscountThatIsNotEarned() {
    var late = withTerms(invoice("LM-1", "a", "100.00", LocalDate.of(2026, 5, 29)), "2/10 net 30");
    assertRefused(
        draft("98.00", new Application(late, usd("100.00"), usd("2.00"))),
        Code.DISCOUNT_NOT_EARNED,
        "2.00",
        "0.00");
  }

  @Test
  void refusesAWriteOffBeyondEitherLimit() {
    var item = invoice("LM-1", "a", "100.00");
    var byAmount = draft("97.99", whole(item)).adjustedBy(SmallWriteOff.of(usd("2.01")));
    assertRefused(byAmount, Code.NEEDS_APPROVAL, "2.01", "limit is 2.00", "supervisor");
    var byShare =
        draft("8.50", whole(invoice("LM-2", "a", "10.00")))
            .adjustedBy(SmallWriteOff.of(usd("1.50")));
    assertRefused(byShare, Code.NEEDS_APPROVAL, "5 % of what is applied, here 0.50");
    var beyondAll = draft("69.99", whole(item)).adjustedBy(SmallWriteOff.of(usd("30.01")));
    assertRefused(beyondAll, Code.BEYOND_TOLERANCE, "30.01", "limit is 2.00");
  }

  @Test
  void asksWhoseAccountMoneyIsKeptOn() {
    assertRefused(draft("60.00").keepingOnAccount(usd("60.00")), Code.NO_CUSTOMER, "60.00");
    assertRefused(draft("60.00"), Code.NOTHING_EXPLAINED, "60.00");
  }

  @Test
  void offersEveryWayToTreatAShortPayment() {
    var short18 = draft("1020.08", whole(invoice("LM-1", "a", "1038.08")));
    assertThat(RemainderOption.of(short18, policy(), Authority.CLERK))
        .extracting(
            RemainderOption::kind,
            RemainderOption::amount,
            RemainderOption::refusal,
            RemainderOption::approval)
        .containsExactly(
            tuple(Kind.BANK_FEE, usd("18.00"), "", ""),
            tuple(Kind.PROCESSING_FEE, usd("18.00"), "", ""),
            tuple(Kind.WRITE_OFF, usd("18.00"), "", "the limit is 2.00"),
            tuple(Kind.CLAIM, usd("18.00"), "", ""),
            tuple(Kind.LEAVE_OWING, usd("18.00"), "", ""));
    var settled =
        RemainderOption.taken(short18, Kind.BANK_FEE, Optional.empty(), policy(), Authority.CLERK)
            .settle(policy(), Authority.CLERK);
    assertThat(settled.adjustments()).containsExactly(FeeWithheld.of(usd("18.00"), KeptBy.BANK));
    assertThat(settled.itemsAfter().get(0).settled()).isTrue();
    var owing =
        RemainderOption.taken(
                short18, Kind.LEAVE_OWING, Optional.empty(), policy(), Authority.CLERK)
            .settle(policy(), Authority.CLERK);
    assertThat(owing.itemsAfter().get(0).open()).isEqualTo(usd("18.00"));
    var tooMuch = draft("1000.00", whole(invoice("LM-1", "a", "1038.08")));
    assertThatThrownBy(
            () ->
                RemainderOption.taken(
                    tooMuch, Kind.WRITE_OFF, Optional.empty(), policy(), Authority.CLERK))
        .hasMessageContaining("30.00");
  }

  @Test
  void offersTheDiscountWhereItIsEarned() {
    var inTime =
        withTerms(invoice("LM-1", "a", "1000.00", LocalDate.of(2026, 6, 20)), "2/10 net 30");
    var discounted = draft("980.00", whole(inTime));
    assertThat(RemainderOption.of(discounted, policy(), Authority.CLERK).get(0))
        .isEqualTo(new RemainderOption(Kind.TAKE_DISCOUNT, usd("20.00"), "", "", ""));
    var settled =
        RemainderOption.taken(
                discounted, Kind.TAKE_DISCOUNT, Optional.empty(), policy(), Authority.CLERK)
            .settle(policy(), Authority.CLERK);
    assertThat(settled.applications().get(0).discount()).isEqualTo(usd("20.00"));
  }

  @Test
  void keepsWhatIsLeftOnTheAccount() {
    var over = draft("70.00", whole(invoice("LM-1", "a", "60.00")));
    assertThat(RemainderOption.of(over, policy(), Authority.CLERK).get(0).refusal())
        .isEqualTo("say first on whose account");
    var known =
        new Draft(over.receipt(), over.applications(), List.of(), usd("0"), Optional.of("a"));
    assertThat(
            RemainderOption.taken(
                    known, Kind.KEEP_ON_ACCOUNT, Optional.empty(), policy(), Authority.CLERK)
                .settle(policy(), Authority.CLERK)
                .onAccount())
        .isEqualTo(usd("10.00"));
  }
}
