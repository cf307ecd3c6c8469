package org.sumbrel.formats.ofx;

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

/** Turns what stands in an OFX file, one aggregate and value after the other, into statements. */
final class OfxEvents {

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

  /** Of these one ends where the next begins, whether or not the file closes it. */
  private static final Set<String> ONE_AT_A_TIME =
      Set.of("STMTTRN", "STMTTRNP", "STMTRS", "CCSTMTRS", "STMTTRNRS", "CCSTMTTRNRS");

  /** What stands behind the list of transactions, whether or not the file closes that. */
  private static final Set<String> BEHIND_THE_LIST = Set.of("LEDGERBAL", "AVAILBAL", "BALLIST");

  /** Kinds of movement that tell a clerk nothing beside the amount. */
  private static final Set<String> SAYS_ONLY_THE_SIGN =
      Set.of("CREDIT", "DEBIT", "OTHER", "CHECK", "PAYMENT", "DEP");

  private final Reading reading;
  private final Deque<String> open = new ArrayDeque<>();
  private final List<AccountStatement> statements = new ArrayList<>();

  private final Map<String, String> statement = new HashMap<>();
  private final Map<String, String> transaction = new HashMap<>();
  private final List<Map<String, String>> transactions = new ArrayList<>();
  private int statementLine;
  private int investments;

  OfxEvents(Reading reading) {
    this.reading = reading;
  }

  List<AccountStatement> statements() {
    return statements;
  }

  /** Whether there were statements of a kind that is passed over. */
  boolean passedOver() {
    return investments > 0;
  }

  void begin(String name, int line) throws BrokenFile {
    if (ONE_AT_A_TIME.contains(name) && open.contains(name)) {
      end(name);
      reading.odd(line, "the <" + name + "> before this one has no </" + name + ">");
    }
    if (BEHIND_THE_LIST.contains(name) && open.contains("BANKTRANLIST")) {
      end("BANKTRANLIST");
    }
    open.push(name);
    if (open.size() > DEEPEST) {
      throw new BrokenFile(line, "more than " + DEEPEST + " aggregates within each other");
    }
    switch (name) {
      case "STMTRS", "CCSTMTRS" -> {
        statement.clear();
        transactions.clear();
        statementLine = line;
      }
      case "INVSTMTRS" -> {
        investments++;
        reading.odd(
            line,
            "an investment statement was passed over; only bank and card statements are read");
      }
      case "STMTTRN", "STMTTRNP" -> {
        transaction.clear();
        transaction.put("line", Integer.toString(line));
        transaction.put("pending", Boolean.toString(name.equals("STMTTRNP")));
      }
      default -> {}
    }
  }

  /** The end of an aggregate and of all that is still open in it; of a value it changes nothing. */
  void end(String name) throws BrokenFile {
    if (!open.contains(name)) {
      return;
    }
    String ended;
    do {
      ended = open.peek();
      if (!ended.equals(name) && ONE_AT_A_TIME.contains(ended)) {
        reading.odd(lineOf(ended), "the <" + ended + "> of this line has no </" + ended + ">");
      }
      ended(ended);
      open.pop();
    } while (!ended.equals(name));
  }

  private int lineOf(String ended) {
    return ended.equals("STMTTRN") || ended.equals("STMTTRNP")
        ? Integer.parseInt(transaction.get("line"))
        : statementLine;
  }

  private void ended(String name) throws BrokenFile {
    switch (name) {
      case "STMTTRN", "STMTTRNP" -> {
        if (!open.contains("INVSTMTRS")) {
          transactions.add(Map.copyOf(transaction));
        }
      }
      case "STMTRS", "CCSTMTRS" -> finishStatement();
      default -> {}
    }
  }

  void value(String name, String text) {
    var in = open.stream().filter(HOLDERS::contains).findFirst().orElse("");
    if (name.equals("TRNAMT") && !open.contains("INVSTMTRS")) {
      requireOwnTransaction(text);
    }
    if (open.contains("STMTTRN") || open.contains("STMTTRNP")) {
      transaction.putIfAbsent(in.startsWith("STMTTRN") ? name : in + "." + name, text);
    } else if (open.contains("STMTRS") || open.contains("CCSTMTRS")) {
      statement.putIfAbsent(
          in.equals("STMTRS") || in.equals("CCSTMTRS") ? name : in + "." + name, text);
    }
  }

  /** An amount outside of a transaction, or a second one in it, belongs to one that is damaged. */
  private void requireOwnTransaction(String amount) {
    var inTransaction = open.contains("STMTTRN") || open.contains("STMTTRNP");
    if (!inTransaction || transaction.containsKey("TRNAMT")) {
      reading.odd(
          inTransaction ? Integer.parseInt(transaction.get("line")) : statementLine,
          "the amount "
              + FileAmount.shortened(amount)
              + (inTransaction
                  ? " is a second one in this transaction; it is not imported"
                  : " is in no transaction (STMTTRN); it is not imported"));
    }
  }

  private void finishStatement() throws BrokenFile {
    var account = first(statement, "BANKACCTFROM.ACCTID", "CCACCTFROM.ACCTID");
    if (account.isEmpty()) {
      reading.wrong(statementLine, "a statement names no account (ACCTID)");
    }
    var currency = currency(statement.getOrDefault("CURDEF", ""));
    if (currency.isEmpty()) {
      reading.wrong(
          statementLine,
          "CURDEF \""
              + FileAmount.shortened(statement.getOrDefault("CURDEF", ""))
              + "\" is not a currency code such as USD");
      return;
    }
    var builder = new StatementBuilder(reading, true, statementLine).account(account);
    period("BANKTRANLIST.DTSTART", builder::from);
    period("BANKTRANLIST.DTEND", builder::until);
    for (var read : transactions) {
      var entry = entry(read, currency.get());
      if (entry.isPresent()) {
        builder.add(entry.get());
      }
    }
    closing(builder, currency.get());
    statements.add(builder.build(currency.get()));
  }

  /** The days that the bank says it covers; where it does not say so rightly, they stay open. */
  private void period(String name, Consumer<LocalDate> take) {
    var text = statement.get(name);
    if (text != null) {
      try {
        take.accept(FileDate.basic(text));
      } catch (DateTimeException e) {
        reading.odd(statementLine, name + ": " + e.getMessage());
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
    var kind = read.getOrDefault("TRNTYPE", "");
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
            SAYS_ONLY_THE_SIGN.contains(kind) ? "" : kind,
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
          statementLine,
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
