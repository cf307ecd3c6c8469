package org.sumbrel.formats.deposit;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.table.HarmlessCell;

/**
 * Writes a deposit slip as CSV (RFC 4180, UTF-8): one row for each receipt and line, then the
 * total. Texts that a spreadsheet would take for a formula get an apostrophe.
 */
public final class DepositSlipCsv {

  private DepositSlipCsv() {}

  /**
   * Writes the slip.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(DepositSlip slip, OutputStream out) throws IOException {
    var csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
    var deposit = slip.deposit();
    var currency = deposit.currency().getCode();
    csv.writeRecord("slip", "date", "what", "reference", "from", "amount", "currency");
    for (var receipt : deposit.receipts()) {
      csv.writeRecord(
          HarmlessCell.of(slip.number()),
          deposit.on().toString(),
          receipt.method().name().toLowerCase(Locale.ROOT),
          HarmlessCell.of(receipt.reference()),
          HarmlessCell.of(receipt.from()),
          MoneyText.plain(receipt.amount()),
          currency);
    }
    for (var line : deposit.lines()) {
      csv.writeRecord(
          HarmlessCell.of(slip.number()),
          deposit.on().toString(),
          line.kind().name().toLowerCase(Locale.ROOT).replace('_', ' '),
          "",
          HarmlessCell.of(line.words()),
          MoneyText.plain(line.amount()),
          currency);
    }
    csv.writeRecord(
        HarmlessCell.of(slip.number()),
        deposit.on().toString(),
        "total",
        "",
        "",
        MoneyText.plain(deposit.total()),
        currency);
    csv.flush();
  }
}
