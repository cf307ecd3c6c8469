package org.sumbrel.formats.camt;

import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.joda.money.Money;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.xml.XmlCursor;

/**
 * Charges that the bank kept: up to version 03 one element for each, later a total and records.
 * What the total says counts before what the records add up to.
 */
final class CamtCharges {

  private final Reading reading;
  private Money total;
  private Money records;

  CamtCharges(Reading reading) {
    this.reading = reading;
  }

  CamtCharges read(XmlCursor xml) throws XMLStreamException {
    Optional<Money> amount = Optional.empty();
    var credit = false;
    while (xml.child()) {
      switch (xml.name()) {
        case "TtlChrgsAndTaxAmt" -> total = plus(total, CamtAmount.read(xml, reading));
        case "Rcrd" -> record(xml);
        case "Amt" -> amount = CamtAmount.read(xml, reading);
        case "CdtDbtInd" -> credit = "CRDT".equals(xml.text());
        default -> xml.skip();
      }
    }
    records = plus(records, credit ? amount.map(Money::negated) : amount);
    return this;
  }

  private void record(XmlCursor xml) throws XMLStreamException {
    Optional<Money> amount = Optional.empty();
    var credit = false;
    while (xml.child()) {
      switch (xml.name()) {
        case "Amt" -> amount = CamtAmount.read(xml, reading);
        case "CdtDbtInd" -> credit = "CRDT".equals(xml.text());
        default -> xml.skip();
      }
    }
    records = plus(records, credit ? amount.map(Money::negated) : amount);
  }

  /** The charges in the entry's currency; zero where they are in another. */
  Money sum(Money entry) {
    var sum = total == null ? records : total;
    return sum == null || !sum.getCurrencyUnit().equals(entry.getCurrencyUnit())
        ? Money.zero(entry.getCurrencyUnit())
        : sum;
  }

  private static Money plus(Money before, Optional<Money> more) {
    if (more.isEmpty()) {
      return before;
    }
    return before == null || !before.getCurrencyUnit().equals(more.get().getCurrencyUnit())
        ? more.get()
        : before.plus(more.get());
  }
}
