package org.sumbrel.formats.journal;

import java.io.IOException;
import java.io.Writer;
import java.util.Collection;
import java.util.List;
import org.sumbrel.core.money.MoneyText;

/**
 * Writes the journal as a plain-text double-entry ledger: the accounts, then each entry as a dated
 * transaction with its number in brackets, an indented posting for each line, debit positive. Only
 * what all general tools for such files read alike is used.
 *
 * <p>A customer's account is a part of its control account: {@code 1100 Accounts receivable:C001
 * Oskar & Daughters Bakehouse}.
 */
public final class PlainLedger {

  private PlainLedger() {}

  /**
   * What stands before the entries.
   *
   * @param remarks what the file is, a line each
   * @param accounts all that the entries name
   */
  public static void head(List<String> remarks, Collection<String> accounts, Writer out)
      throws IOException {
    for (var remark : remarks) {
      out.write("; " + oneLine(remark) + "\n");
    }
    out.write("\n");
    for (var account : accounts) {
      out.write("account " + account + "\n");
    }
    out.write("\n");
  }

  /** The account of a line, as the file names it. */
  public static String account(ExportedEntry.Line line) {
    var ledger = name(line.code() + " " + line.account());
    return line.customerNumber().isEmpty()
        ? ledger
        : ledger + ":" + name(line.customerNumber() + " " + line.customer());
  }

  /**
   * Writes one entry.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(ExportedEntry entry, Writer out) throws IOException {
    out.write(entry.bookedOn() + " * (" + entry.id() + ") " + oneLine(entry.text()) + "\n");
    for (var line : entry.lines()) {
      out.write(
          "    "
              + account(line)
              + "  "
              + MoneyText.plain(line.amount())
              + " "
              + line.amount().getCurrencyUnit().getCode()
              + "\n");
    }
    out.write("\n");
  }

  /** Without what would end a name: two blanks, a colon, a remark. */
  private static String name(String text) {
    return oneLine(text).replace(':', ' ').replaceAll(" {2,}", " ").strip();
  }

  /** Without line breaks and without what begins a remark. */
  private static String oneLine(String text) {
    return text.replaceAll("[\\p{Cntrl}\\p{Zl}\\p{Zp}]", " ")
        .replace(';', ',')
        .replaceAll("\\s+", " ")
        .strip();
  }
}
