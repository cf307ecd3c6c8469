package org.sumbrel.formats.table;

import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.TreeMap;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.TextOf;

/**
 * A file of rows and columns: a delimited text, or a spreadsheet. It is read by a profile, or where
 * its headings tell beyond doubt what stands below them, without one. Unknown columns are passed
 * over.
 */
public final class TableFile {

  /** With more rows that cannot be read, the file is another than it is taken for. */
  private static final int MOST_LEFT_OUT = 50;

  private final List<TableSource> sources;
  private final byte[] bytes;
  private final String beginning;

  private TableFile(List<TableSource> sources, byte[] bytes, String beginning) {
    this.sources = sources;
    this.bytes = bytes;
    this.beginning = beginning;
  }

  /**
   * The file, whichever of the two it is.
   *
   * @throws BrokenFile where it is a workbook that cannot be opened
   */
  public static TableFile of(byte[] bytes, Reading reading) throws BrokenFile {
    return Spreadsheet.mayBe(bytes)
        ? new TableFile(Spreadsheet.sheets(bytes, reading), bytes, "a workbook")
        : ofText(bytes);
  }

  /** The ways to cut it into rows. */
  List<TableSource> sources() {
    return sources;
  }

  /**
   * The same file in the dialect that somebody says it is in.
   *
   * @throws BrokenFile where it is a text and not a workbook, the other way, or has no such sheet
   */
  List<TableSource> in(Dialect dialect) throws BrokenFile {
    if (sources.get(0).dialect().isSheet() != dialect.isSheet()) {
      throw new BrokenFile(
          0,
          dialect.isSheet() ? "this is a text and no workbook" : "this is a workbook and no text");
    }
    if (!dialect.isSheet()) {
      var charset = Charset.forName(dialect.charset());
      return List.of(
          new DelimitedText(TextOf.bytes(bytes, charset), dialect.separator().charAt(0), charset));
    }
    return List.of(
        sources.stream()
            .filter(s -> s.dialect().equals(dialect))
            .findFirst()
            .orElseThrow(
                () -> new BrokenFile(0, "the workbook has no sheet \"" + dialect.sheet() + "\"")));
  }

  private static TableFile ofText(byte[] bytes) {
    var charset = TextOf.charset(bytes);
    var text = TextOf.bytes(bytes, charset);
    var sources = new ArrayList<TableSource>();
    for (var separator : DelimitedText.SEPARATORS) {
      sources.add(new DelimitedText(text, separator, charset));
    }
    return new TableFile(sources, bytes, text.lines().findFirst().orElse(""));
  }

  /** The rows that count, and the profile they are to be read by. */
  private record Chosen(TableProfile profile, List<TableRow> before, List<TableRow> rows) {

    FileContent content(Reading reading) throws BrokenFile {
      return TableFile.content(profile, before, rows, reading).readBy(profile.name());
    }
  }

  /** Finds them, telling the reading what stands in the way. */
  @FunctionalInterface
  private interface Choosing {
    Chosen in(Reading reading) throws BrokenFile;
  }

  /**
   * Reads every row.
   *
   * @param profiles among which the one of this file's headings counts
   * @throws BrokenFile with the line and reason of each row that cannot be read
   */
  public FileContent read(Collection<TableProfile> profiles, Reading reading) throws BrokenFile {
    return find(profiles, reading).content(reading);
  }

  /**
   * Reads every row by one profile.
   *
   * @throws BrokenFile with the line and reason of each row that cannot be read
   */
  public FileContent readBy(TableProfile profile, Reading reading) throws BrokenFile {
    return find(profile, reading).content(reading);
  }

  /**
   * Reads the rows that can be read, and gives the others back as they stand.
   *
   * @throws BrokenFile where the file as a whole cannot be read, or none of its rows
   */
  public Partly readAround(Collection<TableProfile> profiles, Reading reading) throws BrokenFile {
    return around(r -> find(profiles, r), reading);
  }

  /**
   * The same by one profile.
   *
   * @throws BrokenFile where the file as a whole cannot be read, or none of its rows
   */
  public Partly readAroundBy(TableProfile profile, Reading reading) throws BrokenFile {
    return around(r -> find(profile, r), reading);
  }

  /** What is wrong with one row may hide what is wrong with another, so it is looked at again. */
  private static Partly around(Choosing choosing, Reading reading) throws BrokenFile {
    var wrong = new TreeMap<Integer, String>();
    var attempt = reading;
    BrokenFile last = null;
    while (true) {
      try {
        var found = choosing.in(attempt);
        var content = found.content(attempt);
        if (last != null && (found.rows().isEmpty() || attempt.leftOut().size() < wrong.size())) {
          // nothing is left, or what is wrong is no row
          throw last;
        }
        return new Partly(
            content,
            found.profile(),
            attempt.leftOut().stream().map(row -> row.because(wrong.get(row.line()))).toList());
      } catch (BrokenFile broken) {
        var before = wrong.size();
        broken.problems().forEach(p -> wrong.putIfAbsent(p.line(), p.message()));
        if (wrong.containsKey(0) || wrong.size() == before || wrong.size() > MOST_LEFT_OUT) {
          throw broken;
        }
        last = broken;
        attempt = reading.leavingOut(wrong.keySet());
      }
    }
  }

  private Chosen find(Collection<TableProfile> profiles, Reading reading) throws BrokenFile {
    var known = ProfileMatch.exact(sources, profiles);
    if (known.isPresent()) {
      return rows(known.get(), reading);
    }
    var near = ProfileMatch.near(sources, profiles);
    if (near.isPresent()) {
      throw new BrokenFile(
          near.get().headingLine(),
          "this looks like \""
              + near.get().profile().name()
              + "\", but its columns have changed ("
              + near.get().difference()
              + "); look at the profile before it is read");
    }
    var layout = TableLayout.in(sources).orElseThrow(() -> new BrokenFile(1, whatIsMissing()));
    layout.source().reportDoubts(reading);
    var guess = new ProfileGuess(layout, reading);
    var rows = guess.rows(false, reading);
    var profile = guess.profile(rows, false);
    reading.requireSound();
    profile
        .unreadHeadings()
        .ifPresent(
            headings ->
                reading.odd(
                    layout.headingLine(),
                    (headings.size() == 1 ? "this column is" : "these columns are")
                        + " not imported: "
                        + String.join(", ", headings)));
    return new Chosen(profile, layout.source().head(layout.headingLine() - 1), rows);
  }

  private Chosen find(TableProfile profile, Reading reading) throws BrokenFile {
    var candidates = inDialectOf(profile);
    if (profile.headings().isEmpty()) {
      return rows(
          new ProfileMatch(profile, candidates.get(0), profile.headingLine(), List.of()), reading);
    }
    var found = ProfileMatch.exact(candidates, List.of(profile));
    if (found.isEmpty()) {
      throw new BrokenFile(
          Math.max(1, profile.headingLine()),
          "the headings of \""
              + profile.name()
              + "\" are not in this file"
              + ProfileMatch.near(sources, List.of(profile))
                  .map(m -> " (" + m.difference() + ")")
                  .orElse(": expected " + String.join(", ", profile.headings())));
    }
    return rows(found.get(), reading);
  }

  /** A sheet may be called otherwise every month, so every sheet is looked at. */
  private List<TableSource> inDialectOf(TableProfile profile) throws BrokenFile {
    return profile.dialect().isSheet() && sources.get(0).dialect().isSheet()
        ? sources
        : in(profile.dialect());
  }

  private static Chosen rows(ProfileMatch match, Reading reading) throws BrokenFile {
    var profile = match.profile();
    match.source().reportDoubts(reading);
    var rows =
        TableRows.of(
            match.source(),
            match.headingLine(),
            profile.subject(),
            match.headings(),
            profile.columns(),
            profile.passOverIncomplete(),
            reading);
    reading.requireSound();
    return new Chosen(profile, match.source().head(Math.max(0, match.headingLine() - 1)), rows);
  }

  static FileContent content(
      TableProfile profile, List<TableRow> before, List<TableRow> rows, Reading reading)
      throws BrokenFile {
    return switch (profile.subject()) {
      case STATEMENT -> {
        var statements = StatementTable.read(profile, before, rows, reading);
        yield FileContent.ofStatements(Format.STATEMENT_CSV, statements, reading.odd());
      }
      case INVOICES -> {
        var invoices = InvoiceTable.read(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofInvoices(Format.INVOICES_CSV, invoices, reading.odd());
      }
      case LOCKBOX -> {
        var batches = LockboxTable.read(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofBatches(Format.LOCKBOX_CSV, batches, reading.odd());
      }
      case PAYOUT -> {
        var payouts = PayoutTable.read(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofPayouts(Format.PAYOUT_CSV, payouts, reading.odd());
      }
      case REMITTANCE -> {
        var advices = RemittanceTable.read(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofRemittances(Format.REMITTANCE_CSV, advices, reading.odd());
      }
      case CUSTOMERS -> {
        var customers = CustomerTables.customers(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofCustomers(customers, reading.odd());
      }
      case RATES -> {
        var rates = RateTables.read(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofRates(rates, reading.odd());
      }
      case ALIASES -> {
        var aliases = CustomerTables.aliases(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofAliases(aliases);
      }
      case HISTORY -> {
        var history = CustomerTables.history(profile, rows, reading);
        reading.requireSound();
        yield FileContent.ofHistory(history);
      }
    };
  }

  private String whatIsMissing() {
    return TableLayout.closest(sources)
        .map(
            seen ->
                "a table was read, but not what a statement needs; guessed were "
                    + seen.guessed()
                    + "; missing is a heading for "
                    + "the date, or one for the amount or for debit and credit")
        .orElseGet(
            () ->
                "this is no known format: neither OFX, camt, MT940, BAI2 nor a table whose headings name date and"
                    + " amount of a statement, invoices or customers; it begins with \""
                    + (beginning.length() <= 60 ? beginning : beginning.substring(0, 59) + "…")
                    + "\"");
  }
}
