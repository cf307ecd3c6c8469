package org.sumbrel.formats.ofx;

import com.webcohesion.ofx4j.io.OFXHandler;
import com.webcohesion.ofx4j.io.OFXSyntaxException;
import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.xml.XmlCursor;

/** Turns an OFX 2.x document into OFX events; an element that holds others is an aggregate. */
final class XmlEvents {

  private final OFXHandler events;

  XmlEvents(OFXHandler events) {
    this.events = events;
  }

  void read(XmlCursor xml) throws XMLStreamException, BrokenFile {
    try {
      while (xml.child()) {
        element(xml);
      }
    } catch (OFXSyntaxException e) {
      if (e.getCause() instanceof BrokenFile broken) {
        throw broken;
      }
      throw new BrokenFile(xml.line(), "not well-formed OFX: " + e.getMessage());
    }
  }

  private void element(XmlCursor xml) throws XMLStreamException, OFXSyntaxException {
    var name = xml.name();
    var text = xml.textOrChild();
    if (text.isPresent()) {
      if (!text.get().isEmpty()) {
        events.onElement(name, text.get());
      }
      return;
    }
    events.startAggregate(name);
    do {
      element(xml);
    } while (xml.child());
    events.endAggregate(name);
  }
}
