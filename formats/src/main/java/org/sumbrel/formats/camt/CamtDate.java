package org.sumbrel.formats.camt;

import java.time.DateTimeException;
import java.time.LocalDate;
import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.xml.XmlCursor;

/** Days, as {@code <Dt>} or {@code <DtTm>}; the day counts as it is written. */
final class CamtDate {

  private CamtDate() {}

  /** The day, or null where it cannot be read, which the reading knows then. */
  static LocalDate read(XmlCursor xml, Reading reading) throws XMLStreamException {
    var at = xml.line();
    var text = xml.text();
    try {
      return FileDate.iso(text);
    } catch (DateTimeException e) {
      reading.wrong(at, "\"" + FileAmount.shortened(text) + "\" is not a date such as 2026-05-29");
      return null;
    }
  }
}
