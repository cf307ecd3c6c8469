package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.core.settle.SmallWriteOff;

/** What is written into the journal, and on which accounts. */
public final class Posting {

  private Posting() {}

  /**
   * The entry of a settlement: debit the bank, the fees, write-offs and discounts; credit
   * receivables for each application and unapplied receipts for what stays on account.
   *
   * @param bookedOn the day it is posted for
   */
  public static JournalEntry entryFor(Settlement settlement, LocalDate bookedOn, String text) {
    var lines = new ArrayList<JournalLine>();
    lines.add(JournalLine.of(AccountRole.BANK, settlement.receipt().amount()));
    for (var adjustment : settlement.adjustments()) {
      if (adjustment instanceof FeeWithheld fee) {
        var role =
            fee.keptBy() == KeptBy.BANK ? AccountRole.BANK_FEES : AccountRole.PROCESSING_FEES;
        lines.add(JournalLine.of(role, fee.amount()));
      } else if (adjustment instanceof SmallWriteOff writeOff) {
        lines.add(JournalLine.of(AccountRole.SMALL_WRITE_OFFS, writeOff.amount()));
      }
    }
    for (var application : settlement.applications()) {
      if (!application.discount().isZero()) {
        lines.add(JournalLine.of(AccountRole.DISCOUNTS_ALLOWED, application.discount()));
      }
    }
    for (var application : settlement.applications()) {
      lines.add(creditOf(application));
    }
    if (!settlement.onAccount().isZero()) {
      lines.add(
          JournalLine.of(
              AccountRole.UNAPPLIED_RECEIPTS,
              settlement.onAccountCustomer().orElseThrow(),
              settlement.onAccount().negated()));
    }
    return new JournalEntry(settlement.receipt().companyId(), bookedOn, text, lines);
  }

  private static JournalLine creditOf(Application application) {
    return JournalLine.of(
        roleOf(application.item()),
        application.item().customerId(),
        application.amount().negated());
  }

  /** The control account on which an item's balance stands. */
  public static AccountRole roleOf(OpenItem item) {
    return item instanceof OnAccount ? AccountRole.UNAPPLIED_RECEIPTS : AccountRole.RECEIVABLE;
  }

  /**
   * The entry of an item that is taken in: its open balance becomes a receivable, its total sales.
   * What was settled of it before it came here stands against opening balances. Empty where nothing
   * is to be written.
   */
  public static Optional<JournalEntry> entryFor(OpenItem item) {
    if (item.total().isZero()) {
      return Optional.empty();
    }
    var text = nameOf(item) + " " + item.number();
    var lines = new ArrayList<JournalLine>();
    add(lines, roleOf(item), Optional.of(item.customerId()), item.open());
    add(lines, AccountRole.OPENING_BALANCES, Optional.empty(), item.total().minus(item.open()));
    if (item instanceof OnAccount) {
      add(lines, AccountRole.OPENING_BALANCES, Optional.empty(), item.total().negated());
    } else {
      add(lines, AccountRole.SALES, Optional.empty(), item.total().negated());
    }
    return Optional.of(new JournalEntry(item.companyId(), item.issuedOn(), text, lines));
  }

  private static String nameOf(OpenItem item) {
    if (item instanceof Invoice) {
      return "Invoice";
    }
    return item instanceof CreditNote ? "Credit note" : "On account";
  }

  private static void add(
      List<JournalLine> lines, AccountRole role, Optional<String> customer, Money amount) {
    if (!amount.isZero()) {
      lines.add(new JournalLine(role, customer, amount));
    }
  }
}
