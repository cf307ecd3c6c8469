package org.sumbrel.formats.bai2;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementBuilder;
import org.sumbrel.formats.statement.StatementEntry;

/** One account (03) with its balances, totals and transactions (16). */
final class Bai2Account {

  private static final int OPENING_LEDGER = 10;
  private static final int CLOSING_LEDGER = 15;
  private static final int NOT_MONEY = 890;

  private final Reading reading;
  private final CurrencyUnit currency;
  private final LocalDate asOf;
  private final boolean forInformation;
  private final StatementBuilder builder;
  private final String number;
  private final int recordsBefore;
  private final int line;

  private BigDecimal total = BigDecimal.ZERO;

  Bai2Account(
      Reading reading,
      Bai2Record record,
      CurrencyUnit currency,
      LocalDate asOf,
      boolean interim,
      boolean forInformation) {
    this.reading = reading;
    this.currency = currency;
    this.asOf = asOf;
    this.forInformation = forInformation;
    this.number = record.field(1);
    this.recordsBefore = record.countBefore();
    this.line = record.line();
    this.builder =
        new StatementBuilder(reading, false, line).account(number).until(asOf).from(asOf);
    if (interim) {
      builder.partOfTheDays();
    }
    if (number.isEmpty()) {
      reading.wrong(line, "the account has no number");
    }
    summaries(record);
  }

  String number() {
    return number;
  }

  int recordsBefore() {
    return recordsBefore;
  }

  /** Everything that the account's control total adds up, in the smallest unit. */
  BigDecimal total() {
    return total;
  }

  /** Groups of type code, amount, item count and funds type, the last with fields of its own. */
  private void summaries(Bai2Record record) {
    for (var at = 3; at < record.size(); ) {
      var type = record.field(at);
      var amount = record.field(at + 1);
      if (type.isEmpty() && amount.isEmpty()) {
        at += 4;
        continue;
      }
      if (!type.matches("\\d{3}")) {
        reading.wrong(
            record.line(),
            "\"" + FileAmount.shortened(type) + "\" is not a type code of three figures");
        return;
      }
      var minor = Bai2Amounts.minor(amount);
      if (minor.isEmpty() && !amount.isEmpty()) {
        reading.wrong(
            record.line(),
            "the amount of type "
                + type
                + ", \""
                + FileAmount.shortened(amount)
                + "\", is not a whole number in the currency's smallest unit");
        return;
      }
      minor.ifPresent(m -> summary(Integer.parseInt(type), m));
      var funds = new Bai2Funds(record, at + 3);
      funds.complaint(minor.orElse(BigDecimal.ZERO)).ifPresent(c -> reading.odd(record.line(), c));
      at = funds.next();
    }
  }

  private void summary(int type, BigDecimal minor) {
    total = total.add(minor);
    try {
      switch (type) {
        case OPENING_LEDGER -> builder.opening(asOf, Bai2Amounts.money(minor, currency));
        case CLOSING_LEDGER -> builder.closing(asOf, Bai2Amounts.money(minor, currency));
        default -> {}
      }
    } catch (IllegalArgumentException e) {
      reading.wrong(line, e.getMessage());
    }
  }

  void transaction(Bai2Record record) throws BrokenFile {
    var code = record.field(1);
    if (!code.matches("\\d{3}")) {
      reading.wrong(
          record.line(),
          "\"" + FileAmount.shortened(code) + "\" is not a type code of three figures");
      return;
    }
    var type = Integer.parseInt(code);
    var written = record.field(2);
    var minor = Bai2Amounts.minor(written.isEmpty() ? "0" : written);
    if (minor.isEmpty()) {
      reading.wrong(
          record.line(),
          "the amount \""
              + FileAmount.shortened(written)
              + "\" is not a whole number in the currency's smallest unit");
      return;
    }
    total = total.add(minor.get());
    var funds = new Bai2Funds(record, 3);
    funds.complaint(minor.get()).ifPresent(c -> reading.odd(record.line(), c));
    var value = asOf;
    if (!funds.valueDate().isEmpty()) {
      try {
        value = FileDate.sixDigits(funds.valueDate());
      } catch (DateTimeException e) {
        reading.wrong(record.line(), "the value date: " + e.getMessage());
        return;
      }
    }
    var debit = isDebit(type);
    Money amount;
    try {
      amount = Bai2Amounts.money(debit ? minor.get().negate() : minor.get(), currency);
    } catch (IllegalArgumentException e) {
      reading.wrong(record.line(), e.getMessage());
      return;
    }
    var money = type != NOT_MONEY;
    builder.add(entry(record, type, amount, value, funds.next(), money));
  }

  private StatementEntry entry(
      Bai2Record record, int type, Money amount, LocalDate value, int next, boolean money) {
    var bankReference = record.field(next);
    var ownReference = record.field(next + 1);
    var text = record.textFrom(next + 2);
    var check = Bai2Types.isCheque(type) ? ownReference : "";
    var remittance =
        check.isEmpty() && !ownReference.isEmpty()
            ? text.isEmpty() ? ownReference : text + " " + ownReference
            : text;
    return new StatementEntry(
        bankReference,
        asOf,
        value,
        amount,
        "",
        "",
        remittance,
        bankReference.isEmpty() ? ownReference : bankReference,
        check,
        Bai2Types.name(type),
        forInformation || !money ? EntryStatus.INFORMATION : EntryStatus.BOOKED,
        Bai2Types.isReversal(type),
        Money.zero(currency),
        List.of(),
        record.line());
  }

  /** 100 to 399 are credits, 400 to 699 debits; 900 on are the bank's own, credits up to 959. */
  private static boolean isDebit(int type) {
    return type >= 400 && type < 700 || type >= 960;
  }

  AccountStatement end() {
    return builder.build(currency);
  }
}
