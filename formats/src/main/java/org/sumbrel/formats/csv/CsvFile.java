package org.sumbrel.formats.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.receivables.AliasRow;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.receivables.PastPaymentRow;

/**
 * A CSV file: a list of ours (RFC 4180, comma) whose header row names our columns of invoices,
 * customers, aliases or past payments in any order, with ISO dates and a decimal point; or a bank's
 * statement in any dialect. Unknown columns are passed over.
 */
public final class CsvFile {

  private static final Map<Format, Set<String>> REQUIRED = new LinkedHashMap<>();

  static {
    REQUIRED.put(
        Format.INVOICES_CSV,
        Set.of(
            "number",
            "kind",
            "customer_id",
            "customer_name",
            "issue_date",
            "due_date",
            "currency",
            "total",
            "open"));
    REQUIRED.put(Format.CUSTOMERS_CSV, Set.of("customer_id", "name"));
    REQUIRED.put(Format.ALIASES_CSV, Set.of("payer_text", "customer_id"));
    REQUIRED.put(Format.HISTORY_CSV, Set.of("payer_name", "payer_account", "customer_id"));
    REQUIRED.put(Format.PAYOUT_CSV, Set.of("gross", "fee", "net"));
    REQUIRED.put(Format.LOCKBOX_CSV, Set.of("lockbox", "check_number", "amount"));
  }

  private static final int MOST_PROBLEMS = 100;

  private final Format format;
  private final String text;
  private final Optional<CsvTable> statement;
  private final List<Problem> problems = new ArrayList<>();

  private CsvFile(Format format, String text, Optional<CsvTable> statement) {
    this.format = format;
    this.text = text;
    this.statement = statement;
  }

  /**
   * The file as one of these, where its first line names all columns that a list of ours needs, or
   * one of its first lines the columns of a statement.
   */
  public static Optional<CsvFile> recognise(String text) {
    var header = text.lines().findFirst().map(CsvFile::columns).orElse(Set.of());
    return REQUIRED.entrySet().stream()
        .filter(e -> header.containsAll(e.getValue()))
        .findFirst()
        .map(e -> new CsvFile(e.getKey(), text, Optional.empty()))
        .or(
            () ->
                CsvTable.in(text)
                    .map(table -> new CsvFile(Format.STATEMENT_CSV, text, Optional.of(table))));
  }

  public Format format() {
    return format;
  }

  /**
   * A sentence for a text that is none of these: what was seen in it, and what a statement needs.
   */
  public static String whatIsMissing(String text) {
    return CsvTable.closest(text)
        .map(
            seen ->
                "a table was read, but not what a statement needs; guessed were "
                    + seen
                    + "; missing is a heading for "
                    + "the date, or one for the amount or for debit and credit")
        .orElseGet(
            () ->
                "this is no known format: neither OFX, camt, MT940, BAI2 nor a table whose headings name date and"
                    + " amount of a statement, invoices or customers; it begins with \""
                    + beginning(text)
                    + "\"");
  }

  private static String beginning(String text) {
    var line = text.lines().findFirst().orElse("");
    return line.length() <= 60 ? line : line.substring(0, 59) + "…";
  }

  private static Set<String> columns(String line) {
    return new HashSet<>(
        List.of(line.toLowerCase(Locale.ROOT).replace("\"", "").strip().split("\\s*,\\s*", -1)));
  }

  /**
   * Reads every row.
   *
   * @throws BrokenFile with the line and reason of each row that cannot be read
   */
  public FileContent read(Reading reading) throws BrokenFile {
    if (statement.isPresent()) {
      return new CsvStatement(statement.get(), reading).read();
    }
    List<NamedCsvRecord> rows;
    try {
      rows =
          CsvReader.builder().skipEmptyLines(true).ofNamedCsvRecord(headerInLowerCase()).stream()
              .toList();
    } catch (CsvParseException e) {
      throw new BrokenFile(0, reason(e));
    }
    var content =
        switch (format) {
          case INVOICES_CSV -> FileContent.ofInvoices(invoices(rows));
          case CUSTOMERS_CSV -> FileContent.ofCustomers(customers(rows));
          case ALIASES_CSV -> FileContent.ofAliases(aliases(rows));
          case HISTORY_CSV -> FileContent.ofHistory(history(rows));
          default -> throw new IllegalStateException("no list of ours is " + format);
        };
    if (!problems.isEmpty()) {
      throw new BrokenFile(problems.stream().limit(MOST_PROBLEMS).toList());
    }
    return content;
  }

  private String headerInLowerCase() {
    var end = text.indexOf('\n');
    return end < 0
        ? text.toLowerCase(Locale.ROOT)
        : text.substring(0, end).toLowerCase(Locale.ROOT) + text.substring(end);
  }

  private static String reason(CsvParseException e) {
    var cause = e.getCause() == null ? e : e.getCause();
    return e.getMessage() + (cause == e ? "" : ": " + cause.getMessage());
  }

  private List<InvoiceRow> invoices(List<NamedCsvRecord> rows) {
    var invoices = new ArrayList<InvoiceRow>();
    for (var fields : rows) {
      var row = new Row(fields, problems);
      var kind = row.required("kind");
      if (!kind.equals("invoice") && !kind.equals("credit_note")) {
        row.wrong("kind \"" + kind + "\" is neither invoice nor credit_note");
      }
      var currency = row.currency("currency");
      var invoice =
          new InvoiceRow(
              row.required("number"),
              kind.equals("credit_note"),
              row.required("customer_id"),
              row.text("customer_name"),
              row.date("issue_date"),
              row.date("due_date"),
              row.money("total", currency),
              row.money("open", currency),
              row.text("order_ref"),
              row.text("creditor_ref"),
              terms(row),
              row.line());
      if (invoice.open().isNegative() || invoice.open().isGreaterThan(invoice.total())) {
        row.wrong(
            "open "
                + invoice.open().getAmount()
                + " is not between 0 and the total "
                + invoice.total().getAmount());
      }
      if (row.sound()) {
        invoices.add(invoice);
      }
    }
    return invoices;
  }

  private static Optional<EarlyPaymentTerms> terms(Row row) {
    var written = row.text("terms");
    try {
      return written.isEmpty() ? Optional.empty() : Optional.of(EarlyPaymentTerms.parse(written));
    } catch (IllegalArgumentException e) {
      row.wrong(e.getMessage());
      return Optional.empty();
    }
  }

  private List<AliasRow> aliases(List<NamedCsvRecord> rows) {
    return rows.stream()
        .map(fields -> new Row(fields, problems))
        .map(r -> new AliasRow(r.required("payer_text"), r.required("customer_id"), r.line()))
        .toList();
  }

  private List<PastPaymentRow> history(List<NamedCsvRecord> rows) {
    return rows.stream()
        .map(fields -> new Row(fields, problems))
        .map(
            r ->
                new PastPaymentRow(
                    r.text("payer_name"),
                    r.text("payer_account"),
                    r.required("customer_id"),
                    r.line()))
        .toList();
  }

  private List<CustomerRow> customers(List<NamedCsvRecord> rows) {
    var customers = new ArrayList<CustomerRow>();
    for (var fields : rows) {
      var row = new Row(fields, problems);
      var accounts =
          List.of(row.text("payer_account").split(";")).stream()
              .map(String::strip)
              .filter(a -> !a.isEmpty())
              .collect(Collectors.toList());
      customers.add(
          new CustomerRow(
              row.required("customer_id"),
              row.required("name"),
              row.text("parent_id"),
              accounts,
              row.line()));
    }
    return customers;
  }
}
