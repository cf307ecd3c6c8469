package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.Money;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.RefundDue;
import org.sumbrel.core.settle.Settlement;

/** What is written into the journal, and on which accounts. */
public final class Posting {

  private Posting() {}

  /**
   * The entry of a settlement of one company, without what its lines are worth in the currency of
   * the books.
   *
   * @param bookedOn the day it is posted for
   */
  public static JournalEntry entryFor(Settlement settlement, LocalDate bookedOn, String text) {
    return new SettlementPosting(settlement, bookedOn, Optional.empty(), Optional.empty())
        .entries(text)
        .get(0);
  }

  /** The same with what each line is worth in the currency of the books. */
  public static JournalEntry entryFor(
      Settlement settlement, LocalDate bookedOn, String text, Worths worths) {
    return new SettlementPosting(
            settlement, bookedOn, Optional.of(company -> worths), Optional.empty())
        .entries(text)
        .get(0);
  }

  /**
   * The entries of a settlement: that of the company that received the money, and one for each
   * other company whose items it settles.
   *
   * @param worths what amounts are worth in the books of a company
   */
  public static List<JournalEntry> entriesFor(
      Settlement settlement,
      LocalDate bookedOn,
      String text,
      Function<String, Worths> worths,
      Group group) {
    return new SettlementPosting(settlement, bookedOn, Optional.of(worths), Optional.of(group))
        .entries(text);
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
