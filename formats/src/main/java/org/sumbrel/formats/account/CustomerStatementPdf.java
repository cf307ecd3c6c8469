package org.sumbrel.formats.account;

import com.lowagie.text.Document;
import com.lowagie.text.DocumentException;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.awt.Color;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.core.receivables.DayText;

/** Writes a customer's statement as PDF, A4, with fonts of its own for every name of Europe. */
public final class CustomerStatementPdf {

  private static final Color INK = new Color(0x22, 0x25, 0x2B);
  private static final Color HAIRLINE = new Color(0xD9, 0xD2, 0xC5);
  private static final Map<Bucket, String> BUCKETS =
      Map.of(
          Bucket.NOT_DUE, "Not due",
          Bucket.DAYS_1_TO_30, "1–30 days",
          Bucket.DAYS_31_TO_60, "31–60 days",
          Bucket.DAYS_61_TO_90, "61–90 days",
          Bucket.OVER_90, "Over 90 days");

  private final Font words = new Font(font("LiberationSans-Regular.ttf"), 9, Font.NORMAL, INK);
  private final Font strong = new Font(font("LiberationSans-Bold.ttf"), 9, Font.NORMAL, INK);
  private final Font title = new Font(font("LiberationSans-Bold.ttf"), 15, Font.NORMAL, INK);
  private final Font figures = new Font(font("LiberationMono-Regular.ttf"), 9, Font.NORMAL, INK);

  private CustomerStatementPdf() {}

  /**
   * Writes the statement.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(CustomerSheet sheet, OutputStream out) throws IOException {
    try {
      new CustomerStatementPdf().print(sheet, out);
    } catch (DocumentException e) {
      throw new IOException("the statement cannot be written", e);
    }
  }

  private void print(CustomerSheet sheet, OutputStream out) {
    var statement = sheet.statement();
    var currency = statement.opening().getCurrencyUnit().getCode();
    var document = new Document(PageSize.A4, 50, 50, 50, 50);
    PdfWriter.getInstance(document, out);
    document.addTitle("Statement of account: " + sheet.customer());
    document.addCreator("Sumbrel");
    document.open();
    document.add(new Paragraph(sheet.company(), strong));
    var head = new Paragraph("Statement of account", title);
    head.setSpacingBefore(18);
    document.add(head);
    document.add(new Paragraph(sheet.customer() + " (" + sheet.number() + ")", words));
    document.add(
        new Paragraph(
            DayText.of(statement.from())
                + " to "
                + DayText.of(statement.until())
                + ", amounts in "
                + currency,
            words));
    document.add(movements(sheet));
    document.add(ageing(sheet));
    if (!sheet.open().isEmpty()) {
      document.add(openItems(sheet));
    }
    document.close();
  }

  private PdfPTable movements(CustomerSheet sheet) {
    var statement = sheet.statement();
    var table = table(16, 44, 13, 13, 14);
    head(table, "Date", "What", "Charge", "Credit", "Balance");
    table.setHeaderRows(1);
    row(table, DayText.of(statement.from()), "Opening balance", "", "", text(statement.opening()));
    for (var line : statement.lines()) {
      var amount = line.movement().amount();
      row(
          table,
          DayText.of(line.movement().on()),
          line.movement().text(),
          amount.isPositive() ? text(amount) : "",
          amount.isPositive() ? "" : text(amount.negated()),
          text(line.balance()));
    }
    table.addCell(cell(DayText.of(statement.until()), strong, Element.ALIGN_LEFT));
    table.addCell(cell("Closing balance", strong, Element.ALIGN_LEFT));
    table.addCell(cell(text(statement.charged()), figures, Element.ALIGN_RIGHT));
    table.addCell(cell(text(statement.credited()), figures, Element.ALIGN_RIGHT));
    table.addCell(cell(text(statement.closing()), figures, Element.ALIGN_RIGHT));
    return table;
  }

  private PdfPTable ageing(CustomerSheet sheet) {
    var table = table(20, 20, 20, 20, 20);
    for (var bucket : Bucket.values()) {
      table.addCell(cell(BUCKETS.get(bucket), strong, Element.ALIGN_RIGHT));
    }
    for (var bucket : Bucket.values()) {
      table.addCell(cell(text(sheet.ageing().amounts().get(bucket)), figures, Element.ALIGN_RIGHT));
    }
    return table;
  }

  private PdfPTable openItems(CustomerSheet sheet) {
    var table = table(30, 18, 18, 17, 17);
    head(table, "Open item", "Issued", "Due", "Total", "Open");
    table.setHeaderRows(1);
    for (var item : sheet.open()) {
      row(
          table,
          item.number(),
          DayText.of(item.issuedOn()),
          DayText.of(item.dueOn()),
          text(item.total()),
          text(item.open()));
    }
    return table;
  }

  private static PdfPTable table(int... widths) {
    var table = new PdfPTable(widths.length);
    table.setWidths(widths);
    table.setWidthPercentage(100);
    table.setSpacingBefore(16);
    return table;
  }

  /** Two columns of words, then figures; dates stand to the left. */
  private void head(PdfPTable table, String... names) {
    for (var n = 0; n < names.length; n++) {
      table.addCell(cell(names[n], strong, aligned(table, n)));
    }
  }

  private void row(PdfPTable table, String... texts) {
    for (var n = 0; n < texts.length; n++) {
      table.addCell(cell(texts[n], n < 2 ? words : figures, aligned(table, n)));
    }
  }

  private static int aligned(PdfPTable table, int column) {
    return column < 2 ? Element.ALIGN_LEFT : Element.ALIGN_RIGHT;
  }

  private static PdfPCell cell(String text, Font font, int aligned) {
    var cell = new PdfPCell(new Phrase(text, font));
    cell.setHorizontalAlignment(aligned);
    cell.setBorder(Rectangle.BOTTOM);
    cell.setBorderColor(HAIRLINE);
    cell.setPaddingTop(3);
    cell.setPaddingBottom(5);
    return cell;
  }

  private static String text(Money amount) {
    return MoneyText.grouped(amount);
  }

  /** The font, embedded, so that it looks alike everywhere. */
  private static BaseFont font(String file) {
    try (var in = CustomerStatementPdf.class.getResourceAsStream("/liberation/" + file)) {
      return BaseFont.createFont(
          file, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, in.readAllBytes(), null);
    } catch (IOException e) {
      throw new UncheckedIOException("the font " + file + " is not there", e);
    }
  }
}
