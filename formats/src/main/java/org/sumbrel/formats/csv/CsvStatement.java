package org.sumbrel.formats.csv;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.StringJoiner;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Iban;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementBuilder;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * A statement as a delimited text in whatever dialect: separator, character set, words of the
 * headings, order of the date, decimal mark and the way debits are told are found from the file.
 * What the file leaves open is never guessed: it is refused, saying what is open.
 */
final class CsvStatement {

  private static final Set<String> CREDIT_WORDS =
      Set.of(
          "c",
          "cr",
          "credit",
          "crdt",
          "h",
          "haben",
          "gutschrift",
          "+",
          "bij",
          "haber",
          "avere",
          "credito",
          "in");
  private static final Set<String> DEBIT_WORDS =
      Set.of(
          "d",
          "dr",
          "debit",
          "dbit",
          "s",
          "soll",
          "lastschrift",
          "-",
          "af",
          "debe",
          "dare",
          "debito",
          "out");
  private static final Pattern IBAN =
      Pattern.compile("\\b[A-Z]{2}\\d{2}(?: ?[A-Z0-9]{1,4}){3,8}\\b");

  private final CsvTable table;
  private final Reading reading;
  private final List<Raw> rows = new ArrayList<>();
  private final Map<Role, Integer> columns = new LinkedHashMap<>();

  private CsvDates.Order dateOrder;
  private CsvDates.Order valueOrder;
  private CsvAmounts amounts;
  private int lastLine;

  /** A row whose cells were not looked into yet. */
  private record Raw(List<String> cells, int line) {
    String cell(int column) {
      var cell = column < cells.size() ? cells.get(column).strip() : "";
      return CsvCells.written(cell);
    }
  }

  /** One entry, its own account and the balance after it, where the file has them. */
  private record Line(String account, StatementEntry entry, Optional<Money> balance) {}

  CsvStatement(CsvTable table, Reading reading) {
    this.table = table;
    this.reading = reading;
  }

  FileContent read() throws BrokenFile {
    choose();
    table.rows(this::keep);
    if (table.quoteOpenFrom(lastLine)) {
      reading.wrong(
          lastLine, "a quote is opened here and never closed; what follows cannot be told apart");
    }
    if (rows.isEmpty()) {
      reading.requireSound();
      return FileContent.ofStatements(Format.STATEMENT_CSV, List.of(), reading.odd());
    }
    findWritings();
    reading.requireSound();
    var lines = new ArrayList<Line>();
    var ids = new HashSet<String>();
    for (var row : rows) {
      line(row, ids).ifPresent(lines::add);
    }
    reading.requireSound();
    var statements = statements(lines);
    reading.requireSound();
    return FileContent.ofStatements(Format.STATEMENT_CSV, statements, reading.odd());
  }

  /** One column for each role but text; two that are equally good are a doubt. */
  private void choose() {
    for (var role : Role.values()) {
      var found = table.of(role);
      if (found.isEmpty()) {
        continue;
      }
      columns.put(role, found.get(0));
      var doubtful = role == Role.AMOUNT || role == Role.DEBIT || role == Role.CREDIT;
      if (found.size() > 1 && doubtful) {
        reading.wrong(
            table.headingLine(),
            "several columns may hold the "
                + role.name().toLowerCase(Locale.ROOT)
                + ": "
                + found.stream().map(table::heading).collect(Collectors.joining(", ")));
      }
    }
    if (columns.containsKey(Role.AMOUNT)
        && columns.containsKey(Role.DEBIT)
        && columns.containsKey(Role.CREDIT)) {
      reading.wrong(
          table.headingLine(),
          "the file has an amount and a debit and a credit as well: "
              + heading(Role.AMOUNT)
              + ", "
              + heading(Role.DEBIT)
              + ", "
              + heading(Role.CREDIT));
    }
    // a name that is only a value date where a booking date stands too
    if (!columns.containsKey(Role.VALUE) && table.of(Role.BOOKED).size() > 1) {
      columns.put(Role.VALUE, table.of(Role.BOOKED).get(1));
    }
  }

  private String heading(Role role) {
    return table.heading(columns.get(role));
  }

  private void keep(CsvRecord record, int line) throws BrokenFile {
    reading.record(line);
    lastLine = line;
    var fields = record.getFields();
    var row = new Raw(fields, line);
    if (fields.stream().allMatch(String::isBlank)) {
      return;
    }
    for (var n = table.width(); n < fields.size(); n++) {
      if (!fields.get(n).isBlank()) {
        reading.wrong(
            line,
            "the line has "
                + fields.size()
                + " fields, the headings "
                + table.width()
                + "; a text with a separator in it has no quotes around");
        return;
      }
    }
    var dated = !row.cell(columns.get(Role.BOOKED)).isEmpty();
    var valued = amountCells(row).stream().anyMatch(c -> !c.isEmpty());
    if (!dated && !valued) {
      reading.odd(line, "this line is no entry and was passed over: " + shown(fields));
      return;
    }
    if (dated && valued) {
      rows.add(row);
    } else {
      reading.wrong(
          line, (dated ? "the line has no amount: " : "the line has no date: ") + shown(fields));
    }
  }

  private static String shown(List<String> fields) {
    return FileAmount.shortened(
        fields.stream()
            .filter(f -> !f.isBlank())
            .map(String::strip)
            .collect(Collectors.joining(" ")));
  }

  private List<String> amountCells(Raw row) {
    return columns.containsKey(Role.AMOUNT)
        ? List.of(row.cell(columns.get(Role.AMOUNT)))
        : List.of(row.cell(columns.get(Role.DEBIT)), row.cell(columns.get(Role.CREDIT)));
  }

  private void findWritings() {
    dateOrder = order(Role.BOOKED);
    valueOrder = columns.containsKey(Role.VALUE) ? order(Role.VALUE) : null;
    try {
      amounts =
          CsvAmounts.of(
              rows.stream()
                  .flatMap(
                      r -> {
                        var cells = new ArrayList<>(amountCells(r));
                        if (columns.containsKey(Role.BALANCE)) {
                          cells.add(r.cell(columns.get(Role.BALANCE)));
                        }
                        return cells.stream();
                      })
                  .toList());
    } catch (CsvAmounts.Open e) {
      var line =
          rows.stream()
              .filter(r -> r.cells().stream().anyMatch(c -> c.strip().equals(e.cell())))
              .mapToInt(Raw::line)
              .findFirst()
              .orElse(table.headingLine());
      reading.wrong(line, e.getMessage());
    }
  }

  private CsvDates.Order order(Role role) {
    var cells =
        rows.stream().map(r -> r.cell(columns.get(role))).filter(c -> !c.isEmpty()).toList();
    var orders = new ArrayList<>(CsvDates.possible(cells));
    if (orders.isEmpty()) {
      // named line by line where only some are no dates
      var best =
          Arrays.stream(CsvDates.Order.values())
              .max(
                  Comparator.comparingLong(
                      o -> cells.stream().filter(c -> CsvDates.read(c, o).isPresent()).count()))
              .orElseThrow();
      return best;
    }
    if (orders.size() > 1 && !CsvDates.agree(cells, orders.get(0), orders.get(1))) {
      reading.wrong(
          table.headingLine(),
          "the order of day and month in "
              + heading(role)
              + " is open: "
              + CsvDates.some(cells)
              + " can be read both ways");
    }
    return orders.get(0);
  }

  private Optional<Line> line(Raw row, Set<String> ids) {
    var before = reading.wrongs();
    var booked = date(row, Role.BOOKED, dateOrder);
    var value = valueOrder == null ? booked : date(row, Role.VALUE, valueOrder);
    var currency = currency(row);
    var id = columns.containsKey(Role.ENTRY_ID) ? row.cell(columns.get(Role.ENTRY_ID)) : "";
    if (columns.containsKey(Role.ENTRY_ID)) {
      if (id.isEmpty()) {
        reading.wrong(row.line(), heading(Role.ENTRY_ID) + " is empty");
      } else if (!ids.add(id)) {
        reading.wrong(row.line(), heading(Role.ENTRY_ID) + " " + id + " stands twice in the file");
      }
    }
    if (currency.isEmpty() || before < reading.wrongs()) {
      return Optional.empty();
    }
    var amount = amount(row, currency.get());
    if (amount.isEmpty()) {
      return Optional.empty();
    }
    var zero = Money.zero(currency.get());
    var entry =
        new StatementEntry(
            id,
            booked,
            value == null ? booked : value,
            amount.get(),
            text(row, Role.PAYER),
            text(row, Role.PAYER_ACCOUNT),
            remittance(row),
            text(row, Role.REFERENCE),
            text(row, Role.CHECK),
            "",
            status(row),
            false,
            zero,
            List.of(),
            row.line());
    return Optional.of(new Line(text(row, Role.ACCOUNT), entry, balance(row, currency.get())));
  }

  private LocalDate date(Raw row, Role role, CsvDates.Order order) {
    var cell = row.cell(columns.get(role));
    if (cell.isEmpty() && role == Role.VALUE) {
      return null;
    }
    var read = CsvDates.read(cell, order);
    if (read.isEmpty()) {
      reading.wrong(
          row.line(),
          heading(role)
              + " \""
              + FileAmount.shortened(cell)
              + "\" is not a date such as 2026-05-29, or not written like the others");
    }
    return read.orElse(null);
  }

  private Optional<CurrencyUnit> currency(Raw row) {
    var code = columns.containsKey(Role.CURRENCY) ? row.cell(columns.get(Role.CURRENCY)) : "";
    if (code.isEmpty() && columns.containsKey(Role.CURRENCY)) {
      reading.wrong(row.line(), heading(Role.CURRENCY) + " is empty");
      return Optional.empty();
    }
    if (code.isEmpty()) {
      code =
          amountCells(row).stream()
              .map(CsvAmounts::currency)
              .filter(c -> !c.isEmpty())
              .findFirst()
              .orElseGet(this::currencyOfHeading);
    }
    if (code.isEmpty()) {
      if (reading.currency().isEmpty()) {
        reading.wrong(
            table.headingLine(),
            "no column, heading or amount names the currency; guessed were "
                + columns.keySet().stream()
                    .map(r -> r.name().toLowerCase(Locale.ROOT) + " = " + heading(r))
                    .collect(Collectors.joining(", ")));
      }
      return reading.currency();
    }
    try {
      return Optional.of(CurrencyUnit.of(code.toUpperCase(Locale.ROOT)));
    } catch (IllegalCurrencyException e) {
      reading.wrong(
          row.line(),
          (columns.containsKey(Role.CURRENCY) ? heading(Role.CURRENCY) : "currency")
              + " \""
              + FileAmount.shortened(code)
              + "\" is not a currency code such as USD");
      return Optional.empty();
    }
  }

  private String currencyOfHeading() {
    for (var role : List.of(Role.AMOUNT, Role.CREDIT, Role.DEBIT)) {
      if (columns.containsKey(role)) {
        var code = Role.currencyIn(heading(role));
        if (!code.isEmpty()) {
          return code;
        }
      }
    }
    return "";
  }

  private Optional<Money> amount(Raw row, CurrencyUnit currency) {
    try {
      if (columns.containsKey(Role.AMOUNT)) {
        var amount = amounts.read(row.cell(columns.get(Role.AMOUNT)), currency);
        return directed(row, amount);
      }
      var debit = side(row, Role.DEBIT, currency);
      var credit = side(row, Role.CREDIT, currency);
      if (!debit.isZero() && !credit.isZero()) {
        reading.wrong(
            row.line(),
            "the line has a debit of "
                + MoneyText.plain(debit)
                + " and a credit of "
                + MoneyText.plain(credit));
        return Optional.empty();
      }
      // a debit counts down whether or not the file gives it a sign
      return Optional.of(debit.isZero() ? credit : debit.abs().negated());
    } catch (IllegalArgumentException e) {
      reading.wrong(
          row.line(),
          (columns.containsKey(Role.AMOUNT) ? heading(Role.AMOUNT) + ": " : "") + e.getMessage());
      return Optional.empty();
    }
  }

  private Money side(Raw row, Role role, CurrencyUnit currency) {
    var cell = row.cell(columns.get(role));
    return cell.isEmpty() || cell.equals("-") ? Money.zero(currency) : amounts.read(cell, currency);
  }

  private Optional<Money> directed(Raw row, Money amount) {
    if (!columns.containsKey(Role.DIRECTION)) {
      return Optional.of(amount);
    }
    var word = row.cell(columns.get(Role.DIRECTION)).toLowerCase(Locale.ROOT);
    if (CREDIT_WORDS.contains(word)) {
      return Optional.of(amount);
    }
    if (DEBIT_WORDS.contains(word)) {
      return Optional.of(amount.abs().negated());
    }
    reading.wrong(
        row.line(),
        heading(Role.DIRECTION)
            + " \""
            + FileAmount.shortened(word)
            + "\" says neither debit nor credit");
    return Optional.empty();
  }

  private Optional<Money> balance(Raw row, CurrencyUnit currency) {
    if (!columns.containsKey(Role.BALANCE)) {
      return Optional.empty();
    }
    var cell = row.cell(columns.get(Role.BALANCE));
    try {
      return cell.isEmpty() ? Optional.empty() : Optional.of(amounts.read(cell, currency));
    } catch (IllegalArgumentException e) {
      reading.odd(row.line(), heading(Role.BALANCE) + ": " + e.getMessage());
      return Optional.empty();
    }
  }

  private EntryStatus status(Raw row) {
    var word = text(row, Role.STATUS).toLowerCase(Locale.ROOT);
    return switch (word) {
      case "pending", "pdng", "vorgemerkt", "en attente", "pendiente" -> EntryStatus.PENDING;
      case "information", "info" -> EntryStatus.INFORMATION;
      default -> EntryStatus.BOOKED;
    };
  }

  private String text(Raw row, Role role) {
    return columns.containsKey(role) ? row.cell(columns.get(role)) : "";
  }

  private String remittance(Raw row) {
    var text = new StringJoiner(" ");
    for (var column : table.of(Role.TEXT)) {
      var cell = row.cell(column);
      if (!cell.isEmpty()) {
        text.add(cell);
      }
    }
    return text.toString();
  }

  private List<AccountStatement> statements(List<Line> lines) throws BrokenFile {
    var named = accountInPreamble();
    var groups = new LinkedHashMap<String, List<Line>>();
    for (var line : lines) {
      var account = line.account().isEmpty() ? named : line.account();
      groups
          .computeIfAbsent(
              account + "\n" + line.entry().amount().getCurrencyUnit(), k -> new ArrayList<>())
          .add(line);
    }
    var statements = new ArrayList<AccountStatement>();
    for (var group : groups.entrySet()) {
      var account = group.getKey().substring(0, group.getKey().lastIndexOf('\n'));
      var builder =
          new StatementBuilder(reading, false, table.headingLine())
              .account(account)
              .partOfTheDays();
      for (var line : group.getValue()) {
        builder.add(line.entry());
      }
      CsvBalances.apply(
          group.getValue().stream().map(Line::entry).toList(),
          group.getValue().stream().map(Line::balance).toList(),
          builder,
          reading);
      statements.add(builder.build(group.getValue().get(0).entry().amount().getCurrencyUnit()));
    }
    return statements;
  }

  /** The account that is named before the headings, or the one IBAN there, or empty. */
  private String accountInPreamble() {
    var named = table.accountNamedBefore();
    if (!named.isEmpty()) {
      return named;
    }
    var found = new HashSet<String>();
    var matcher = IBAN.matcher(table.preamble());
    while (matcher.find()) {
      var iban = matcher.group().replace(" ", "");
      if (Iban.parse(iban).isPresent()) {
        found.add(iban);
      }
    }
    return found.size() == 1 ? found.iterator().next() : "";
  }
}
