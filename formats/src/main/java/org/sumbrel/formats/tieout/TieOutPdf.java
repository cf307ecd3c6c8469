package org.sumbrel.formats.tieout;

import com.lowagie.text.DocumentException;
import com.lowagie.text.pdf.PdfPTable;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Map;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.tieout.TieOut;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Side;
import org.sumbrel.formats.print.Paper;

/**
 * Writes the reconciliation statement of a bank account as PDF, A4, in the form of the textbooks:
 * the bank's balance, then the books', each with what the other knows, down to one figure.
 */
public final class TieOutPdf {

  private static final Map<Kind, String> WORDS =
      Map.of(
          Kind.IN_TRANSIT, "In transit",
          Kind.REFUND_OUTSTANDING, "Refund outstanding",
          Kind.BANK_ERROR, "Error of the bank",
          Kind.UNEXPLAINED, "At the bank, not explained",
          Kind.BOOKED_LATER, "At the bank, booked later",
          Kind.BOOK_ERROR, "Error of the books");

  private final Paper paper;

  private TieOutPdf(Paper paper) {
    this.paper = paper;
  }

  /**
   * @throws IOException where the stream takes no more
   */
  public static void write(TieOutSheet sheet, OutputStream out) throws IOException {
    try {
      var paper = new Paper("Bank reconciliation: " + sheet.account(), out);
      new TieOutPdf(paper).print(sheet);
      paper.end();
    } catch (DocumentException e) {
      throw new IOException("the reconciliation cannot be written", e);
    }
  }

  private void print(TieOutSheet sheet) {
    var tieOut = sheet.tieOut();
    paper.heading(
        sheet.company(),
        "Bank reconciliation as of " + DayText.of(tieOut.asOf()),
        sheet.bank() + ", " + sheet.account(),
        "Amounts in "
            + tieOut.statement().getCurrencyUnit().getCode()
            + sheet.startsFrom().map(d -> "; the one before closed " + DayText.of(d)).orElse("")
            + (sheet.closedBy().isEmpty() ? "; not closed" : "; closed " + sheet.closedBy()));
    paper.add(side(tieOut, Side.BANK, "Balance as the bank reports it", tieOut.statement()));
    paper.add(side(tieOut, Side.BOOKS, "Balance of the books", tieOut.books()));
    var table = paper.table(16, 66, 18);
    paper.total(table, "", "Left unexplained", text(tieOut.gap()));
    paper.add(table);
  }

  private PdfPTable side(TieOut tieOut, Side side, String first, Money balance) {
    var table = paper.table(16, 66, 18);
    paper.head(table, "Date", side == Side.BANK ? "The bank" : "The books", "Amount");
    paper.row(table, DayText.of(tieOut.asOf()), first, text(balance));
    for (var way : tieOut.ways()) {
      if (way.kind().side() == side) {
        paper.row(
            table,
            DayText.of(way.on()),
            WORDS.get(way.kind()) + ": " + way.words(),
            text(way.amount()));
      }
    }
    paper.total(
        table,
        "",
        "Adjusted balance",
        text(side == Side.BANK ? tieOut.adjustedStatement() : tieOut.adjustedBooks()));
    return table;
  }

  private static String text(Money amount) {
    return MoneyText.grouped(amount);
  }
}
