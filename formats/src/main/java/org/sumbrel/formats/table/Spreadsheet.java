package org.sumbrel.formats.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.dhatim.fastexcel.reader.SheetVisibility;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Reading;

/**
 * One visible sheet of a workbook (Office Open XML, ISO/IEC 29500). Formulas count with the value
 * that was kept for them; days are read as ISO dates and figures with a point, whatever their cell
 * shows.
 */
final class Spreadsheet implements TableSource {

  /** The most that all parts of a workbook may be when they are unfolded. */
  private static final long MOST_UNFOLDED = 200L * 1024 * 1024;

  private static final int MOST_PARTS = 2_000;

  /** A cell holds what a double holds; more figures than these are noise of the calculation. */
  private static final MathContext FIGURES = new MathContext(15);

  /** No amount has an exponent of three figures, which would make a text of a gigabyte. */
  private static final Pattern NUMBER =
      Pattern.compile("-?\\d{1,30}(?:\\.\\d{1,60})?(?:[eE][+-]?\\d{1,2})?");

  /** Letters of a number format that make a number a day, outside quotes and brackets. */
  private static final Pattern NO_LETTERS = Pattern.compile("\"[^\"]*\"|\\[[^\\]]*\\]|\\\\.");

  private final String name;
  private final List<TableRow> rows;

  private Spreadsheet(String name, List<TableRow> rows) {
    this.name = name;
    this.rows = rows;
  }

  /** Whether the bytes begin like an archive, which every workbook is. */
  static boolean mayBe(byte[] bytes) {
    return bytes.length > 4 && bytes[0] == 'P' && bytes[1] == 'K';
  }

  /**
   * The names of the archive's parts. Each was unfolded once, to see that it ends and that it is
   * what was packed: the library that reads the cells checks no sums, and a flipped bit can make an
   * amount another amount.
   */
  private static Set<String> parts(byte[] bytes) throws BrokenFile {
    var names = new HashSet<String>();
    var unfolded = 0L;
    try (var zip =
        ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
      for (var entry : Collections.list(zip.getEntries())) {
        names.add(entry.getName());
        var sum = new CRC32();
        try (var part = new CheckedInputStream(zip.getInputStream(entry), sum)) {
          unfolded += size(part, MOST_UNFOLDED - unfolded);
        }
        if (unfolded > MOST_UNFOLDED || names.size() > MOST_PARTS) {
          throw new BrokenFile(
              0,
              "the archive unfolds to more than %,d bytes or %,d parts and is not read"
                  .formatted(MOST_UNFOLDED, MOST_PARTS));
        }
        if (sum.getValue() != entry.getCrc()) {
          throw new BrokenFile(
              0,
              "the archive is damaged: its part "
                  + entry.getName()
                  + " is not what was packed (its sum is %08x and should be %08x)"
                      .formatted(sum.getValue(), entry.getCrc()));
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new BrokenFile(0, "the archive is damaged or cut off: " + reason(e));
    }
    return names;
  }

  private static long size(InputStream in, long most) throws IOException {
    var buffer = new byte[8_192];
    var size = 0L;
    for (var n = in.read(buffer); n >= 0 && size <= most; n = in.read(buffer)) {
      size += n;
    }
    return size;
  }

  /**
   * All visible sheets that have anything on them.
   *
   * @throws BrokenFile where the archive is no workbook, cannot be opened or has too many rows
   */
  static List<TableSource> sheets(byte[] bytes, Reading reading) throws BrokenFile {
    var sheets = new ArrayList<TableSource>();
    var parts = parts(bytes);
    if (!parts.contains("xl/workbook.xml")) {
      throw new BrokenFile(0, "this is a ZIP archive and no workbook; archives are not unpacked");
    }
    // some programs write no styles; then no cell is a day either
    var styled = parts.stream().anyMatch(n -> n.endsWith("styles.xml"));
    try (var book =
        new ReadableWorkbook(new ByteArrayInputStream(bytes), new ReadingOptions(styled, true))) {
      for (var sheet : book.getSheets().toList()) {
        if (sheet.getVisibility() == SheetVisibility.VISIBLE) {
          var rows = rows(sheet, reading);
          if (!rows.isEmpty()) {
            sheets.add(new Spreadsheet(name(sheet), rows));
          }
        }
      }
    } catch (IOException | RuntimeException e) {
      // the library says in many ways that it does not understand a workbook
      throw new BrokenFile(0, "the workbook cannot be read: " + reason(e));
    }
    if (sheets.isEmpty()) {
      throw new BrokenFile(0, "the workbook has no visible sheet with anything on it");
    }
    return sheets;
  }

  /** The standard asks for a name, and columns that were learned are kept by it. */
  private static String name(Sheet sheet) throws BrokenFile {
    if (sheet.getName() == null || sheet.getName().isBlank()) {
      throw new BrokenFile(
          0, "sheet %d of the workbook has no name".formatted(sheet.getIndex() + 1));
    }
    return sheet.getName();
  }

  private static String reason(Exception e) {
    var told = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
    var line = told.lines().findFirst().orElse("");
    return line.length() <= 120 ? line : line.substring(0, 119) + "…";
  }

  private static List<TableRow> rows(Sheet sheet, Reading reading) throws IOException, BrokenFile {
    var rows = new ArrayList<TableRow>();
    try (var stream = sheet.openStream()) {
      for (var row : (Iterable<Row>) stream::iterator) {
        reading.requireTime(row.getRowNum());
        if (rows.size() == Reading.MOST_RECORDS) {
          throw new BrokenFile(
              row.getRowNum(),
              "the sheet has more than %,d rows; split it".formatted(Reading.MOST_RECORDS));
        }
        var cells = cells(row);
        if (cells.stream().anyMatch(c -> !c.isEmpty())) {
          rows.add(new TableRow(cells, row.getRowNum()));
        }
      }
    }
    return rows;
  }

  private static List<String> cells(Row row) {
    var cells = new ArrayList<String>();
    for (var n = 0; n < row.getCellCount(); n++) {
      var cell = row.getCell(n);
      cells.add(cell == null ? "" : text(cell));
    }
    while (!cells.isEmpty() && cells.get(cells.size() - 1).isEmpty()) {
      cells.remove(cells.size() - 1);
    }
    return cells;
  }

  private static String text(Cell cell) {
    var raw = cell.getRawValue();
    if (raw == null || cell.getType() == CellType.EMPTY) {
      return "";
    }
    if (!isNumber(cell, raw)) {
      return cell.getType() == CellType.NUMBER ? raw.strip() : textOf(cell);
    }
    if (isDay(cell)) {
      var day = cell.asDate();
      return day.toLocalTime().equals(LocalTime.MIDNIGHT)
          ? day.toLocalDate().toString()
          : day.toLocalDate() + " " + day.toLocalTime().withNano(0);
    }
    return new BigDecimal(raw).round(FIGURES).stripTrailingZeros().toPlainString();
  }

  private static String textOf(Cell cell) {
    return cell.getText() == null ? "" : cell.getText().strip();
  }

  /** A number itself, or the number that a formula came to. */
  private static boolean isNumber(Cell cell, String raw) {
    return (cell.getType() == CellType.NUMBER || cell.getType() == CellType.FORMULA)
        && NUMBER.matcher(raw).matches();
  }

  private static boolean isDay(Cell cell) {
    var format = cell.getDataFormatString();
    if (format == null) {
      return false;
    }
    var letters = NO_LETTERS.matcher(format.toLowerCase(Locale.ROOT)).replaceAll("");
    return letters.indexOf('y') >= 0 || letters.indexOf('d') >= 0 && letters.indexOf('m') >= 0;
  }

  @Override
  public Dialect dialect() {
    return Dialect.sheet(name);
  }

  @Override
  public List<TableRow> head(int lines) {
    return rows.stream().takeWhile(r -> r.line() <= lines).toList();
  }

  @Override
  public void rows(int afterLine, Visit visit) throws BrokenFile {
    for (var row : rows) {
      if (row.line() > afterLine) {
        visit.visit(row);
      }
    }
  }
}
