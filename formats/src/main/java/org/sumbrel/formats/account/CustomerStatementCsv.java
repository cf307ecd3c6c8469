package org.sumbrel.formats.account;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.table.HarmlessCell;

/**
 * Writes a customer's statement as CSV (RFC 4180, UTF-8): the opening balance, each movement with
 * the balance after it, the closing balance. Texts that a spreadsheet would take for a formula get
 * an apostrophe.
 */
public final class CustomerStatementCsv {

  private CustomerStatementCsv() {}

  /**
   * Writes the statement.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(CustomerSheet sheet, OutputStream out) throws IOException {
    var statement = sheet.statement();
    var csv =
        de.siegmar.fastcsv.writer.CsvWriter.builder()
            .build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
    csv.writeRecord("date", "text", "charge", "credit", "balance", "currency");
    var currency = statement.opening().getCurrencyUnit().getCode();
    csv.writeRecord(
        statement.from().toString(),
        "Opening balance",
        "",
        "",
        MoneyText.plain(statement.opening()),
        currency);
    for (var line : statement.lines()) {
      var amount = line.movement().amount();
      csv.writeRecord(
          line.movement().on().toString(),
          HarmlessCell.of(line.movement().text()),
          amount.isPositive() ? MoneyText.plain(amount) : "",
          amount.isPositive() ? "" : MoneyText.plain(amount.negated()),
          MoneyText.plain(line.balance()),
          currency);
    }
    csv.writeRecord(
        statement.until().toString(),
        "Closing balance",
        "",
        "",
        MoneyText.plain(statement.closing()),
        currency);
    csv.flush();
  }
}
