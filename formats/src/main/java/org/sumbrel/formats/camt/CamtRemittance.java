package org.sumbrel.formats.camt;

import java.util.StringJoiner;
import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.xml.XmlCursor;

/**
 * What a payment is for: free lines as they stand, then structured references, documents with the
 * amounts that go with them, and further words.
 */
final class CamtRemittance {

  private final StringJoiner text = new StringJoiner(" ");

  void read(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "Ustrd" -> add(xml.text());
        case "Strd" -> structured(xml);
        default -> xml.skip();
      }
    }
  }

  private void structured(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "RfrdDocInf" -> document(xml);
        case "RfrdDocAmt" -> amounts(xml);
        case "CdtrRefInf" -> {
          while (xml.child()) {
            if (xml.name().equals("Ref")) {
              add(xml.text());
            } else {
              xml.skip();
            }
          }
        }
        case "AddtlRmtInf" -> add(xml.text());
        default -> xml.skip();
      }
    }
  }

  private void document(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      if (xml.name().equals("Nb")) {
        add(xml.text());
      } else {
        xml.skip();
      }
    }
  }

  private void amounts(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      if (xml.name().equals("RmtdAmt")) {
        add(xml.text());
      } else {
        xml.skip();
      }
    }
  }

  private void add(String words) {
    if (!words.isEmpty()) {
      text.add(words);
    }
  }

  String text() {
    return text.toString();
  }
}
