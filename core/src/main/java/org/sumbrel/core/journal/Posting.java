package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.RefundDue;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.RefundPromised;
import org.sumbrel.core.settle.Rounding;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.settle.UnearnedDiscount;

/** What is written into the journal, and on which accounts. */
public final class Posting {

  private Posting() {}

  /**
   * The entry of a settlement: debit the bank, the fees, write-offs, discounts and claims; credit
   * receivables for each application, unapplied receipts for what stays on account, refunds due for
   * what is promised back, and the accounts that were named.
   *
   * @param bookedOn the day it is posted for
   */
  public static JournalEntry entryFor(Settlement settlement, LocalDate bookedOn, String text) {
    var lines = new ArrayList<JournalLine>();
    if (!settlement.receipt().amount().isZero()) {
      lines.add(JournalLine.of(AccountRole.BANK, settlement.receipt().amount()));
    }
    settlement.adjustments().forEach(a -> lines.addAll(linesOf(a)));
    for (var application : settlement.applications()) {
      if (!application.discount().isZero()) {
        lines.add(JournalLine.of(AccountRole.DISCOUNTS_ALLOWED, application.discount()));
      }
    }
    for (var application : settlement.applications()) {
      lines.add(creditOf(application));
    }
    for (var exchange : settlement.exchanges()) {
      // of a very small amount nothing may be left in the other currency
      add(lines, AccountRole.CURRENCY_CONVERSION, Optional.empty(), exchange.given().negated());
      add(lines, AccountRole.CURRENCY_CONVERSION, Optional.empty(), exchange.counted());
    }
    if (!settlement.onAccount().isZero()) {
      lines.add(onAccount(settlement));
    }
    return new JournalEntry(settlement.receipt().companyId(), bookedOn, text, lines);
  }

  /**
   * The same with what each line is worth in the currency of the books, where some are in another:
   * what arrived at the rate of its day, what it settles with what that stands in the books with.
   * The difference is realised (IAS 21.28) and goes to exchange differences; the conversion from
   * one currency into the other is worth nothing.
   */
  public static JournalEntry entryFor(
      Settlement settlement, LocalDate bookedOn, String text, Worths worths) {
    var books = worths.books();
    var plain = entryFor(settlement, bookedOn, text);
    if (plain.lines().stream().allMatch(l -> l.amount().getCurrencyUnit().equals(books))) {
      return plain;
    }
    var lines = new ArrayList<JournalLine>();
    if (!settlement.receipt().amount().isZero()) {
      lines.add(ofDay(JournalLine.of(AccountRole.BANK, settlement.receipt().amount()), worths));
    }
    for (var adjustment : settlement.adjustments()) {
      linesOf(adjustment).forEach(line -> lines.add(ofDay(line, worths)));
    }
    for (var application : settlement.applications()) {
      if (!application.discount().isZero()) {
        lines.add(
            ofItem(
                JournalLine.of(AccountRole.DISCOUNTS_ALLOWED, application.discount()),
                application.item(),
                worths));
      }
    }
    for (var application : settlement.applications()) {
      lines.add(ofItem(creditOf(application), application.item(), worths));
    }
    for (var exchange : settlement.exchanges()) {
      lines.addAll(conversion(exchange, worths));
    }
    if (!settlement.onAccount().isZero()) {
      lines.add(ofDay(onAccount(settlement), worths));
    }
    var other =
        lines.stream()
            .map(l -> l.amount().getCurrencyUnit())
            .filter(unit -> !unit.equals(books))
            .findFirst()
            .orElseThrow();
    var off =
        new JournalEntry(settlement.receipt().companyId(), bookedOn, text, lines)
            .worth(books)
            .orElseThrow();
    if (!off.isZero()) {
      lines.add(JournalLine.correcting(AccountRole.EXCHANGE_DIFFERENCES, other, off.negated()));
    }
    return new JournalEntry(settlement.receipt().companyId(), bookedOn, text, lines);
  }

  private static JournalLine ofDay(JournalLine line, Worths worths) {
    return line.amount().getCurrencyUnit().equals(worths.books())
        ? line
        : line.worth(worths.ofDay(line.amount()));
  }

  /** A line of an item's own, at what the item stands in the books with. */
  private static JournalLine ofItem(JournalLine line, OpenItem item, Worths worths) {
    var amount = line.amount();
    if (amount.getCurrencyUnit().equals(worths.books())) {
      return line;
    }
    return line.worth(
        line.role() == AccountRole.DISCOUNTS_ALLOWED
            ? worths.ofItem(item, amount)
            : worths.ofItem(item, amount.negated()).negated());
  }

  /** What leaves one currency and comes into the other, worth the same on both sides. */
  private static List<JournalLine> conversion(Exchanged exchange, Worths worths) {
    var books = worths.books();
    var given = exchange.given();
    var counted = exchange.counted();
    var worth = given.getCurrencyUnit().equals(books) ? given : worths.ofDay(given);
    var lines = new ArrayList<JournalLine>();
    convert(lines, given.negated(), worth.negated(), books);
    if (counted.getCurrencyUnit().equals(books)) {
      // what comes in is what it is worth; what it settles beyond that is lost, below it won
      convert(lines, worth, worth, books);
      add(lines, AccountRole.EXCHANGE_DIFFERENCES, Optional.empty(), counted.minus(worth));
    } else {
      convert(lines, counted, worth, books);
    }
    return lines;
  }

  private static void convert(
      List<JournalLine> lines, Money amount, Money worth, CurrencyUnit books) {
    if (!amount.isZero()) {
      var line = JournalLine.of(AccountRole.CURRENCY_CONVERSION, amount);
      lines.add(amount.getCurrencyUnit().equals(books) ? line : line.worth(worth));
    }
  }

  private static List<JournalLine> linesOf(Adjustment adjustment) {
    if (adjustment instanceof FeeWithheld fee) {
      var role = fee.keptBy() == KeptBy.BANK ? AccountRole.BANK_FEES : AccountRole.PROCESSING_FEES;
      return withTax(JournalLine.of(role, fee.amount().minus(fee.tax())), fee.tax());
    }
    if (adjustment instanceof ToAccount booked) {
      return withTax(
          JournalLine.on(booked.accountId(), booked.amount().minus(booked.tax())), booked.tax());
    }
    if (adjustment instanceof ClaimRaised claim) {
      return List.of(JournalLine.of(AccountRole.CLAIMS, claim.customerId(), claim.amount()));
    }
    if (adjustment instanceof RefundPromised refund) {
      return List.of(JournalLine.of(AccountRole.REFUNDS_DUE, refund.customerId(), refund.amount()));
    }
    var role =
        adjustment instanceof UnearnedDiscount
            ? AccountRole.DISCOUNTS_ALLOWED
            : adjustment instanceof Rounding
                ? AccountRole.ROUNDING_DIFFERENCES
                : AccountRole.SMALL_WRITE_OFFS;
    return List.of(JournalLine.of(role, adjustment.amount()));
  }

  private static List<JournalLine> withTax(JournalLine net, Money tax) {
    return tax.isZero() ? List.of(net) : List.of(net, JournalLine.of(AccountRole.TAX, tax));
  }

  private static JournalLine onAccount(Settlement settlement) {
    return JournalLine.of(
        AccountRole.UNAPPLIED_RECEIPTS,
        settlement.onAccountCustomer().orElseThrow(),
        settlement.onAccount().negated());
  }

  private static JournalLine creditOf(Application application) {
    return JournalLine.of(
        roleOf(application.item()),
        application.item().customerId(),
        application.amount().negated());
  }

  /** The control account on which an item's balance stands. */
  public static AccountRole roleOf(OpenItem item) {
    if (item instanceof OnAccount) {
      return AccountRole.UNAPPLIED_RECEIPTS;
    }
    if (item instanceof Claim) {
      return AccountRole.CLAIMS;
    }
    return item instanceof RefundDue ? AccountRole.REFUNDS_DUE : AccountRole.RECEIVABLE;
  }

  /**
   * The entry of an item that is taken in: its open balance becomes a receivable, its total sales.
   * What was settled of it before it came here stands against opening balances. Empty where nothing
   * is to be written.
   */
  public static Optional<JournalEntry> entryFor(OpenItem item) {
    return entryFor(item, Money.zero(item.total().getCurrencyUnit()));
  }

  /**
   * The entry of an item whose total contains a tax.
   *
   * @param tax in the sign of the total
   */
  public static Optional<JournalEntry> entryFor(OpenItem item, Money tax) {
    if (item.total().isZero()) {
      return Optional.empty();
    }
    var text = nameOf(item) + " " + item.number();
    var lines = new ArrayList<JournalLine>();
    add(lines, roleOf(item), Optional.of(item.customerId()), item.open());
    add(lines, AccountRole.OPENING_BALANCES, Optional.empty(), item.total().minus(item.open()));
    if (item instanceof Invoice || item instanceof CreditNote) {
      add(lines, AccountRole.SALES, Optional.empty(), item.total().minus(tax).negated());
      add(lines, AccountRole.TAX, Optional.empty(), tax.negated());
    } else {
      add(lines, AccountRole.OPENING_BALANCES, Optional.empty(), item.total().negated());
    }
    return Optional.of(new JournalEntry(item.companyId(), item.issuedOn(), text, lines));
  }

  /**
   * The entry of what was paid of an item past these books: its balance falls, against opening
   * balances, as does what was settled before the item came here.
   *
   * @param paid in the sign of the item
   */
  public static JournalEntry paidElsewhere(
      OpenItem item, Money paid, LocalDate bookedOn, String text) {
    var lines = new ArrayList<JournalLine>();
    add(lines, AccountRole.OPENING_BALANCES, Optional.empty(), paid);
    add(lines, roleOf(item), Optional.of(item.customerId()), paid.negated());
    return new JournalEntry(item.companyId(), bookedOn, text, lines);
  }

  /**
   * The entry of what stood on a bank account when the books began with it.
   *
   * @param balance other than zero; negative where we owed the bank
   */
  public static JournalEntry opening(
      String companyId, Money balance, LocalDate bookedOn, String text) {
    return new JournalEntry(
        companyId,
        bookedOn,
        text,
        List.of(
            JournalLine.of(AccountRole.BANK, balance),
            JournalLine.of(AccountRole.OPENING_BALANCES, balance.negated())));
  }

  /**
   * The entry of the fee that a bank takes for returning a receipt: ours, or charged on to a
   * customer as an item of its own.
   *
   * @param fee what the bank took, positive
   */
  public static JournalEntry returnFee(
      String companyId, Money fee, Optional<String> chargedTo, LocalDate bookedOn, String text) {
    var lines = new ArrayList<JournalLine>();
    add(
        lines,
        chargedTo.isPresent() ? AccountRole.RECEIVABLE : AccountRole.BANK_FEES,
        chargedTo,
        fee);
    add(lines, AccountRole.BANK, Optional.empty(), fee.negated());
    return new JournalEntry(companyId, bookedOn, text, lines);
  }

  private static String nameOf(OpenItem item) {
    if (item instanceof Invoice) {
      return "Invoice";
    }
    if (item instanceof CreditNote) {
      return "Credit note";
    }
    if (item instanceof Claim) {
      return "Claim";
    }
    return item instanceof RefundDue ? "Refund" : "On account";
  }

  private static void add(
      List<JournalLine> lines, AccountRole role, Optional<String> customer, Money amount) {
    if (!amount.isZero()) {
      lines.add(new JournalLine(role, Optional.empty(), customer, amount));
    }
  }
}
