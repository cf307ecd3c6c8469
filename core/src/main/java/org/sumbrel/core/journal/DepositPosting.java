package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import org.joda.money.Money;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.deposit.Takings;
import org.sumbrel.core.receivables.PaidBy;

/** What is written into the journal for receipts in the office and their deposits. */
public final class DepositPosting {

  private DepositPosting() {}

  /**
   * Where the money of a receipt stands until it is at the bank: in the pouch, or with the acquirer
   * who will pay a card out.
   */
  public static AccountRole heldOn(PaidBy method) {
    return method == PaidBy.CARD ? AccountRole.PROCESSOR_CLEARING : AccountRole.RECEIPTS_ON_HAND;
  }

  /** The entry of a receipt that was recorded; what it pays is written when it is settled. */
  public static JournalEntry recorded(String companyId, HeldReceipt receipt) {
    return recorded(companyId, receipt, AccountRole.RECEIPTS_TO_APPLY, "");
  }

  /**
   * The entry of a cheque that the bank's mail room took out of its envelope.
   *
   * @param batch how its batch is spoken of
   */
  public static JournalEntry mailed(String companyId, HeldReceipt receipt, String batch) {
    return recorded(companyId, receipt, AccountRole.RECEIPTS_TO_APPLY, ", " + batch);
  }

  /**
   * The entry of a cheque of a sale on the spot that is to be presented once more: it answers for
   * what stood in suspense since it came back.
   */
  public static JournalEntry presentedAgain(String companyId, HeldReceipt receipt) {
    return recorded(companyId, receipt, AccountRole.SUSPENSE, "");
  }

  private static JournalEntry recorded(
      String companyId, HeldReceipt receipt, AccountRole credit, String where) {
    return new JournalEntry(
        companyId,
        receipt.receivedOn(),
        receipt.name() + " from " + receipt.from() + where,
        List.of(
            JournalLine.of(heldOn(receipt.method()), receipt.amount()),
            JournalLine.of(credit, receipt.amount().negated())));
  }

  /**
   * The one entry of what was sold on the spot: what is held for it on the debit side, sales, tax
   * and what was miscounted on the other.
   */
  public static JournalEntry taken(Takings takings, String text) {
    var held = new EnumMap<AccountRole, Money>(AccountRole.class);
    takings.receipts().forEach(r -> held.merge(heldOn(r.method()), r.amount(), Money::plus));
    var lines = new ArrayList<JournalLine>();
    held.forEach((role, amount) -> lines.add(JournalLine.of(role, amount)));
    for (var sale : takings.sales()) {
      var net = sale.net().negated();
      lines.add(
          sale.accountId()
              .map(account -> JournalLine.on(account, net))
              .orElseGet(() -> JournalLine.of(AccountRole.SALES, net)));
    }
    if (!takings.tax().isZero()) {
      lines.add(JournalLine.of(AccountRole.TAX, takings.tax().negated()));
    }
    if (!takings.difference().isZero()) {
      lines.add(JournalLine.of(AccountRole.CASH_DIFFERENCES, takings.difference().negated()));
    }
    return new JournalEntry(takings.companyId(), takings.on(), text, lines);
  }

  /** The entry of a deposit: the bank account takes what its receipts and lines come to. */
  public static JournalEntry made(Deposit deposit, String text) {
    var lines = new ArrayList<JournalLine>();
    lines.add(JournalLine.of(AccountRole.BANK, deposit.total()));
    deposit.lines().forEach(line -> lines.add(credit(line)));
    if (!deposit.receipts().isEmpty()) {
      var held = deposit.isBatch() ? PaidBy.CARD : PaidBy.CASH;
      lines.add(JournalLine.of(heldOn(held), deposit.receiptTotal().negated()));
    }
    return new JournalEntry(deposit.companyId(), deposit.on(), text, lines);
  }

  /** The entry of a line that explains what the bank showed more or less than was banked. */
  public static JournalEntry difference(
      String companyId, DepositLine line, LocalDate on, String text) {
    return new JournalEntry(
        companyId,
        on,
        text,
        List.of(JournalLine.of(AccountRole.BANK, line.amount()), credit(line)));
  }

  /**
   * The entry of a receipt that the bank took back after it had credited it: what was to be applied
   * is gone with the money. Its settlement is reversed by itself; where it is in the pouch again,
   * it is recorded again.
   *
   * @param sold whether it was for a sale on the spot: then nobody owes an item, and it stands in
   *     suspense until somebody answers for it
   */
  public static JournalEntry returned(
      String companyId, HeldReceipt receipt, boolean sold, LocalDate on, String text) {
    return new JournalEntry(
        companyId,
        on,
        text,
        List.of(
            JournalLine.of(
                sold ? AccountRole.SUSPENSE : AccountRole.RECEIPTS_TO_APPLY, receipt.amount()),
            JournalLine.of(AccountRole.BANK, receipt.amount().negated())));
  }

  private static JournalLine credit(DepositLine line) {
    Money amount = line.amount().negated();
    return switch (line.kind()) {
      case LOOSE_CASH, KEPT_BACK -> JournalLine.of(AccountRole.CASH_ON_HAND, amount);
      case TO_ACCOUNT -> JournalLine.on(line.accountId().orElseThrow(), amount);
      case BANK_FEE -> JournalLine.of(AccountRole.BANK_FEES, amount);
      case PROCESSING_FEE -> JournalLine.of(AccountRole.PROCESSING_FEES, amount);
      case CASH_DIFFERENCE -> JournalLine.of(AccountRole.CASH_DIFFERENCES, amount);
    };
  }
}
