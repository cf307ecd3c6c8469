package org.sumbrel.formats.ageing;

import com.lowagie.text.DocumentException;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Optional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.formats.print.Paper;

/** Writes an ageing as PDF, A4: a customer on each line, all of them at the end. */
public final class AgeingPdf {

  private final Paper paper;

  private AgeingPdf(Paper paper) {
    this.paper = paper;
  }

  /**
   * Writes the ageing.
   *
   * @param inBooks its totals in the currency of the books, where these were asked for
   * @throws IOException where the stream takes no more
   */
  public static void write(
      AgeingSheet sheet, Optional<AgeingSheet.InBooks> inBooks, OutputStream out)
      throws IOException {
    try {
      var paper = new Paper("Ageing of receivables as of " + DayText.of(sheet.asOf()), out);
      new AgeingPdf(paper).print(sheet, inBooks);
      paper.end();
    } catch (DocumentException e) {
      throw new IOException("the ageing cannot be written", e);
    }
  }

  private void print(AgeingSheet sheet, Optional<AgeingSheet.InBooks> inBooks) {
    paper.heading(
        sheet.company(),
        "Ageing of receivables as of " + DayText.of(sheet.asOf()),
        "By due date, amounts in "
            + sheet.currency().getCode()
            + inBooks.map(books -> "; " + books.words()).orElse(""));
    var table = paper.table(8, 26, 11, 11, 11, 11, 11, 11);
    paper.head(
        table,
        "No.",
        "Customer",
        words(Bucket.NOT_DUE),
        words(Bucket.DAYS_1_TO_30),
        words(Bucket.DAYS_31_TO_60),
        words(Bucket.DAYS_61_TO_90),
        words(Bucket.OVER_90),
        "Owes");
    for (var line : sheet.lines()) {
      paper.row(table, cells(line));
    }
    paper.total(table, cells(sheet.total()));
    inBooks.ifPresent(books -> paper.row(table, cells(inBooks(books.ageing()))));
    paper.add(table);
  }

  private static String words(Bucket bucket) {
    return AgeingSheet.words(bucket).replace(" days", "");
  }

  private static AgeingSheet.Line inBooks(Ageing ageing) {
    return new AgeingSheet.Line("", "All, in " + ageing.total().getCurrencyUnit(), ageing);
  }

  private static String[] cells(AgeingSheet.Line line) {
    return new String[] {
      line.number(),
      line.customer(),
      MoneyText.grouped(line.of(Bucket.NOT_DUE)),
      MoneyText.grouped(line.of(Bucket.DAYS_1_TO_30)),
      MoneyText.grouped(line.of(Bucket.DAYS_31_TO_60)),
      MoneyText.grouped(line.of(Bucket.DAYS_61_TO_90)),
      MoneyText.grouped(line.of(Bucket.OVER_90)),
      MoneyText.grouped(line.total())
    };
  }
}
