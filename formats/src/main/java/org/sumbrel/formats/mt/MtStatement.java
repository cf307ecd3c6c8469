package org.sumbrel.formats.mt;

import com.prowidesoftware.swift.model.field.Field28C;
import com.prowidesoftware.swift.model.field.Field60F;
import com.prowidesoftware.swift.model.field.Field61;
import com.prowidesoftware.swift.model.field.Field90D;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementBuilder;
import org.sumbrel.formats.statement.StatementEntry;

/** One statement or interim report, field by field. */
final class MtStatement {

  private static final String NO_REFERENCE = "NONREF";
  private static final String CHEQUE = "CHK";

  private final Reading reading;
  private final int line;
  private final StatementBuilder builder;

  private CurrencyUnit currency;
  private boolean open;
  private boolean closed;
  private boolean interim;
  private LocalDate reportedOn;

  /** The movement of the last :61:, which a :86: may still explain. */
  private Movement movement;

  private int credits;
  private int debits;
  private BigDecimal creditSum = BigDecimal.ZERO;
  private BigDecimal debitSum = BigDecimal.ZERO;

  private record Movement(
      LocalDate booked,
      LocalDate value,
      Money amount,
      boolean reversal,
      boolean expected,
      String type,
      String ownReference,
      String bankReference,
      String supplement,
      int line) {}

  MtStatement(Reading reading, int line) {
    this.reading = reading;
    this.line = line;
    this.builder = new StatementBuilder(reading, false, line);
  }

  void field(String tag, String value, int at) throws BrokenFile {
    switch (tag) {
      case "20" -> builder.number(firstLine(value));
      case "25" -> builder.account(firstLine(value).strip());
      case "28C", "28" -> sequence(value);
      case "60F", "60M" -> {
        open = true;
        opening(value, at);
      }
      case "61" -> {
        finishMovement("");
        movement = movement(value, at);
      }
      case "86" -> {
        // after the closing balance it is about the statement as a whole
        if (movement != null) {
          finishMovement(value);
        } else if (open && !closed) {
          reading.odd(at, "field :86: follows no movement (:61:); one may be missing");
        }
      }
      case "62F", "62M" -> {
        finishMovement("");
        closing(value, at);
      }
      case "34F" -> {
        interim = true;
        takeCurrency(value.length() < 3 ? "" : value.substring(0, 3), at);
      }
      case "13D", "13" -> {
        interim = true;
        reportedOn = day(value.length() < 6 ? value : value.substring(0, 6), at);
      }
      case "90D", "90C" -> {
        interim = true;
        finishMovement("");
        total(tag, value, at);
      }
      default -> finishMovement("");
    }
  }

  private static String firstLine(String value) {
    var end = value.indexOf('\n');
    return end < 0 ? value : value.substring(0, end);
  }

  private void sequence(String value) {
    var numbers = new Field28C(firstLine(value));
    var statement = numbers.getStatementNumber();
    if (statement != null && statement.matches("\\d{1,9}")) {
      builder.sequence(Integer.parseInt(statement));
    }
  }

  private record BalanceRead(LocalDate day, Money amount) {}

  private Optional<BalanceRead> balance(String value, int at) {
    var field = new Field60F(firstLine(value));
    var mark = field.getDCMark();
    if (mark == null || !(mark.equals("C") || mark.equals("D"))) {
      reading.wrong(
          at, "the balance \"" + FileAmount.shortened(value) + "\" begins with neither C nor D");
      return Optional.empty();
    }
    var day = day(field.getDate() == null ? "" : field.getDate(), at);
    takeCurrency(field.getCurrency() == null ? "" : field.getCurrency(), at);
    var amount = amount(field.getAmount(), at);
    if (day == null || amount.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new BalanceRead(day, mark.equals("D") ? amount.get().negated() : amount.get()));
  }

  private void opening(String value, int at) {
    balance(value, at).ifPresent(b -> builder.opening(b.day(), b.amount()));
  }

  private void closing(String value, int at) {
    closed = true;
    balance(value, at)
        .ifPresent(
            b -> {
              builder.closing(b.day(), b.amount());
              builder.until(b.day());
            });
  }

  private void takeCurrency(String code, int at) {
    try {
      var found = CurrencyUnit.of(code);
      if (currency != null && !currency.equals(found)) {
        reading.wrong(at, "this amount is in " + found + ", the statement in " + currency);
      }
      currency = currency == null ? found : currency;
    } catch (IllegalCurrencyException e) {
      reading.wrong(
          at, "\"" + FileAmount.shortened(code) + "\" is not a currency code such as EUR");
    }
  }

  private LocalDate day(String text, int at) {
    try {
      return FileDate.sixDigits(text);
    } catch (DateTimeException e) {
      reading.wrong(at, "\"" + FileAmount.shortened(text) + "\" is not a date such as 260529");
      return null;
    }
  }

  private Optional<Money> amount(String text, int at) {
    if (currency == null) {
      currency = reading.currency().orElse(null);
    }
    if (currency == null) {
      reading.wrong(at, "no field before this amount says its currency");
      return Optional.empty();
    }
    try {
      var amount = FileAmount.parse(text == null ? "" : text, currency);
      if (amount.isNegative()) {
        throw new IllegalArgumentException(
            "\"" + text + "\" has a sign; D or C gives the direction");
      }
      return Optional.of(amount);
    } catch (IllegalArgumentException e) {
      reading.wrong(at, "the amount " + e.getMessage());
      return Optional.empty();
    }
  }

  /** {@code :61:} value date, entry date, mark, funds code, amount, type, references. */
  private Movement movement(String value, int at) {
    var field = new Field61(value);
    var mark = field.getDebitCreditMark() == null ? "" : field.getDebitCreditMark();
    var before = reading.wrongs();
    var valueDay = day(field.getValueDate() == null ? "" : field.getValueDate(), at);
    var booked = valueDay;
    if (field.getEntryDate() != null && valueDay != null) {
      try {
        booked = FileDate.near(field.getEntryDate(), valueDay);
      } catch (DateTimeException e) {
        reading.wrong(at, "the entry date: " + e.getMessage());
      }
    }
    if (!List.of("C", "D", "RC", "RD", "EC", "ED").contains(mark)) {
      reading.wrong(
          at, "\"" + FileAmount.shortened(mark) + "\" is none of the marks C, D, RC, RD, EC, ED");
    }
    var amount = amount(field.getAmount(), at);
    var type = field.getTransactionType() == null ? "" : field.getTransactionType();
    if (!List.of("N", "S", "F").contains(type)) {
      reading.wrong(
          at,
          "the amount is followed by \""
              + FileAmount.shortened(type)
              + "\", not by the transaction type N, S or F");
    }
    if (before < reading.wrongs() || amount.isEmpty()) {
      return null;
    }
    // taking a credit back takes money from us
    var toUs = mark.equals("C") || mark.equals("RD") || mark.equals("EC");
    return new Movement(
        booked,
        valueDay,
        toUs ? amount.get() : amount.get().negated(),
        mark.startsWith("R"),
        mark.startsWith("E"),
        field.getIdentificationCode() == null ? "" : field.getIdentificationCode(),
        reference(field.getReferenceForTheAccountOwner()),
        reference(field.getReferenceOfTheAccountServicingInstitution()),
        field.getSupplementaryDetails() == null ? "" : field.getSupplementaryDetails().strip(),
        at);
  }

  private static String reference(String text) {
    var stripped = text == null ? "" : text.strip();
    return stripped.equals(NO_REFERENCE) ? "" : stripped;
  }

  private void finishMovement(String information) throws BrokenFile {
    if (movement == null) {
      return;
    }
    var moved = movement;
    movement = null;
    var words = MtInformation.read(information);
    var cheque = moved.type().equals(CHEQUE) ? moved.ownReference() : "";
    var remittance = words.remittance().isEmpty() ? moved.supplement() : words.remittance();
    var endToEnd =
        !words.endToEnd().isEmpty()
            ? words.endToEnd()
            : cheque.isEmpty() ? moved.ownReference() : "";
    var zero = Money.zero(moved.amount().getCurrencyUnit());
    var detail =
        new EntryDetail(
            Optional.of(moved.amount()),
            words.payerName(),
            words.payerAccount(),
            words.ultimatePayer(),
            remittance,
            moved.bankReference(),
            endToEnd,
            cheque,
            zero,
            Optional.empty());
    if (moved.amount().isNegative()) {
      debits++;
      debitSum = debitSum.add(moved.amount().getAmount().negate());
    } else {
      credits++;
      creditSum = creditSum.add(moved.amount().getAmount());
    }
    builder.add(
        new StatementEntry(
            moved.bankReference(),
            moved.booked(),
            moved.value(),
            moved.amount(),
            words.payerName(),
            words.payerAccount(),
            remittance.isEmpty() ? words.bankText() : remittance,
            moved.bankReference().isEmpty() ? moved.ownReference() : moved.bankReference(),
            cheque,
            words.bankText().isEmpty() ? moved.supplement() : words.bankText(),
            moved.expected() ? EntryStatus.PENDING : EntryStatus.BOOKED,
            moved.reversal(),
            zero,
            List.of(detail),
            moved.line()));
  }

  /** {@code :90D:} and {@code :90C:}: how many debits or credits an interim report claims. */
  private void total(String tag, String value, int at) {
    var field = new Field90D(firstLine(value));
    var debit = tag.equals("90D");
    var count = debit ? debits : credits;
    var sum = debit ? debitSum : creditSum;
    try {
      var claimed = FileAmount.decimal(field.getAmount() == null ? "" : field.getAmount());
      var claimedCount = field.getNumber() == null ? "" : field.getNumber();
      if (!claimedCount.matches("\\d{1,9}")
          || Integer.parseInt(claimedCount) != count
          || claimed.compareTo(sum) != 0) {
        reading.odd(
            at,
            "the report claims "
                + claimedCount
                + (debit ? " debits" : " credits")
                + " of "
                + claimed.toPlainString()
                + ", it holds "
                + count
                + " of "
                + sum.toPlainString());
      }
    } catch (IllegalArgumentException e) {
      reading.odd(at, "the total " + e.getMessage());
    }
  }

  Optional<AccountStatement> finish(int last) throws BrokenFile {
    finishMovement("");
    if (builder.account().isEmpty()) {
      reading.wrong(line, "the statement names no account (:25:)");
    }
    if (!closed && !interim) {
      reading.wrong(last, "the statement ends before its closing balance (:62F:); it was cut off");
    }
    if (interim) {
      builder.partOfTheDays();
      if (reportedOn != null) {
        builder.until(reportedOn);
      }
    }
    if (currency == null) {
      reading.wrong(line, "the statement says of no currency");
      return Optional.empty();
    }
    return Optional.of(builder.build(currency));
  }
}
