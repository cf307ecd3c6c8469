package org.sumbrel.formats.xml;

import com.ctc.wstx.stax.WstxOutputFactory;
import java.io.OutputStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes XML in UTF-8, element by element. */
public final class XmlText {

  private final XMLStreamWriter xml;

  /**
   * @throws XMLStreamException where the stream takes nothing
   */
  public XmlText(OutputStream out) throws XMLStreamException {
    xml = new WstxOutputFactory().createXMLStreamWriter(out, "UTF-8");
    xml.writeStartDocument("UTF-8", "1.0");
    xml.writeCharacters("\n");
  }

  /** A processing instruction before the root. */
  public XmlText instruction(String target, String words) throws XMLStreamException {
    xml.writeProcessingInstruction(target, words);
    xml.writeCharacters("\n");
    return this;
  }

  public XmlText open(String name) throws XMLStreamException {
    xml.writeStartElement(name);
    return this;
  }

  /** The root in its namespace. */
  public XmlText openRoot(String name, String namespace) throws XMLStreamException {
    xml.setDefaultNamespace(namespace);
    xml.writeStartElement(name);
    xml.writeDefaultNamespace(namespace);
    return this;
  }

  public XmlText close() throws XMLStreamException {
    xml.writeEndElement();
    return this;
  }

  /** An element with a text; nothing where the text is empty. */
  public XmlText leaf(String name, String text) throws XMLStreamException {
    if (!text.isEmpty()) {
      xml.writeStartElement(name);
      xml.writeCharacters(allowed(text));
      xml.writeEndElement();
    }
    return this;
  }

  /** An element with one attribute and a text. */
  public XmlText leaf(String name, String attribute, String value, String text)
      throws XMLStreamException {
    xml.writeStartElement(name);
    xml.writeAttribute(attribute, value);
    xml.writeCharacters(allowed(text));
    xml.writeEndElement();
    return this;
  }

  /** For reading by eye. */
  public XmlText newLine() throws XMLStreamException {
    xml.writeCharacters("\n");
    return this;
  }

  public void end() throws XMLStreamException {
    xml.writeEndDocument();
    xml.close();
  }

  /** The text with a blank in place of what XML 1.0 cannot hold. */
  private static String allowed(String text) {
    StringBuilder changed = null;
    for (var i = 0; i < text.length(); i++) {
      var c = text.charAt(i);
      var pair =
          Character.isHighSurrogate(c)
                  && i + 1 < text.length()
                  && Character.isLowSurrogate(text.charAt(i + 1))
              || Character.isLowSurrogate(c)
                  && i > 0
                  && Character.isHighSurrogate(text.charAt(i - 1));
      var fine =
          c >= ' ' && c < 0xD800 || c == '\t' || c == '\n' || pair || c >= 0xE000 && c < 0xFFFE;
      if (!fine) {
        changed = changed == null ? new StringBuilder(text) : changed;
        changed.setCharAt(i, ' ');
      }
    }
    return changed == null ? text : changed.toString();
  }
}
