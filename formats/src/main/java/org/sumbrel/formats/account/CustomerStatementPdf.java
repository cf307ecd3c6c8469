package org.sumbrel.formats.account;

import com.lowagie.text.DocumentException;
import com.lowagie.text.pdf.PdfPTable;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.formats.ageing.AgeingSheet;
import org.sumbrel.formats.print.Paper;

/** Writes a customer's statement as PDF, A4, with fonts of its own for every name of Europe. */
public final class CustomerStatementPdf {

  private final Paper paper;

  private CustomerStatementPdf(Paper paper) {
    this.paper = paper;
  }

  /**
   * Writes the statement.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(CustomerSheet sheet, OutputStream out) throws IOException {
    writeAll("Statement of account: " + sheet.customer(), List.of(sheet), out);
  }

  /**
   * Writes the statements of many customers into one document, each on pages of its own.
   *
   * @param name what the document is called
   * @throws IOException where the stream takes no more
   */
  public static void writeAll(String name, Iterable<CustomerSheet> sheets, OutputStream out)
      throws IOException {
    try {
      var paper = new Paper(name, out);
      var first = true;
      for (var sheet : sheets) {
        if (!first) {
          paper.nextPage();
        }
        first = false;
        new CustomerStatementPdf(paper).print(sheet);
      }
      paper.end();
    } catch (DocumentException e) {
      throw new IOException("the statement cannot be written", e);
    }
  }

  private void print(CustomerSheet sheet) {
    var statement = sheet.statement();
    var currency = statement.opening().getCurrencyUnit().getCode();
    paper.heading(
        sheet.company(),
        "Statement of account",
        sheet.customer() + " (" + sheet.number() + ")",
        DayText.of(statement.from())
            + " to "
            + DayText.of(statement.until())
            + ", amounts in "
            + currency);
    paper.add(movements(sheet));
    paper.add(ageing(sheet));
    if (!sheet.open().isEmpty()) {
      paper.add(openItems(sheet));
    }
  }

  private PdfPTable movements(CustomerSheet sheet) {
    var statement = sheet.statement();
    var table = paper.table(16, 44, 13, 13, 14);
    paper.head(table, "Date", "What", "Charge", "Credit", "Balance");
    paper.row(
        table, DayText.of(statement.from()), "Opening balance", "", "", text(statement.opening()));
    for (var line : statement.lines()) {
      var amount = line.movement().amount();
      paper.row(
          table,
          DayText.of(line.movement().on()),
          line.movement().text(),
          amount.isPositive() ? text(amount) : "",
          amount.isPositive() ? "" : text(amount.negated()),
          text(line.balance()));
    }
    paper.total(
        table,
        DayText.of(statement.until()),
        "Closing balance",
        text(statement.charged()),
        text(statement.credited()),
        text(statement.closing()));
    sheet
        .inBooks()
        .ifPresent(
            books ->
                paper.row(
                    table,
                    "in " + books.closing().getCurrencyUnit().getCode(),
                    books.words(),
                    "",
                    "",
                    text(books.closing())));
    return table;
  }

  private PdfPTable ageing(CustomerSheet sheet) {
    var table = paper.table(20, 20, 20, 20, 20);
    for (var bucket : Bucket.values()) {
      paper.labels(table, AgeingSheet.words(bucket));
    }
    for (var bucket : Bucket.values()) {
      paper.figures(table, text(sheet.ageing().amounts().get(bucket)));
    }
    return table;
  }

  private PdfPTable openItems(CustomerSheet sheet) {
    var table = paper.table(30, 18, 18, 17, 17);
    paper.head(table, "Open item", "Issued", "Due", "Total", "Open");
    for (var item : sheet.open()) {
      paper.row(
          table,
          item.number(),
          DayText.of(item.issuedOn()),
          DayText.of(item.dueOn()),
          text(item.total()),
          text(item.open()));
    }
    return table;
  }

  private static String text(Money amount) {
    return MoneyText.grouped(amount);
  }
}
