package org.sumbrel.formats.ofx;

import com.webcohesion.ofx4j.io.OFXHandler;
import com.webcohesion.ofx4j.io.OFXSyntaxException;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.apache.commons.text.StringEscapeUtils;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementBuilder;
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
          "BANKTRANLIST",
          "BAL");

  private final Reading reading;
  private final List<Integer> transactionLines;
  private final Deque<String> aggregates = new ArrayDeque<>();
  private final List<AccountStatement> accounts = new ArrayList<>();

  private final Map<String, String> statement = new HashMap<>();
  private final Map<String, String> transaction = new HashMap<>();
  private final List<Map<String, String>> transactions = new ArrayList<>();
  private int seen;
  private int investments;

  StatementHandler(Reading reading, List<Integer> transactionLines) {
    this.reading = reading;
    this.transactionLines = transactionLines;
  }

  List<AccountStatement> accounts() {
    return accounts;
  }

  /** Whether there were statements of a kind that is passed over. */
  boolean passedOver() {
    return investments > 0;
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
      case "INVSTMTRS" -> {
        investments++;
        reading.odd(
            0, "an investment statement was passed over; only bank and card statements are read");
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
      case "STMTTRN", "STMTTRNP" -> {
        if (!aggregates.contains("INVSTMTRS")) {
          transactions.add(Map.copyOf(transaction));
        }
      }
      case "STMTRS", "CCSTMTRS" -> finishKept();
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

  private void finishKept() throws OFXSyntaxException {
    try {
      finishStatement();
    } catch (BrokenFile e) {
      throw new OFXSyntaxException(e);
    }
  }

  private void finishStatement() throws BrokenFile {
    var account = first(statement, "BANKACCTFROM.ACCTID", "CCACCTFROM.ACCTID");
    if (account.isEmpty()) {
      reading.wrong(statementLine(), "a statement names no account (ACCTID)");
    }
    var currency = currency(statement.getOrDefault("CURDEF", ""));
    if (currency.isEmpty()) {
      reading.wrong(
          statementLine(),
          "CURDEF \""
              + FileAmount.shortened(statement.getOrDefault("CURDEF", ""))
              + "\" is not a currency code such as USD");
      return;
    }
    var builder = new StatementBuilder(reading, true, statementLine()).account(account);
    period("BANKTRANLIST.DTSTART", builder::from);
    period("BANKTRANLIST.DTEND", builder::until);
    for (var read : transactions) {
      var entry = entry(read, currency.get());
      if (entry.isPresent()) {
        builder.add(entry.get());
      }
    }
    closing(builder, currency.get());
    accounts.add(builder.build(currency.get()));
  }

  /** The line of the first transaction, or 0: the library does not tell where it is. */
  private int statementLine() {
    return transactions.isEmpty() ? 0 : Integer.parseInt(transactions.get(0).get("line"));
  }

  /** The days that the bank says it covers; where it does not say so rightly, they stay open. */
  private void period(String name, Consumer<LocalDate> take) {
    var text = statement.get(name);
    if (text != null) {
      try {
        take.accept(FileDate.basic(text));
      } catch (DateTimeException e) {
        reading.odd(0, name + ": " + e.getMessage());
      }
    }
  }

  private Optional<StatementEntry> entry(Map<String, String> read, CurrencyUnit currency) {
    var line = Integer.parseInt(read.get("line"));
    var pending = Boolean.parseBoolean(read.get("pending"));
    var before = reading.wrongs();
    var booked = date(read, line, "DTPOSTED", pending ? "DTTRAN" : "DTPOSTED");
    var amount = amount(read, line, currency);
    var id = read.getOrDefault("FITID", "");
    if (id.isEmpty() && !pending) {
      reading.wrong(line, "the transaction has no id (FITID)");
    }
    var other = read.getOrDefault("CURRENCY.CURSYM", currency.getCode());
    if (!other.equals(currency.getCode())) {
      reading.wrong(line, "the amount is in " + other + ", the account in " + currency);
    }
    if (reading.wrongs() > before) {
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
            read.getOrDefault("TRNTYPE", ""),
            pending ? EntryStatus.PENDING : EntryStatus.BOOKED,
            read.containsKey("CORRECTFITID"),
            Money.zero(currency),
            List.of(),
            line));
  }

  private void closing(StatementBuilder builder, CurrencyUnit currency) {
    var amount = statement.get("LEDGERBAL.BALAMT");
    if (amount == null) {
      return;
    }
    try {
      var date = FileDate.basic(statement.getOrDefault("LEDGERBAL.DTASOF", ""));
      builder.closing(date, FileAmount.parse(amount, currency));
    } catch (DateTimeException | IllegalArgumentException e) {
      reading.odd(
          0,
          "the closing balance \""
              + FileAmount.shortened(amount)
              + "\" cannot be read: "
              + e.getMessage());
    }
  }

  private LocalDate date(Map<String, String> read, int line, String name, String otherName) {
    var text = first(read, name, otherName);
    try {
      return FileDate.basic(text);
    } catch (DateTimeException e) {
      reading.wrong(
          line, name + " \"" + FileAmount.shortened(text) + "\" is not a date such as 20260529");
      return LocalDate.EPOCH;
    }
  }

  private Money amount(Map<String, String> read, int line, CurrencyUnit currency) {
    var text = read.getOrDefault("TRNAMT", "");
    try {
      return FileAmount.parse(text, currency);
    } catch (IllegalArgumentException e) {
      reading.wrong(line, "TRNAMT: " + e.getMessage());
      return Money.zero(currency);
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
