package org.sumbrel.formats.camt;

import java.math.BigDecimal;
import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.joda.money.Money;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.Exchange;
import org.sumbrel.formats.xml.XmlCursor;

/** Reads one {@code TxDtls}. */
final class CamtTransaction {

  private static final String NOT_GIVEN = "NOTPROVIDED";

  private final Reading reading;
  private final CamtParty parties = new CamtParty();
  private final CamtRemittance remittance = new CamtRemittance();

  private Money amount;
  private Money transactionAmount;
  private Money instructed;
  private String direction = "";
  private String reference = "";
  private String clearing = "";
  private String endToEnd = "";
  private String checkNumber = "";
  private String additional = "";
  private String source = "";
  private String target = "";
  private String unit = "";
  private BigDecimal rate;
  private CamtCharges charges;

  CamtTransaction(Reading reading) {
    this.reading = reading;
  }

  CamtTransaction read(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "Refs" -> references(xml);
        case "Amt" -> amount = CamtAmount.read(xml, reading).orElse(null);
        case "CdtDbtInd" -> direction = xml.text();
        case "AmtDtls" -> amounts(xml);
        case "Chrgs" -> charges = (charges == null ? new CamtCharges(reading) : charges).read(xml);
        case "RltdPties" -> parties.read(xml);
        case "RmtInf" -> remittance.read(xml);
        case "AddtlTxInf" -> additional = xml.text();
        default -> xml.skip();
      }
    }
    return this;
  }

  private void references(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "AcctSvcrRef" -> reference = xml.text();
        case "ClrSysRef" -> clearing = xml.text();
        case "EndToEndId" -> {
          var text = xml.text();
          endToEnd = text.equals(NOT_GIVEN) ? "" : text;
        }
        case "ChqNb" -> checkNumber = xml.text();
        default -> xml.skip();
      }
    }
  }

  private void amounts(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "InstdAmt" -> instructed = inner(xml);
        case "TxAmt" -> transactionAmount = inner(xml);
        case "CntrValAmt" -> inner(xml);
        default -> xml.skip();
      }
    }
  }

  private Money inner(XmlCursor xml) throws XMLStreamException {
    Money found = null;
    while (xml.child()) {
      switch (xml.name()) {
        case "Amt" -> found = CamtAmount.read(xml, reading).orElse(null);
        case "CcyXchg" -> exchange(xml);
        default -> xml.skip();
      }
    }
    return found;
  }

  private void exchange(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "SrcCcy" -> source = xml.text();
        case "TrgtCcy" -> target = xml.text();
        case "UnitCcy" -> unit = xml.text();
        case "XchgRate" -> {
          var line = xml.line();
          try {
            rate = FileAmount.decimal(xml.text());
          } catch (IllegalArgumentException e) {
            reading.odd(line, "XchgRate " + e.getMessage());
          }
        }
        default -> xml.skip();
      }
    }
  }

  /**
   * @param entry the entry's signed amount
   * @param credit whether the entry brings money
   * @param reversal whether it takes an earlier movement back
   * @param owner of the account
   * @param only whether it is the entry's only transaction
   */
  EntryDetail detail(Money entry, boolean credit, boolean reversal, CamtOwner owner, boolean only) {
    // a reversal moves the money back: the other side is still who it was the first time
    var payerIsDebtor = reversal ? parties.payerOfReversalIsDebtor(!credit, owner) : credit;
    var text = remittance.text();
    return new EntryDetail(
        amount(entry, only),
        payerIsDebtor ? parties.debtor : parties.creditor,
        payerIsDebtor ? parties.debtorAccount : parties.creditorAccount,
        payerIsDebtor ? parties.ultimateDebtor : parties.ultimateCreditor,
        text.isEmpty() ? additional : text,
        reference.isEmpty() ? clearing : reference,
        endToEnd,
        checkNumber,
        charges == null ? Money.zero(entry.getCurrencyUnit()) : charges.sum(entry),
        exchangeOf(entry));
  }

  /** In a batch of debits one may go the other way, which its own direction says. */
  private Optional<Money> amount(Money entry, boolean only) {
    var found = amount != null ? amount : inCurrencyOf(entry, transactionAmount);
    if (found == null) {
      return only ? Optional.of(entry) : Optional.empty();
    }
    var negative = direction.isEmpty() ? entry.isNegative() : direction.equals("DBIT");
    return Optional.of(negative ? found.negated() : found);
  }

  private static Money inCurrencyOf(Money entry, Money amount) {
    return amount != null && amount.getCurrencyUnit().equals(entry.getCurrencyUnit())
        ? amount
        : null;
  }

  private Optional<Exchange> exchangeOf(Money entry) {
    var foreign =
        instructed != null && !instructed.getCurrencyUnit().equals(entry.getCurrencyUnit());
    return foreign || rate != null
        ? Optional.of(
            new Exchange(
                Optional.ofNullable(instructed), source, target, unit, Optional.ofNullable(rate)))
        : Optional.empty();
  }
}
