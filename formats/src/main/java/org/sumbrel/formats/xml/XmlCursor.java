package org.sumbrel.formats.xml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;

/**
 * Goes through an XML document element by element, as a stream. No document type is read, nothing
 * is fetched, depth, counts and lengths are limited.
 *
 * <p>Whoever stands in an element calls {@link #child} until it answers false, and for each child
 * either {@link #text}, {@link #skip} or another round of {@code child}.
 */
public final class XmlCursor {

  /** The deepest elements stand within each other. */
  public static final int DEEPEST = 64;

  /** The longest text of one element, in characters. */
  public static final int LONGEST_TEXT = 1_000_000;

  private static final int MOST_ATTRIBUTES = 100;
  private static final long MOST_ELEMENTS = 200_000_000L;
  private static final XMLInputFactory FACTORY = factory();

  private final XMLStreamReader xml;

  /** What is done with the document. */
  @FunctionalInterface
  public interface Visit {
    void visit(XmlCursor cursor) throws XMLStreamException, BrokenFile;
  }

  private XmlCursor(XMLStreamReader xml) {
    this.xml = xml;
  }

  private static XMLInputFactory factory() {
    var factory = new WstxInputFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
    factory.setProperty(XMLInputFactory.IS_NAMESPACE_AWARE, true);
    // else broken text would show only when it is used, as another kind of failure
    factory.getConfig().doParseLazily(false);
    factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, DEEPEST);
    factory.setProperty(WstxInputProperties.P_MAX_TEXT_LENGTH, LONGEST_TEXT);
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, LONGEST_TEXT);
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTES_PER_ELEMENT, MOST_ATTRIBUTES);
    factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_COUNT, MOST_ELEMENTS);
    return factory;
  }

  /** A reader with the same settings, for whoever only passes over the events. */
  public static XMLStreamReader bare(InputStream in) throws XMLStreamException {
    return FACTORY.createXMLStreamReader(in);
  }

  /**
   * Visits the document.
   *
   * @throws BrokenFile with line and reason where it is not well-formed, has a document type or
   *     goes beyond a limit
   */
  public static void through(FileBytes file, Visit visit) throws BrokenFile {
    try (var in = file.open()) {
      var xml = FACTORY.createXMLStreamReader(in);
      try {
        visit.visit(new XmlCursor(xml));
      } finally {
        xml.close();
      }
    } catch (XMLStreamException e) {
      throw new BrokenFile(
          e.getLocation() == null ? 0 : Math.max(0, e.getLocation().getLineNumber()),
          "not well-formed XML: " + reason(e));
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }

  private static String reason(XMLStreamException e) {
    var message = e.getMessage() == null ? "it breaks off" : e.getMessage();
    var place = message.indexOf("\n at [");
    var text = (place < 0 ? message : message.substring(0, place)).replace('\n', ' ').strip();
    return text.length() <= 300 ? text : text.substring(0, 299) + "…";
  }

  /**
   * Goes to the next child of the element; at first to the root.
   *
   * @return false where there is no further one, standing on the element's end then
   */
  public boolean child() throws XMLStreamException {
    while (true) {
      switch (xml.next()) {
        case XMLStreamConstants.START_ELEMENT -> {
          return true;
        }
        case XMLStreamConstants.END_ELEMENT, XMLStreamConstants.END_DOCUMENT -> {
          return false;
        }
        case XMLStreamConstants.DTD -> throw documentType();
        case XMLStreamConstants.ENTITY_REFERENCE -> throw entity();
        default -> {}
      }
    }
  }

  private XMLStreamException documentType() {
    return new XMLStreamException(
        "a document type declaration is not read; remove it", xml.getLocation());
  }

  private XMLStreamException entity() {
    return new XMLStreamException(
        "the entity \"" + xml.getLocalName() + "\" is not one of XML's own", xml.getLocation());
  }

  /** The element's name without its prefix. */
  public String name() {
    return xml.getLocalName();
  }

  /** The namespace of the element, or empty. */
  public String namespace() {
    var uri = xml.getNamespaceURI();
    return uri == null ? "" : uri;
  }

  public String attribute(String name) {
    var value = xml.getAttributeValue(null, name);
    return value == null ? "" : value;
  }

  public int line() {
    return xml.getLocation().getLineNumber();
  }

  /**
   * All text of the element and of what stands in it, without the blanks around it; goes past it.
   */
  public String text() throws XMLStreamException {
    String only = null;
    StringBuilder several = null;
    var open = 1;
    while (open > 0) {
      switch (xml.next()) {
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
          if (only == null) {
            only = xml.getText();
          } else {
            several = several == null ? new StringBuilder(only) : several;
            several.append(xml.getText());
            if (several.length() > LONGEST_TEXT) {
              throw new XMLStreamException(
                  "a text has more than " + LONGEST_TEXT + " characters", xml.getLocation());
            }
          }
        }
        case XMLStreamConstants.START_ELEMENT -> open++;
        case XMLStreamConstants.END_ELEMENT -> open--;
        case XMLStreamConstants.ENTITY_REFERENCE -> throw entity();
        default -> {}
      }
    }
    if (several != null) {
      return several.toString().strip();
    }
    return only == null ? "" : only.strip();
  }

  /**
   * The element's text, going past it; or empty where it holds elements, standing on the first of
   * them then.
   */
  public Optional<String> textOrChild() throws XMLStreamException {
    var text = new StringBuilder();
    while (true) {
      switch (xml.next()) {
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> text.append(xml.getText());
        case XMLStreamConstants.START_ELEMENT -> {
          return Optional.empty();
        }
        case XMLStreamConstants.END_ELEMENT -> {
          return Optional.of(text.toString().strip());
        }
        case XMLStreamConstants.ENTITY_REFERENCE -> throw entity();
        default -> {}
      }
    }
  }

  /** Goes past the element with all that stands in it. */
  public void skip() throws XMLStreamException {
    var open = 1;
    while (open > 0) {
      switch (xml.next()) {
        case XMLStreamConstants.START_ELEMENT -> open++;
        case XMLStreamConstants.END_ELEMENT -> open--;
        default -> {}
      }
    }
  }
}
