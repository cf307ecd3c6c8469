package org.sumbrel.formats.ofx;

import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.xml.XmlCursor;

/** Goes through OFX 2.x; an element that holds others is an aggregate. */
final class OfxXml {

  private final OfxEvents events;

  OfxXml(OfxEvents events) {
    this.events = events;
  }

  void read(XmlCursor xml) throws XMLStreamException, BrokenFile {
    while (xml.child()) {
      element(xml);
    }
  }

  private void element(XmlCursor xml) throws XMLStreamException, BrokenFile {
    var name = xml.name();
    var line = xml.line();
    var text = xml.textOrChild();
    if (text.isPresent()) {
      if (!text.get().isEmpty()) {
        events.value(name, text.get());
      }
      return;
    }
    events.begin(name, line);
    do {
      element(xml);
    } while (xml.child());
    events.end(name);
  }
}
