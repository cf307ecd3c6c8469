package org.sumbrel.formats.camt;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementBuilder;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.formats.xml.XmlCursor;

/**
 * Reads one statement, report or notification with its balances, its own totals and its entries.
 */
final class CamtStatement {

  private final Reading reading;
  private final boolean whole;
  private CurrencyUnit currency;
  private LocalDate createdOn;
  private String owner = "";
  private int line;

  /** Totals that the file claims, to be held against its entries. */
  private record Claimed(
      String what, int line, Optional<Integer> count, Optional<BigDecimal> sum) {}

  private final List<Claimed> claims = new ArrayList<>();

  private record BalanceRead(String type, LocalDate date, Money amount) {}

  private final List<BalanceRead> balances = new ArrayList<>();

  CamtStatement(Reading reading, Format format) {
    this.reading = reading;
    this.whole = format == Format.CAMT_053;
  }

  /** The statement, or empty where it says of no currency. */
  Optional<AccountStatement> read(XmlCursor xml) throws XMLStreamException, BrokenFile {
    line = xml.line();
    var builder = new StatementBuilder(reading, false, line);
    if (!whole) {
      builder.partOfTheDays();
    }
    while (xml.child()) {
      switch (xml.name()) {
        case "Id" -> builder.number(xml.text());
        case "ElctrncSeqNb" -> sequence(xml, builder);
        case "CreDtTm" -> createdOn = CamtDate.read(xml, reading);
        case "FrToDt" -> period(xml, builder);
        case "Acct" -> account(xml, builder);
        case "Bal" -> balance(xml);
        case "TxsSummry" -> totals(xml);
        case "Ntry" -> entry(xml, builder);
        default -> xml.skip();
      }
    }
    if (currency == null) {
      currency = reading.currency().orElse(null);
    }
    if (currency == null) {
      reading.wrong(line, "neither account, balance nor entry says the currency of this statement");
      return Optional.empty();
    }
    if (builder.account().isEmpty()) {
      reading.wrong(line, "the statement names no account (Acct/Id)");
    }
    applyBalances(builder);
    var statement = builder.build(currency);
    if (reading.sound()) {
      checkClaims(statement);
    }
    return Optional.of(statement);
  }

  private void sequence(XmlCursor xml, StatementBuilder builder) throws XMLStreamException {
    var text = xml.text();
    if (text.matches("\\d{1,9}")) {
      builder.sequence(Integer.parseInt(text));
    }
  }

  private void period(XmlCursor xml, StatementBuilder builder) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "FrDt", "FrDtTm" ->
            Optional.ofNullable(CamtDate.read(xml, reading)).ifPresent(builder::from);
        case "ToDt", "ToDtTm" ->
            Optional.ofNullable(CamtDate.read(xml, reading)).ifPresent(builder::until);
        default -> xml.skip();
      }
    }
  }

  private void account(XmlCursor xml, StatementBuilder builder) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "Id" -> builder.account(CamtParty.accountId(xml));
        case "Ownr" -> owner = CamtParty.name(xml);
        case "Ccy" -> {
          var at = xml.line();
          var code = xml.text();
          try {
            currency = CurrencyUnit.of(code);
          } catch (IllegalCurrencyException e) {
            reading.wrong(
                at,
                "Ccy \"" + FileAmount.shortened(code) + "\" is not a currency code such as EUR");
          }
        }
        default -> xml.skip();
      }
    }
  }

  private void balance(XmlCursor xml) throws XMLStreamException {
    var at = xml.line();
    var type = "";
    Optional<Money> amount = Optional.empty();
    var debit = false;
    LocalDate day = null;
    while (xml.child()) {
      switch (xml.name()) {
        case "Tp" -> type = typeCode(xml);
        case "Amt" -> amount = CamtAmount.read(xml, reading);
        case "CdtDbtInd" -> debit = "DBIT".equals(xml.text());
        case "Dt" -> day = CamtDate.read(xml, reading);
        default -> xml.skip();
      }
    }
    if (amount.isEmpty() || day == null) {
      if (reading.sound()) {
        reading.odd(at, "a balance of type " + type + " has no amount or no date; passed over");
      }
      return;
    }
    var money = debit ? amount.get().negated() : amount.get();
    agree(money, at);
    balances.add(new BalanceRead(type, day, money));
  }

  /** {@code Tp/CdOrPrtry/Cd} or {@code /Prtry}, and beside it perhaps a sub-type. */
  private static String typeCode(XmlCursor xml) throws XMLStreamException {
    var code = "";
    while (xml.child()) {
      if (xml.name().equals("CdOrPrtry")) {
        code = xml.text();
      } else {
        xml.skip();
      }
    }
    return code;
  }

  /**
   * Opening is the balance of the day before's end (PRCD) or of the day's beginning (OPBD), closing
   * the booked one at the end (CLBD). A page of a longer statement has interim balances (ITBD)
   * instead: the first opens it, the last closes it.
   */
  private void applyBalances(StatementBuilder builder) {
    var opening = first("OPBD").or(() -> first("PRCD"));
    var closing = last("CLBD");
    var interim = balances.stream().filter(b -> b.type().equals("ITBD")).toList();
    if (whole
        && opening.isEmpty()
        && !interim.isEmpty()
        && (closing.isPresent() || interim.size() > 1)) {
      opening = Optional.of(interim.get(0));
    }
    if (whole
        && closing.isEmpty()
        && !interim.isEmpty()
        && (first("OPBD").isPresent() || first("PRCD").isPresent() || interim.size() > 1)) {
      closing = Optional.of(interim.get(interim.size() - 1));
    }
    opening.ifPresent(b -> builder.opening(b.date(), b.amount()));
    closing.ifPresent(b -> builder.closing(b.date(), b.amount()));
  }

  private Optional<BalanceRead> first(String type) {
    return balances.stream().filter(b -> b.type().equals(type)).findFirst();
  }

  private Optional<BalanceRead> last(String type) {
    return balances.stream().filter(b -> b.type().equals(type)).reduce((a, b) -> b);
  }

  private void totals(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "TtlNtries" -> claimed("", xml);
        case "TtlCdtNtries" -> claimed("CRDT", xml);
        case "TtlDbtNtries" -> claimed("DBIT", xml);
        default -> xml.skip();
      }
    }
  }

  private void claimed(String what, XmlCursor xml) throws XMLStreamException {
    var at = xml.line();
    Optional<Integer> count = Optional.empty();
    Optional<BigDecimal> sum = Optional.empty();
    while (xml.child()) {
      switch (xml.name()) {
        case "NbOfNtries" -> {
          var text = xml.text();
          if (text.matches("\\d{1,9}")) {
            count = Optional.of(Integer.valueOf(text));
          } else {
            reading.odd(at, "NbOfNtries \"" + FileAmount.shortened(text) + "\" is not a count");
          }
        }
        case "Sum" -> {
          var text = xml.text();
          try {
            sum = Optional.of(FileAmount.decimal(text));
          } catch (IllegalArgumentException e) {
            reading.odd(at, "Sum " + e.getMessage());
          }
        }
        default -> xml.skip();
      }
    }
    claims.add(new Claimed(what, at, count, sum));
  }

  private void checkClaims(AccountStatement statement) {
    for (var claim : claims) {
      var entries = statement.entries().stream().filter(e -> countsFor(claim.what(), e)).toList();
      var sum =
          entries.stream()
              .map(e -> e.amount().abs())
              .reduce(Money.zero(statement.currency()), Money::plus);
      var of =
          switch (claim.what()) {
            case "CRDT" -> "credit entries";
            case "DBIT" -> "debit entries";
            default -> "entries";
          };
      claim
          .count()
          .filter(c -> c != entries.size())
          .ifPresent(
              c ->
                  reading.odd(
                      claim.line(),
                      "the file claims " + c + " " + of + ", it holds " + entries.size()));
      claim
          .sum()
          .filter(s -> s.compareTo(sum.getAmount()) != 0)
          .ifPresent(
              s ->
                  reading.odd(
                      claim.line(),
                      "the file claims that its "
                          + of
                          + " come to "
                          + s.toPlainString()
                          + ", they come to "
                          + MoneyText.plain(sum)));
    }
  }

  private static boolean countsFor(String what, StatementEntry entry) {
    return switch (what) {
      case "CRDT" -> !entry.amount().isNegative();
      case "DBIT" -> entry.amount().isNegative();
      default -> true;
    };
  }

  private void entry(XmlCursor xml, StatementBuilder builder)
      throws XMLStreamException, BrokenFile {
    var entry =
        new CamtEntry(reading, createdOn, new CamtOwner(builder.account(), owner)).read(xml);
    if (entry.isPresent() && agree(entry.get().amount(), entry.get().line())) {
      builder.add(entry.get());
    }
  }

  /**
   * The currency of the statement is the account's, or of the first amount where that is silent.
   */
  private boolean agree(Money amount, int at) {
    if (currency == null) {
      currency = amount.getCurrencyUnit();
    }
    if (!currency.equals(amount.getCurrencyUnit())) {
      reading.wrong(
          at, "the amount is in " + amount.getCurrencyUnit() + ", the account in " + currency);
      return false;
    }
    return true;
  }
}
