package org.sumbrel.core.payout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.ToAccount;

/**
 * What a payout is booked as: one settlement through the processor's clearing account, in which no
 * money arrives, and what is banked of it. What is recorded already stands on the clearing account
 * and is not booked again; only its fee is.
 *
 * @param draft invoices settled in full; fees, sales, refunds, reserves and chargebacks beside
 *     them; the clearing account takes the rest
 * @param receiptIds what was recorded before and is paid out now
 * @param banked what goes from the clearing account to the bank beside those receipts; zero or less
 *     where they are more than was sent
 */
public record PayoutBooking(Draft draft, List<String> receiptIds, Money banked) {

  /**
   * An item and what it belongs to.
   *
   * @param concerns the id of an open item: of a chargeback the invoice that its sale paid, of one
   *     that was won what the chargeback has left open; empty where there is none, or none is known
   */
  public record Joined(PayoutItem item, Join join, Optional<String> concerns) {

    /** The item that its gross is set against, where it is. */
    private Optional<String> against() {
      if (join instanceof Join.ToInvoice open) {
        return Optional.of(open.itemId());
      }
      var reopens = join instanceof Join.ToSale sale && sale.reopens();
      return item.type() == PayoutItemType.CHARGEBACK && reopens
              || item.type() == PayoutItemType.CHARGEBACK_REVERSAL
          ? concerns
          : Optional.empty();
    }
  }

  public PayoutBooking {
    receiptIds = List.copyOf(receiptIds);
  }

  /**
   * What is booked of a payout.
   *
   * @param joined every item but the transfer
   * @param items the open items that are concerned, as they stand
   * @param eachSale whether every new sale is a line of its own; else those of a day are one
   * @param on the day it counts for
   * @throws PayoutRefused where it is not known of an item what it is, or what it belongs to
   */
  public static PayoutBooking of(
      String companyId,
      Payout payout,
      List<Joined> joined,
      Function<String, OpenItem> items,
      PayoutAccounts accounts,
      boolean eachSale,
      LocalDate on) {
    joined.forEach(PayoutBooking::requireKnown);
    var amounts = new LinkedHashMap<String, Money>();
    var receipts = new ArrayList<String>();
    var before = Money.zero(payout.currency());
    for (var one : joined) {
      if (one.join() instanceof Join.ToReceipt receipt) {
        receipts.add(receipt.receiptId());
        before = before.plus(one.item().gross());
      }
      // a sale of this payout that is taken back in it opens again what it has paid
      one.against().ifPresent(id -> amounts.merge(id, one.item().gross(), Money::plus));
    }
    var applications = new ArrayList<Application>();
    amounts.forEach(
        (id, amount) -> {
          if (!amount.isZero()) {
            applications.add(Application.of(items.apply(id), amount));
          }
        });
    var adjustments =
        new ArrayList<>(
            new Adjustments(payout, joined, items, accounts, eachSale, wonHere(joined)).all());
    var applied = MoneySum.of(payout.currency(), applications, Application::amount);
    var kept = MoneySum.of(payout.currency(), adjustments, Adjustment::amount);
    var clearing = applied.minus(kept);
    if (!clearing.isZero()) {
      adjustments.add(
          new ToAccount(
              clearing, accounts.clearing(), Money.zero(payout.currency()), payout.name()));
    }
    return new PayoutBooking(
        new Draft(
            Receipt.none(companyId, on, payout.currency()),
            applications,
            adjustments,
            Money.zero(payout.currency()),
            Optional.empty()),
        receipts,
        payout.paidOut().minus(before));
  }

  /** The sales of which a chargeback was won within the same payout: nobody owes those again. */
  private static Set<String> wonHere(List<Joined> joined) {
    return joined.stream()
        .filter(j -> j.item().type() == PayoutItemType.CHARGEBACK_REVERSAL)
        .filter(j -> j.concerns().isEmpty() && j.join() instanceof Join.ToSale)
        .map(j -> ((Join.ToSale) j.join()).saleId())
        .collect(Collectors.toSet());
  }

  private static void requireKnown(Joined one) {
    var item = one.item();
    if (item.type() == PayoutItemType.UNKNOWN) {
      throw new PayoutRefused(
          "Line "
              + item.line()
              + " is \""
              + item.word()
              + "\", of "
              + MoneyText.grouped(item.net())
              + "; say what that is first.");
    }
    if (one.join() instanceof Join.Asked asked) {
      throw new PayoutRefused(
          "It is not decided what the "
              + MoneyText.grouped(item.gross())
              + " of line "
              + item.line()
              + " belong to: "
              + asked.why());
    }
  }

  /** The line by which the bank's deposit takes from the clearing account what was not recorded. */
  public Optional<DepositLine> bankedLine(String clearingAccount, String words) {
    return banked.isZero()
        ? Optional.empty()
        : Optional.of(
            new DepositLine(
                DepositLine.Kind.TO_ACCOUNT, banked, Optional.of(clearingAccount), words));
  }

  /** What stands beside the invoices, gathered by what it is and by day. */
  private record Adjustments(
      Payout payout,
      List<Joined> joined,
      Function<String, OpenItem> items,
      PayoutAccounts accounts,
      boolean eachSale,
      Set<String> wonHere) {

    /** What is gathered: amounts of one sign, so that the tax in them stays in them. */
    private record Day(String what, String account, Optional<LocalDate> on, boolean negative) {}

    /** So long a text of an account's line may be. */
    private static final int LONGEST = 120;

    private record Sum(Money amount, Money tax) {
      Sum plus(Sum other) {
        return new Sum(amount.plus(other.amount), tax.plus(other.tax));
      }
    }

    List<Adjustment> all() {
      var all = new ArrayList<Adjustment>();
      var days = new LinkedHashMap<Day, Sum>();
      var zero = Money.zero(payout.currency());
      var kept = new Sum(zero, zero);
      var back = kept;
      for (var one : joined) {
        var item = one.item();
        var fee = new Sum(item.fee(), item.feeTax());
        kept = item.fee().isPositive() ? kept.plus(fee) : kept;
        back = item.fee().isNegative() ? back.plus(fee) : back;
        if (claimed(one)) {
          all.add(
              new ClaimRaised(
                  item.gross().abs(),
                  items.apply(one.concerns().orElseThrow()).customerId(),
                  ClaimReason.CHARGEBACK,
                  item.reference()));
        } else {
          day(one)
              .ifPresent(
                  day ->
                      days.merge(
                          day, new Sum(item.gross().negated(), item.tax().negated()), Sum::plus));
        }
      }
      days.forEach((day, sum) -> toAccount(day, sum).ifPresent(all::add));
      if (!kept.amount().isZero()) {
        all.add(new FeeWithheld(kept.amount(), KeptBy.PROCESSOR, kept.tax()));
      }
      if (!back.amount().isZero()) {
        all.add(new ToAccount(back.amount(), accounts.fees(), back.tax(), "Fees that came back"));
      }
      return all;
    }

    private boolean claimed(Joined one) {
      return one.item().type() == PayoutItemType.CHARGEBACK
          && one.concerns().isPresent()
          && one.against().isEmpty()
          && !(one.join() instanceof Join.ToSale sale && wonHere.contains(sale.saleId()))
          && !one.item().gross().isZero();
    }

    /** Where the gross of an item goes; nowhere where it is an item's or recorded already. */
    private Optional<Day> day(Joined one) {
      if (one.against().isPresent() || one.join() instanceof Join.ToReceipt) {
        return Optional.empty();
      }
      return switch (one.item().type()) {
        case SALE -> day(eachSale ? sale(one.item()) : "Sales", accounts.sales(), one);
        case REFUND -> day("Refunds", accounts.refunds(), one);
        case CHARGEBACK -> day("Chargebacks", accounts.chargebacks(), one);
        case CHARGEBACK_REVERSAL -> day("Chargebacks won", accounts.chargebacks(), one);
        case RESERVE_HELD -> day("Reserve held", accounts.reserve(), one);
        case RESERVE_RELEASED -> day("Reserve released", accounts.reserve(), one);
        case ADJUSTMENT -> day("Adjustments", accounts.adjustments(), one);
        case CONVERSION -> day("Conversions", accounts.exchange(), one);
        case FEE, FEE_REFUND, TRANSFER, UNKNOWN -> Optional.empty();
      };
    }

    /** A sale by its own name, so that it stands alone. */
    private static String sale(PayoutItem item) {
      var name = "Sale " + (item.reference().isEmpty() ? item.id() : item.reference());
      var buyer = item.payer().isEmpty() ? name : name + ", " + item.payer();
      var whole = buyer + ", line " + item.line();
      return whole.length() <= LONGEST ? whole : name + ", line " + item.line();
    }

    private static Optional<Day> day(String what, String account, Joined one) {
      return Optional.of(new Day(what, account, one.item().on(), one.item().gross().isNegative()));
    }

    private static Optional<Adjustment> toAccount(Day day, Sum sum) {
      return sum.amount().isZero()
          ? Optional.empty()
          : Optional.of(
              new ToAccount(
                  sum.amount(),
                  day.account(),
                  sum.tax(),
                  day.what() + day.on().map(d -> " of " + DayText.of(d)).orElse("")));
    }
  }
}
