package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.formats.TestFiles.amounts;
import static org.sumbrel.formats.TestFiles.only;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;

/** Workbooks as they are made by an independent writer; the layouts are made up, no source. */
class SpreadsheetTest {

  private static byte[] workbook(Consumer<Worksheet> fill) throws IOException {
    return workbook("May", fill);
  }

  private static byte[] workbook(String name, Consumer<Worksheet> fill) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var book = new Workbook(out, "Sumbrel", "1.0")) {
      var cover = book.newWorksheet("Cover");
      cover.value(0, 0, "Prepared for Larkstow Mill");
      fill.accept(book.newWorksheet(name));
    }
    return out.toByteArray();
  }

  private static FileContent read(byte[] bytes) throws BrokenFile {
    return AnyFile.read(FileBytes.of(bytes), Optional.of(CurrencyUnit.USD));
  }

  private static void statement(Worksheet sheet) {
    sheet.value(0, 0, "Operating account");
    row(sheet, 2, "Date", "Amount", "Payer", "Description");
    sheet.value(3, 0, LocalDate.of(2026, 5, 28));
    sheet.style(3, 0).format("dd/mm/yyyy").set();
    sheet.value(3, 1, 1234.5);
    sheet.style(3, 1).format("#,##0.00").set();
    sheet.value(3, 2, "Piazza Forno");
    sheet.value(3, 3, "INV 20418");
    sheet.value(4, 0, LocalDate.of(2026, 5, 29));
    sheet.style(4, 0).format("d mmm yy").set();
    // what a double makes of a sum
    sheet.value(4, 1, -(0.1 + 0.2));
    sheet.value(4, 2, "Café Tamarisk");
  }

  private static void row(Worksheet sheet, int at, String... cells) {
    for (var n = 0; n < cells.length; n++) {
      sheet.value(at, n, cells[n]);
    }
  }

  @Test
  void readsTheSheetThatHoldsAStatementWhateverItsCellsShow() throws Exception {
    var content = read(workbook(SpreadsheetTest::statement));
    assertThat(content.format()).isEqualTo(Format.STATEMENT_CSV);
    assertThat(amounts(only(content))).containsExactly("1234.50", "-0.30");
    var first = only(content).entries().get(0);
    assertThat(first.bookingDate()).isEqualTo(LocalDate.of(2026, 5, 28));
    assertThat(first.payerName()).isEqualTo("Piazza Forno");
    assertThat(first.line()).isEqualTo(4);
  }

  @Test
  void readsAPayoutFromASheet() throws Exception {
    var content =
        read(
            workbook(
                sheet -> {
                  row(
                      sheet,
                      1,
                      "Payout",
                      "Type",
                      "Order",
                      "Date",
                      "Gross",
                      "Fee",
                      "Net",
                      "Currency");
                  row(sheet, 2, "P-31", "Sale", "WEB-77");
                  sheet.value(2, 3, LocalDate.of(2026, 5, 26));
                  sheet.style(2, 3).format("d mmm yy").set();
                  sheet.value(2, 4, 100.1);
                  sheet.value(2, 5, 3.2);
                  sheet.value(2, 6, 96.9);
                  sheet.value(2, 7, "USD");
                }));
    assertThat(content.format()).isEqualTo(Format.PAYOUT_CSV);
    assertThat(content.problems()).isEmpty();
    var sale = content.payouts().get(0).items().get(0);
    assertThat(sale.on()).contains(LocalDate.of(2026, 5, 26));
    assertThat(sale.net()).hasToString("USD 96.90");
  }

  /** Hardly more than ISO/IEC 29500 asks for, as small programs write it. */
  @Test
  void readsAWorkbookWithoutStylesAndSharedTexts() throws Exception {
    var main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    var relations = "http://schemas.openxmlformats.org/package/2006/relationships";
    var office = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      part(
          zip,
          "[Content_Types].xml",
          "<Types xmlns='http://schemas.openxmlformats.org/package/2006/content-types'>"
              + "<Default Extension='rels' ContentType='application/vnd.openxmlformats-package.relationships+xml'/>"
              + "<Override PartName='/xl/workbook.xml' ContentType='application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml'/>"
              + "<Override PartName='/xl/worksheets/sheet1.xml' ContentType='application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml'/></Types>");
      part(
          zip,
          "_rels/.rels",
          "<Relationships xmlns='%s'><Relationship Id='r1' Type='%s/officeDocument' Target='xl/workbook.xml'/></Relationships>"
              .formatted(relations, office));
      part(
          zip,
          "xl/workbook.xml",
          "<workbook xmlns='%s' xmlns:r='%s'><sheets><sheet name='May' sheetId='1' r:id='r1'/></sheets></workbook>"
              .formatted(main, office));
      part(
          zip,
          "xl/_rels/workbook.xml.rels",
          "<Relationships xmlns='%s'><Relationship Id='r1' Type='%s/worksheet' Target='worksheets/sheet1.xml'/></Relationships>"
              .formatted(relations, office));
      part(
          zip,
          "xl/worksheets/sheet1.xml",
          "<worksheet xmlns='%s'><sheetData><row r='1'>".formatted(main)
              + "<c r='A1' t='inlineStr'><is><t>Date</t></is></c><c r='B1' t='inlineStr'><is><t>Amount</t></is></c></row>"
              + "<row r='2'><c r='A2' t='inlineStr'><is><t>2026-05-28</t></is></c><c r='B2'><v>1420.5</v></c></row>"
              + "</sheetData></worksheet>");
    }
    assertThat(amounts(only(read(out.toByteArray())))).containsExactly("1420.50");
  }

  private static void part(ZipOutputStream zip, String name, String xml) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(("<?xml version=\"1.0\"?>" + xml).getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void readsInvoicesAndSaysTheRowThatIsWrong() throws Exception {
    var content =
        read(
            workbook(
                s -> {
                  row(s, 0, "Invoice no", "Customer no", "Customer", "Invoice date", "Due date");
                  s.value(0, 5, "Amount");
                  row(s, 1, "LM-9", "C9", "Wrenhouse Bagels", "2026-05-01", "2026-05-31");
                  s.value(1, 5, 250.25);
                  row(s, 2, "LM-10", "C9", "Wrenhouse Bagels", "2026-05-02", "2026-06-01");
                  s.value(2, 5, -20);
                }));
    assertThat(content.invoices()).hasSize(2);
    assertThat(content.invoices().get(1).creditNote()).isTrue();
    assertThat(content.invoices().get(1).open()).hasToString("USD 20.00");
    assertThatThrownBy(
            () ->
                read(
                    workbook(
                        s -> {
                          row(s, 0, "Date", "Amount", "Payer");
                          row(s, 1, "2026-05-28", "twelve", "Piazza Forno");
                        })))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("line 2")
        .hasMessageContaining("twelve");
  }

  @Test
  void aProfileMadeOfASheetReadsTheNextOneOfAnyName() throws Exception {
    var preview =
        TablePreview.of(
            workbook(SpreadsheetTest::statement),
            Optional.empty(),
            List.of(),
            Optional.of(CurrencyUnit.USD));
    assertThat(preview.profile().sheet()).isEqualTo("May");
    assertThat(preview.profile().headingLine()).isEqualTo(3);
    assertThat(preview.doubts()).isEmpty();
    var profile = preview.profile().named("Sheet of the month").toProfile();
    var content =
        AnyFile.readBy(
            profile,
            FileBytes.of(workbook("June", SpreadsheetTest::statement)),
            new Reading(Optional.of(CurrencyUnit.USD)));
    assertThat(amounts(only(content))).containsExactly("1234.50", "-0.30");
    assertThatThrownBy(
            () ->
                AnyFile.readBy(
                    profile,
                    FileBytes.of("Date,Amount\n".getBytes(StandardCharsets.UTF_8)),
                    new Reading(Optional.empty())))
        .hasMessageContaining("text and no workbook");
  }

  @Test
  void otherArchivesAndDamagedWorkbooksAreRefusedWithASentence() throws Exception {
    var zip = new ByteArrayOutputStream();
    try (var out = new ZipOutputStream(zip)) {
      out.putNextEntry(new ZipEntry("statement.csv"));
      out.write("Date,Amount\n".getBytes(StandardCharsets.UTF_8));
    }
    assertThatThrownBy(() -> read(zip.toByteArray()))
        .hasMessageContaining("archives are not unpacked");
    var whole = workbook(SpreadsheetTest::statement);
    for (var length = 4; length < whole.length; length += 97) {
      var cut = Arrays.copyOf(whole, length);
      assertThatThrownBy(() -> read(cut)).isInstanceOf(BrokenFile.class);
    }
  }

  @Property(tries = 400)
  void bitsOfAWorkbookMayFlip(@ForAll Random random) throws IOException {
    var bytes = workbook(SpreadsheetTest::statement);
    for (var n = 1 + random.nextInt(8); n > 0; n--) {
      bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
    }
    try {
      var content = read(bytes);
      assertThat(content.problems()).allSatisfy(p -> assertThat(p.message()).isNotBlank());
      // what is still read is what was written, and no other amount
      for (var statement : content.accounts()) {
        assertThat(amounts(statement)).isSubsetOf("1234.50", "-0.30");
      }
    } catch (BrokenFile broken) {
      assertThat(broken.problems())
          .isNotEmpty()
          .allSatisfy(p -> assertThat(p.message()).isNotBlank().hasSizeLessThan(1_000));
    }
  }

  @Test
  void anAmountThatABitChangedIsNotRead() throws Exception {
    var bytes = stored(workbook(SpreadsheetTest::statement));
    assertThat(amounts(only(read(bytes)))).containsExactly("1234.50", "-0.30");
    var at = new String(bytes, StandardCharsets.ISO_8859_1).indexOf(">1234.5<");
    bytes[at + 1] ^= 8;
    assertThatThrownBy(() -> read(bytes))
        .hasMessageContaining("xl/worksheets/sheet2.xml is not what was packed");
  }

  @Test
  void aSheetWithoutANameIsRefusedWithASentence() throws Exception {
    for (var name : List.of("", "name=\"\"", "nbme=\"May\"")) {
      var bytes =
          changed(
              "xl/workbook.xml",
              part -> {
                try {
                  part.write(
                      ("<workbook"
                              + " xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\""
                              + " xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\">"
                              + "<sheets><sheet "
                              + name
                              + " sheetId=\"1\" r:id=\"rId4\"/></sheets></workbook>")
                          .getBytes(StandardCharsets.UTF_8));
                } catch (IOException e) {
                  throw new IllegalStateException(e);
                }
              });
      assertThatThrownBy(() -> read(bytes))
          .hasMessageContaining("sheet 1 of the workbook has no name");
    }
  }

  @Test
  void anArchiveThatUnfoldsWithoutEndIsNotRead() throws Exception {
    var bytes =
        changed(
            "xl/worksheets/sheet2.xml",
            part -> {
              try {
                part.write("<!-- ".getBytes(StandardCharsets.UTF_8));
                var blanks = new byte[1024 * 1024];
                for (var n = 0; n < 220; n++) {
                  part.write(blanks);
                }
              } catch (IOException e) {
                throw new IllegalStateException(e);
              }
            });
    assertThat(bytes.length).isLessThan(2_000_000);
    assertThatThrownBy(() -> read(bytes)).hasMessageContaining("unfolds to more than");
  }

  @Test
  void nothingOutsideTheWorkbookIsOpenedAndNoEntityGrows() throws Exception {
    for (var doctype :
        List.of(
            "<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/hostname\">]>",
            "<!DOCTYPE x [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY e \"&a;&a;&a;&a;&a;&a;\">]>")) {
      var bytes =
          changed(
              "xl/worksheets/sheet2.xml",
              part -> {
                try {
                  part.write(
                      (doctype
                              + "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\">"
                              + "<sheetData><row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>Date &e;</t></is></c>"
                              + "</row></sheetData></worksheet>")
                          .getBytes(StandardCharsets.UTF_8));
                } catch (IOException e) {
                  throw new IllegalStateException(e);
                }
              });
      assertThatThrownBy(() -> read(bytes))
          .isInstanceOf(BrokenFile.class)
          .hasMessageNotContaining("aaaaaaaaaaaaaaa");
    }
  }

  /** The same archive with nothing folded, so that a byte of it is a byte of a part. */
  private static byte[] stored(byte[] bytes) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var from =
            ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get();
        var to = new ZipOutputStream(out)) {
      for (var entry : Collections.list(from.getEntries())) {
        var part = from.getInputStream(entry).readAllBytes();
        var sum = new CRC32();
        sum.update(part);
        var whole = new ZipEntry(entry.getName());
        whole.setMethod(ZipEntry.STORED);
        whole.setSize(part.length);
        whole.setCrc(sum.getValue());
        to.putNextEntry(whole);
        to.write(part);
      }
    }
    return out.toByteArray();
  }

  /** The workbook with one of its parts written anew. */
  private static byte[] changed(String name, Consumer<ZipOutputStream> write) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var from =
            ZipFile.builder()
                .setSeekableByteChannel(
                    new SeekableInMemoryByteChannel(workbook(SpreadsheetTest::statement)))
                .get();
        var to = new ZipOutputStream(out)) {
      for (var entry : Collections.list(from.getEntries())) {
        to.putNextEntry(new ZipEntry(entry.getName()));
        if (entry.getName().equals(name)) {
          write.accept(to);
        } else {
          from.getInputStream(entry).transferTo(to);
        }
      }
    }
    return out.toByteArray();
  }
}
