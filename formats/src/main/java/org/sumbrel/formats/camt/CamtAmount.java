package org.sumbrel.formats.camt;

import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.xml.XmlCursor;

/** Amounts with their currency, as {@code <Amt Ccy="EUR">12.30</Amt>}; never negative. */
final class CamtAmount {

  private CamtAmount() {}

  /** The amount, or empty where it cannot be read, which the reading knows then. */
  static Optional<Money> read(XmlCursor xml, Reading reading) throws XMLStreamException {
    var line = xml.line();
    var code = xml.attribute("Ccy");
    var text = xml.text();
    try {
      var amount = FileAmount.parse(text, CurrencyUnit.of(code));
      if (amount.isNegative()) {
        reading.wrong(line, "the amount " + text + " is negative; CdtDbtInd gives the direction");
        return Optional.empty();
      }
      return Optional.of(amount);
    } catch (IllegalCurrencyException e) {
      reading.wrong(
          line, "Ccy \"" + FileAmount.shortened(code) + "\" is not a currency code such as EUR");
    } catch (IllegalArgumentException e) {
      reading.wrong(line, "the amount " + e.getMessage());
    }
    return Optional.empty();
  }
}
