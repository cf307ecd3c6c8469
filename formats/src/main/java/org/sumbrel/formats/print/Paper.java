package org.sumbrel.formats.print;

import com.lowagie.text.Document;
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

/** How our papers look: A4, ink and hairlines, with fonts of its own for every name of Europe. */
public final class Paper {

  private static final Color INK = new Color(0x22, 0x25, 0x2B);
  private static final Color HAIRLINE = new Color(0xD9, 0xD2, 0xC5);
  private static final int MARGIN = 50;

  private final Font words = new Font(font("LiberationSans-Regular.ttf"), 9, Font.NORMAL, INK);
  private final Font strong = new Font(font("LiberationSans-Bold.ttf"), 9, Font.NORMAL, INK);
  private final Font title = new Font(font("LiberationSans-Bold.ttf"), 15, Font.NORMAL, INK);
  private final Font figures = new Font(font("LiberationMono-Regular.ttf"), 9, Font.NORMAL, INK);

  private final Document document = new Document(PageSize.A4, MARGIN, MARGIN, MARGIN, MARGIN);

  /** Begins a paper that is written to a stream. */
  public Paper(String name, OutputStream out) {
    PdfWriter.getInstance(document, out);
    document.addTitle(name);
    document.addCreator("Sumbrel");
    document.open();
  }

  /** The company, what it is, and lines below that. */
  public void heading(String company, String what, String... lines) {
    document.add(new Paragraph(company, strong));
    var head = new Paragraph(what, title);
    head.setSpacingBefore(18);
    document.add(head);
    for (var line : lines) {
      document.add(new Paragraph(line, words));
    }
  }

  public void add(PdfPTable table) {
    document.add(table);
  }

  /** What comes next begins on a new page. */
  public void nextPage() {
    document.newPage();
  }

  public void end() {
    document.close();
  }

  /** A table whose columns have these parts of a hundred. */
  public PdfPTable table(int... widths) {
    var table = new PdfPTable(widths.length);
    table.setWidths(widths);
    table.setWidthPercentage(100);
    table.setSpacingBefore(16);
    return table;
  }

  /** Two columns of words, then figures; dates stand to the left. */
  public void head(PdfPTable table, String... names) {
    for (var n = 0; n < names.length; n++) {
      table.addCell(cell(names[n], strong, aligned(n)));
    }
    table.setHeaderRows(1);
  }

  public void row(PdfPTable table, String... texts) {
    for (var n = 0; n < texts.length; n++) {
      table.addCell(cell(texts[n], n < 2 ? words : figures, aligned(n)));
    }
  }

  /** A row whose words stand out. */
  public void total(PdfPTable table, String... texts) {
    for (var n = 0; n < texts.length; n++) {
      table.addCell(cell(texts[n], n < 2 ? strong : figures, aligned(n)));
    }
  }

  /** A row of words over figures. */
  public void labels(PdfPTable table, String... texts) {
    for (var text : texts) {
      table.addCell(cell(text, strong, Element.ALIGN_RIGHT));
    }
  }

  public void figures(PdfPTable table, String... texts) {
    for (var text : texts) {
      table.addCell(cell(text, figures, Element.ALIGN_RIGHT));
    }
  }

  private static int aligned(int column) {
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

  /** The font, embedded, so that it looks alike everywhere. */
  private static BaseFont font(String file) {
    try (var in = Paper.class.getResourceAsStream("/liberation/" + file)) {
      return BaseFont.createFont(
          file, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, in.readAllBytes(), null);
    } catch (IOException e) {
      throw new UncheckedIOException("the font " + file + " is not there", e);
    }
  }
}
