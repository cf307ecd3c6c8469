package org.sumbrel.formats.table;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.statement.AccountStatement;

/**
 * Writes the entries of statements as CSV (RFC 4180, UTF-8) under our own headings, which are read
 * back without a profile. Texts that a spreadsheet would take for a formula get an apostrophe.
 */
public final class StatementCsvWriter {

  private StatementCsvWriter() {}

  /**
   * Writes all entries, whatever their status.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(List<AccountStatement> statements, OutputStream out) throws IOException {
    var csv =
        de.siegmar.fastcsv.writer.CsvWriter.builder()
            .build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
    csv.writeRecord(
        "entry_id",
        "account",
        "booking_date",
        "value_date",
        "amount",
        "currency",
        "payer_name",
        "payer_account",
        "remittance",
        "bank_reference",
        "check_number",
        "status");
    for (var statement : statements) {
      for (var entry : statement.entries()) {
        csv.writeRecord(
            Cells.harmless(entry.entryId()),
            Cells.harmless(statement.account()),
            entry.bookingDate().toString(),
            entry.valueDate().toString(),
            MoneyText.plain(entry.amount()),
            entry.amount().getCurrencyUnit().getCode(),
            Cells.harmless(entry.payerName()),
            Cells.harmless(entry.payerAccount()),
            Cells.harmless(entry.remittance()),
            Cells.harmless(entry.bankReference()),
            Cells.harmless(entry.checkNumber()),
            entry.status().name().toLowerCase(Locale.ROOT));
      }
    }
    csv.flush();
  }
}
