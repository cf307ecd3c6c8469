package org.sumbrel.formats.account;

import java.io.IOException;
import org.sumbrel.formats.sheet.SheetWriter;

/**
 * Writes a customer's statement as a table: the opening balance, each movement with the balance
 * after it, the closing balance.
 */
public final class CustomerStatementTable {

  private CustomerStatementTable() {}

  /**
   * Writes the statement.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(CustomerSheet sheet, SheetWriter out) throws IOException {
    var statement = sheet.statement();
    var currency = statement.opening().getCurrencyUnit().getCode();
    out.head("date", "text", "charge", "credit", "balance", "currency");
    out.row(statement.from(), "Opening balance", null, null, statement.opening(), currency);
    for (var line : statement.lines()) {
      var amount = line.movement().amount();
      out.row(
          line.movement().on(),
          line.movement().text(),
          amount.isPositive() ? amount : null,
          amount.isPositive() ? null : amount.negated(),
          line.balance(),
          currency);
    }
    out.row(statement.until(), "Closing balance", null, null, statement.closing(), currency);
  }
}
