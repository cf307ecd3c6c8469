package org.sumbrel.formats.ofx;

import com.webcohesion.ofx4j.io.OFXHandler;
import com.webcohesion.ofx4j.io.OFXSyntaxException;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.text.StringEscapeUtils;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.AccountStatement.Balance;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * Turns the events of an OFX file into statements. The library's own object model keeps amounts as
 * floating point, so this listens one level below it, where they are still text.
 */
final class StatementHandler implements OFXHandler {

  /** Stands for an ampersand while SGML goes through the library. */
  static final char AMPERSAND = '\uE000';

  private static final int DEEPEST = 50;

  /** The aggregates whose elements are read; anything else between is passed through. */
  private static final Set<String> HOLDERS =
      Set.of(
          "STMTRS",
          "CCSTMTRS",
          "STMTTRN",
          "STMTTRNP",
          "BANKACCTFROM",
          "CCACCTFROM",
          "BANKACCTTO",
          "CCACCTTO",
          "PAYEE",
          "CURRENCY",
          "ORIGCURRENCY",
          "LEDGERBAL",
          "AVAILBAL",
          "BAL");

  private final List<Integer> transactionLines;
  private final Deque<String> aggregates = new ArrayDeque<>();
  private final List<AccountStatement> accounts = new ArrayList<>();
  private final List<Problem> problems = new ArrayList<>();
  private final List<Problem> fatal = new ArrayList<>();

  private final Map<String, String> statement = new HashMap<>();
  private final Map<String, String> transaction = new HashMap<>();
  private final List<Map<String, String>> transactions = new ArrayList<>();
  private int seen;

  StatementHandler(List<Integer> transactionLines) {
    this.transactionLines = transactionLines;
  }

  List<AccountStatement> accounts() {
    return accounts;
  }

  List<Problem> problems() {
    return problems;
  }

  /** What makes the file unfit to be taken in. */
  List<Problem> fatal() {
    return fatal;
  }

  @Override
  public void onHeader(String name, String value) {
    // versions and security words of the header do not change how statements are read
  }

  @Override
  public void startAggregate(String name) throws OFXSyntaxException {
    aggregates.push(name);
    if (aggregates.size() > DEEPEST) {
      throw new OFXSyntaxException("more than " + DEEPEST + " aggregates within each other");
    }
    switch (name) {
      case "STMTRS", "CCSTMTRS" -> {
        statement.clear();
        transactions.clear();
      }
      case "STMTTRN", "STMTTRNP" -> {
        transaction.clear();
        var line = seen < transactionLines.size() ? transactionLines.get(seen) : 0;
        transaction.put("line", Integer.toString(line));
        transaction.put("pending", Boolean.toString(name.equals("STMTTRNP")));
        seen++;
      }
      default -> {}
    }
  }

  @Override
  public void endAggregate(String name) throws OFXSyntaxException {
    if (!aggregates.contains(name)) {
      throw new OFXSyntaxException("</" + name + "> closes what is not open");
    }
    // what stands above it are elements without a value, which SGML leaves unclosed
    while (!aggregates.pop().equals(name)) {}
    switch (name) {
      case "STMTTRN", "STMTTRNP" -> transactions.add(Map.copyOf(transaction));
      case "STMTRS", "CCSTMTRS" -> finishStatement();
      default -> {}
    }
  }

  @Override
  public void onElement(String name, String value) {
    var in = aggregates.stream().filter(HOLDERS::contains).findFirst().orElse("");
    var text = value.indexOf(AMPERSAND) < 0 ? value.strip() : unescaped(value);
    if (aggregates.contains("STMTTRN") || aggregates.contains("STMTTRNP")) {
      transaction.putIfAbsent(in.startsWith("STMTTRN") ? name : in + "." + name, text);
    } else if (aggregates.contains("STMTRS") || aggregates.contains("CCSTMTRS")) {
      statement.putIfAbsent(
          in.equals("STMTRS") || in.equals("CCSTMTRS") ? name : in + "." + name, text);
    }
  }

  /** A bare ampersand, as many banks write it, stays one. */
  private static String unescaped(String value) {
    return StringEscapeUtils.unescapeXml(value.replace(AMPERSAND, '&')).strip();
  }

  private void finishStatement() {
    var account = first(statement, "BANKACCTFROM.ACCTID", "CCACCTFROM.ACCTID");
    if (account.isEmpty()) {
      fatal.add(new Problem(0, "a statement names no account (ACCTID)"));
    }
    var currency = currency(statement.getOrDefault("CURDEF", ""));
    if (currency.isEmpty()) {
      fatal.add(
          new Problem(
              0,
              "CURDEF \""
                  + statement.getOrDefault("CURDEF", "")
                  + "\" is not a currency code such as USD"));
      return;
    }
    var entries = new ArrayList<StatementEntry>();
    var ids = new HashMap<String, StatementEntry>();
    for (var read : transactions) {
      entry(read, currency.get()).ifPresent(e -> keep(e, entries, ids));
    }
    accounts.add(
        new AccountStatement(
            account, currency.get(), Optional.empty(), closing(currency.get()), entries));
  }

  /**
   * An id that stands twice: the same movement counts once, another one gets an id of its own; both
   * are said.
   */
  private void keep(
      StatementEntry entry, List<StatementEntry> entries, Map<String, StatementEntry> ids) {
    var twin = ids.putIfAbsent(entry.entryId(), entry);
    if (twin == null) {
      entries.add(entry);
    } else if (twin.amount().equals(entry.amount())
        && twin.bookingDate().equals(entry.bookingDate())) {
      problems.add(
          new Problem(
              entry.line(),
              "the entry "
                  + entry.entryId()
                  + " of line "
                  + twin.line()
                  + " stands here again; counted once"));
    } else {
      var other =
          entry.entryId() + "#" + entry.bookingDate() + "#" + MoneyText.plain(entry.amount());
      problems.add(
          new Problem(
              entry.line(),
              "the id "
                  + entry.entryId()
                  + " of line "
                  + twin.line()
                  + " is given to another entry here"));
      if (ids.putIfAbsent(other, entry) == null) {
        entries.add(
            new StatementEntry(
                other,
                entry.bookingDate(),
                entry.valueDate(),
                entry.amount(),
                entry.payerName(),
                entry.payerAccount(),
                entry.remittance(),
                entry.bankReference(),
                entry.checkNumber(),
                entry.pending(),
                entry.line()));
      }
    }
  }

  private Optional<StatementEntry> entry(Map<String, String> read, CurrencyUnit currency) {
    var line = Integer.parseInt(read.get("line"));
    var pending = Boolean.parseBoolean(read.get("pending"));
    var before = fatal.size();
    var booked = date(read, line, "DTPOSTED", pending ? "DTTRAN" : "DTPOSTED");
    var amount = amount(read, line, currency);
    var id = read.getOrDefault("FITID", pending ? "pending " + line : "");
    if (id.isEmpty()) {
      fatal.add(new Problem(line, "the transaction has no id (FITID)"));
    }
    var other = read.getOrDefault("CURRENCY.CURSYM", currency.getCode());
    if (!other.equals(currency.getCode())) {
      fatal.add(new Problem(line, "the amount is in " + other + ", the account in " + currency));
    }
    if (fatal.size() > before) {
      return Optional.empty();
    }
    var value = read.containsKey("DTAVAIL") ? date(read, line, "DTAVAIL", "DTAVAIL") : booked;
    return Optional.of(
        new StatementEntry(
            id,
            booked,
            value,
            amount,
            first(read, "NAME", "PAYEE.NAME"),
            first(read, "BANKACCTTO.ACCTID", "CCACCTTO.ACCTID"),
            first(read, "MEMO", "EXTDNAME"),
            first(read, "REFNUM", "SRVRTID"),
            read.getOrDefault("CHECKNUM", ""),
            pending,
            line));
  }

  private Optional<Balance> closing(CurrencyUnit currency) {
    var amount = statement.get("LEDGERBAL.BALAMT");
    if (amount == null) {
      return Optional.empty();
    }
    try {
      var date = parseDate(statement.getOrDefault("LEDGERBAL.DTASOF", ""));
      return Optional.of(new Balance(date, parseAmount(amount, currency)));
    } catch (DateTimeException | IllegalArgumentException e) {
      problems.add(
          new Problem(
              0, "the closing balance \"" + amount + "\" cannot be read: " + e.getMessage()));
      return Optional.empty();
    }
  }

  private LocalDate date(Map<String, String> read, int line, String name, String otherName) {
    var text = first(read, name, otherName);
    try {
      return parseDate(text);
    } catch (DateTimeException e) {
      fatal.add(new Problem(line, name + " \"" + text + "\" is not a date such as 20260529"));
      return LocalDate.EPOCH;
    }
  }

  /** OFX dates are {@code YYYYMMDD[HHMMSS[.XXX]][zone]}; the day counts as the bank wrote it. */
  private static LocalDate parseDate(String text) {
    return LocalDate.parse(
        text.length() < 8 ? text : text.substring(0, 8), DateTimeFormatter.BASIC_ISO_DATE);
  }

  private Money amount(Map<String, String> read, int line, CurrencyUnit currency) {
    var text = read.getOrDefault("TRNAMT", "");
    try {
      return parseAmount(text, currency);
    } catch (IllegalArgumentException e) {
      fatal.add(new Problem(line, "TRNAMT: " + e.getMessage()));
      return Money.zero(currency);
    }
  }

  /** OFX allows a comma or a point as the decimal mark, a leading plus, and no grouping. */
  private static Money parseAmount(String text, CurrencyUnit currency) {
    var plain = text.strip().replace(',', '.');
    try {
      return MoneyText.exact(new BigDecimal(plain), currency);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("\"" + text + "\" is not an amount such as -12.30", e);
    }
  }

  private static Optional<CurrencyUnit> currency(String code) {
    try {
      return Optional.of(CurrencyUnit.of(code));
    } catch (IllegalCurrencyException e) {
      return Optional.empty();
    }
  }

  private static String first(Map<String, String> read, String name, String otherName) {
    return read.getOrDefault(name, read.getOrDefault(otherName, ""));
  }
}
