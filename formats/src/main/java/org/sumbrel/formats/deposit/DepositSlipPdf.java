package org.sumbrel.formats.deposit;

import com.lowagie.text.DocumentException;
import java.io.IOException;
import java.io.OutputStream;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.formats.print.Paper;

/**
 * Writes a deposit slip as PDF, grouped as banks take it: cash by denomination, then each cheque,
 * then other lines, then the total.
 */
public final class DepositSlipPdf {

  private final Paper paper;

  private DepositSlipPdf(Paper paper) {
    this.paper = paper;
  }

  /**
   * Writes the slip.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(DepositSlip slip, OutputStream out) throws IOException {
    try {
      var paper = new Paper("Deposit slip " + slip.number(), out);
      new DepositSlipPdf(paper).print(slip);
      paper.end();
    } catch (DocumentException e) {
      throw new IOException("the slip cannot be written", e);
    }
  }

  private void print(DepositSlip slip) {
    var deposit = slip.deposit();
    paper.heading(
        slip.company(),
        "Deposit slip " + slip.number(),
        slip.bankAccount(),
        DayText.of(deposit.on()) + ", amounts in " + deposit.currency().getCode());
    cash(slip);
    receipts(slip, PaidBy.CHEQUE, "Cheques");
    receipts(slip, PaidBy.CARD, "Card slips");
    receipts(slip, PaidBy.TRANSFER, "Transfers");
    others(slip);
    var total = paper.table(80, 20);
    paper.labels(total, "Total");
    paper.figures(total, text(deposit.total()));
    paper.add(total);
  }

  private void cash(DepositSlip slip) {
    if (slip.deposit().cash().isZero()) {
      return;
    }
    var table = paper.table(30, 30, 40);
    paper.head(table, "Cash", "Pieces", "Amount");
    slip.count()
        .pieces()
        .forEach(
            (piece, count) ->
                paper.row(table, text(piece), count.toString(), text(piece.multipliedBy(count))));
    paper.total(table, "Cash in all", "", text(slip.deposit().cash()));
    paper.add(table);
  }

  private void receipts(DepositSlip slip, PaidBy method, String name) {
    var some = slip.deposit().by(method);
    if (some.isEmpty()) {
      return;
    }
    var table = paper.table(30, 50, 20);
    paper.head(table, name, "From", "Amount");
    var sum = Money.zero(slip.deposit().currency());
    for (var receipt : some) {
      paper.row(table, receipt.name(), receipt.from(), text(receipt.amount()));
      sum = sum.plus(receipt.amount());
    }
    paper.total(table, some.size() + " in all", "", text(sum));
    paper.add(table);
  }

  /** Loose cash and what is kept back stand in the cash already. */
  private void others(DepositSlip slip) {
    var some =
        slip.deposit().lines().stream()
            .filter(
                l ->
                    l.kind() == DepositLine.Kind.TO_ACCOUNT
                        || l.kind() == DepositLine.Kind.BANK_FEE)
            .toList();
    if (some.isEmpty()) {
      return;
    }
    var table = paper.table(30, 50, 20);
    paper.head(table, "Other", "", "Amount");
    some.forEach(line -> paper.row(table, line.words(), "", text(line.amount())));
    paper.add(table);
  }

  private static String text(Money amount) {
    return MoneyText.grouped(amount);
  }
}
