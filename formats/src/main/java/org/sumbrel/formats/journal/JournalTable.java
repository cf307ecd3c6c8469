package org.sumbrel.formats.journal;

import java.io.IOException;
import org.sumbrel.formats.sheet.SheetWriter;

/**
 * Writes the journal as a table, a line of an entry on each row; debit and credit both positive in
 * their own currency, the worth in the currency of the books with debits positive, so that it adds
 * up to zero for each entry.
 */
public final class JournalTable {

  private JournalTable() {}

  /** Names the columns. */
  public static void head(SheetWriter out) throws IOException {
    out.head(
        "entry",
        "date",
        "of_day",
        "account",
        "account_name",
        "customer",
        "customer_name",
        "debit",
        "credit",
        "currency",
        "worth",
        "books",
        "text",
        "written_by",
        "written_at",
        "reverses");
  }

  /**
   * Writes one entry.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(ExportedEntry entry, SheetWriter out) throws IOException {
    for (var line : entry.lines()) {
      out.row(
          entry.id(),
          entry.bookedOn(),
          entry.ofDay().orElse(null),
          line.code(),
          line.account(),
          line.customerNumber(),
          line.customer(),
          line.amount().isPositive() ? line.amount() : null,
          line.amount().isPositive() ? null : line.amount().negated(),
          line.amount().getCurrencyUnit().getCode(),
          line.worth().orElse(null),
          line.worth().map(w -> w.getCurrencyUnit().getCode()).orElse(""),
          entry.text(),
          entry.writtenBy(),
          entry.writtenAt().toString(),
          entry.reverses().orElse(null));
    }
  }
}
