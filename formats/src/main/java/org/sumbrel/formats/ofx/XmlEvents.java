package org.sumbrel.formats.ofx;

import com.webcohesion.ofx4j.io.OFXHandler;
import com.webcohesion.ofx4j.io.OFXSyntaxException;
import org.xml.sax.Attributes;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * Turns the events of OFX 2.x into OFX events. The library's own handler loses blanks where the
 * parser hands a text over in pieces.
 */
final class XmlEvents extends DefaultHandler {

  private final OFXHandler events;
  private final StringBuilder text = new StringBuilder();

  /** An element that was opened and is an aggregate as soon as another opens inside it. */
  private String opened;

  XmlEvents(OFXHandler events) {
    this.events = events;
  }

  @Override
  public void startElement(String uri, String localName, String name, Attributes attributes)
      throws SAXException {
    try {
      if (opened != null) {
        events.startAggregate(opened);
      }
    } catch (OFXSyntaxException e) {
      throw new SAXException(e);
    }
    opened = name;
    text.setLength(0);
  }

  @Override
  public void characters(char[] piece, int start, int length) {
    text.append(piece, start, length);
  }

  @Override
  public void endElement(String uri, String localName, String name) throws SAXException {
    try {
      if (opened == null) {
        events.endAggregate(name);
      } else if (!text.toString().isBlank()) {
        events.onElement(name, text.toString().strip());
      }
    } catch (OFXSyntaxException e) {
      throw new SAXException(e);
    }
    opened = null;
    text.setLength(0);
  }
}
