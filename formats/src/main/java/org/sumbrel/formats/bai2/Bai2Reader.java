package org.sumbrel.formats.bai2;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;

/**
 * Reads cash management balance reports, version 2 (BAI2; X9.121 keeps its records): a file header
 * (01), groups (02) of accounts (03) with their transactions (16), continuations (88), and a
 * trailer with control totals for each level (49, 98, 99).
 */
public final class Bai2Reader {

  private final Reading reading;
  private final List<AccountStatement> statements = new ArrayList<>();

  private boolean opened;
  private boolean ended;
  private int lastLine;

  private Group group;
  private Bai2Account account;
  private int groups;
  private BigDecimal fileTotal = BigDecimal.ZERO;

  /** One group: the statements of one bank of one day. */
  private static final class Group {
    LocalDate asOf;
    CurrencyUnit currency;
    boolean interim;
    boolean forInformation;
    int line;
    int recordsBefore;
    int accounts;
    BigDecimal total = BigDecimal.ZERO;
  }

  private Bai2Reader(Reading reading) {
    this.reading = reading;
  }

  /**
   * Reads all accounts of the file.
   *
   * @throws BrokenFile with line and reason for everything that cannot be read
   */
  public static FileContent read(FileBytes file, Reading reading) throws BrokenFile {
    var reader = new Bai2Reader(reading);
    try (var records = new Bai2Records(file, reading)) {
      for (var next = records.next(); next.isPresent(); next = records.next()) {
        reader.record(next.get());
      }
    }
    reader.finish();
    reading.requireSound();
    return FileContent.ofStatements(Format.BAI2, reader.statements, reading.odd());
  }

  private void record(Bai2Record record) throws BrokenFile {
    lastLine = record.line();
    if (ended) {
      reading.wrong(
          record.line(), "record " + record.code() + " stands after the file's trailer (99)");
      return;
    }
    switch (record.code()) {
      case "01" -> header(record);
      case "02" -> beginGroup(record);
      case "03" -> beginAccount(record);
      case "16" -> transaction(record);
      case "49" -> endAccount(record);
      case "98" -> endGroup(record);
      case "99" -> endFile(record);
      case "88" -> reading.wrong(record.line(), "record 88 continues nothing");
      default ->
          reading.wrong(
              record.line(),
              "\""
                  + FileAmount.shortened(record.code())
                  + "\" is none of the records 01, 02, 03, 16, 88, 49, 98, 99");
    }
  }

  private void header(Bai2Record record) {
    if (opened) {
      reading.wrong(record.line(), "a second file header (01) before the trailer of the first");
    }
    opened = true;
    var version = record.field(8);
    if (!version.isEmpty() && !version.equals("2") && !version.equals("3")) {
      reading.odd(
          record.line(),
          "the header names version " + FileAmount.shortened(version) + ", expected 2");
    }
  }

  private void beginGroup(Bai2Record record) {
    if (group != null) {
      reading.wrong(record.line(), "a group begins before the trailer (98) of the one before");
    }
    group = new Group();
    group.line = record.line();
    group.recordsBefore = record.countBefore();
    var status = record.field(3);
    if (status.equals("2") || status.equals("4")) {
      group.forInformation = true;
      reading.odd(
          record.line(),
          "the group is "
              + (status.equals("2") ? "a deletion" : "a test")
              + "; its entries are told and not booked");
    }
    try {
      group.asOf = FileDate.sixDigits(record.field(4));
    } catch (DateTimeException e) {
      reading.wrong(record.line(), "the group's day: " + e.getMessage());
      group.asOf = LocalDate.EPOCH;
    }
    group.currency = currency(record.field(6), reading.currency().orElse(CurrencyUnit.USD), record);
    var modifier = record.field(7);
    group.interim = modifier.equals("1") || modifier.equals("3");
  }

  /** The standard's currency is USD where none is named. */
  private CurrencyUnit currency(String code, CurrencyUnit otherwise, Bai2Record record) {
    if (code.isEmpty()) {
      return otherwise;
    }
    try {
      return CurrencyUnit.of(code);
    } catch (IllegalCurrencyException e) {
      reading.wrong(
          record.line(),
          "\"" + FileAmount.shortened(code) + "\" is not a currency code such as USD");
      return otherwise;
    }
  }

  private void beginAccount(Bai2Record record) {
    if (group == null) {
      reading.wrong(record.line(), "an account (03) outside of a group (02)");
      return;
    }
    if (account != null) {
      reading.wrong(record.line(), "an account begins before the trailer (49) of the one before");
    }
    group.accounts++;
    account =
        new Bai2Account(
            reading,
            record,
            currency(record.field(2), group.currency, record),
            group.asOf,
            group.interim,
            group.forInformation);
  }

  private void transaction(Bai2Record record) throws BrokenFile {
    if (account == null) {
      reading.wrong(record.line(), "a transaction (16) outside of an account (03)");
      return;
    }
    account.transaction(record);
  }

  private void endAccount(Bai2Record record) {
    if (account == null) {
      reading.wrong(record.line(), "an account's trailer (49) without its account (03)");
      return;
    }
    statements.add(account.end());
    check(record, 1, account.total(), "account " + account.number());
    checkCount(record, 2, record.countWith() - account.recordsBefore(), "account", "records");
    group.total = group.total.add(claimed(record, 1, account.total()));
    account = null;
  }

  private void endGroup(Bai2Record record) {
    if (group == null) {
      reading.wrong(record.line(), "a group's trailer (98) without its group (02)");
      return;
    }
    if (account != null) {
      reading.wrong(record.line(), "the group ends before the trailer (49) of its last account");
      account = null;
    }
    groups++;
    check(record, 1, group.total, "group");
    checkCount(record, 2, group.accounts, "group", "accounts");
    checkCount(record, 3, record.countWith() - group.recordsBefore, "group", "records");
    fileTotal = fileTotal.add(claimed(record, 1, group.total));
    group = null;
  }

  private void endFile(Bai2Record record) {
    ended = true;
    check(record, 1, fileTotal, "file");
    checkCount(record, 2, groups, "file", "groups");
    checkCount(record, 3, record.countWith(), "file", "records");
  }

  /** A wrong total is said once, on its own level: the levels above add up what was claimed. */
  private static BigDecimal claimed(Bai2Record record, int field, BigDecimal otherwise) {
    return Bai2Amounts.minor(record.field(field)).orElse(otherwise);
  }

  private void check(Bai2Record record, int field, BigDecimal found, String what) {
    var claimed = Bai2Amounts.minor(record.field(field));
    if (claimed.isEmpty()) {
      reading.odd(
          record.line(),
          "the control total of the "
              + what
              + ", \""
              + FileAmount.shortened(record.field(field))
              + "\", is not an amount");
    } else if (claimed.get().compareTo(found) != 0) {
      reading.odd(
          record.line(),
          "the control total of the "
              + what
              + " is "
              + claimed.get().toPlainString()
              + ", its amounts come to "
              + found.toPlainString()
              + ", in the smallest unit of the currency");
    }
  }

  private void checkCount(Bai2Record record, int field, int found, String what, String of) {
    var claimed = record.field(field);
    if (!claimed.matches("\\d{1,9}") || Integer.parseInt(claimed) != found) {
      reading.odd(
          record.line(),
          "the "
              + what
              + " claims "
              + (claimed.isEmpty() ? "no number of" : FileAmount.shortened(claimed))
              + " "
              + of
              + ", it has "
              + found);
    }
  }

  private void finish() {
    if (!opened) {
      reading.wrong(1, "the file header (01) is missing");
    }
    if (!ended) {
      reading.wrong(lastLine, "the file ends before its trailer (99); it was cut off");
    } else if (group != null) {
      reading.wrong(lastLine, "the last group has no trailer (98)");
    }
  }
}
