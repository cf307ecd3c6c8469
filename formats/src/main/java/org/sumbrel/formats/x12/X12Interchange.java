package org.sumbrel.formats.x12;

import io.xlate.edi.stream.EDIInputFactory;
import io.xlate.edi.stream.EDIStreamException;
import io.xlate.edi.stream.EDIStreamReader;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Reading;

/**
 * The transaction sets of an X12 interchange, cut into segments and elements. The envelope is held
 * against its own counts and control numbers.
 */
final class X12Interchange {

  private static final int LONGEST_ELEMENT = 10_000;
  private static final int MOST_ELEMENTS = 200;

  private final Reading reading;
  private final List<List<X12Segment>> transactions = new ArrayList<>();
  private List<X12Segment> transaction;
  private List<String> elements = new ArrayList<>();
  private boolean closed;
  private int position;

  private X12Interchange(Reading reading) {
    this.reading = reading;
  }

  /**
   * Reads the interchange.
   *
   * @return the segments of each transaction set, {@code ST} and {@code SE} included
   * @throws BrokenFile where it is none, or was cut off
   */
  static List<List<X12Segment>> read(FileBytes file, Reading reading) throws BrokenFile {
    var interchange = new X12Interchange(reading);
    try (var in = file.open();
        var edi = EDIInputFactory.newFactory().createEDIStreamReader(in)) {
      while (edi.hasNext()) {
        edi.next();
        interchange.event(edi);
      }
    } catch (EDIStreamException e) {
      throw new BrokenFile(
          e.getLocation() == null ? 0 : Math.max(0, e.getLocation().getLineNumber()),
          "not a whole X12 interchange, behind segment "
              + interchange.position
              + ": "
              + firstLine(e.getMessage()));
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
    if (!interchange.closed) {
      throw new BrokenFile(0, "the interchange has no IEA at its end; the file was cut off");
    }
    return interchange.transactions;
  }

  private static String firstLine(String message) {
    return message == null ? "" : message.lines().findFirst().orElse("");
  }

  private void event(EDIStreamReader edi) throws BrokenFile {
    var location = edi.getLocation();
    switch (edi.getEventType()) {
      case START_TRANSACTION -> transaction = new ArrayList<>();
      case START_SEGMENT -> {
        position++;
        reading.record(location.getLineNumber());
        elements = new ArrayList<>();
      }
      case ELEMENT_DATA -> element(edi);
      case END_SEGMENT -> {
        if (transaction != null) {
          transaction.add(
              new X12Segment(
                  location.getSegmentTag(), elements, location.getLineNumber(), position));
        }
      }
      case END_TRANSACTION -> {
        transactions.add(transaction);
        transaction = null;
      }
      case END_INTERCHANGE -> closed = true;
      case SEGMENT_ERROR, ELEMENT_OCCURRENCE_ERROR, ELEMENT_DATA_ERROR ->
          reading.odd(
              location.getLineNumber(),
              "segment "
                  + position
                  + " ("
                  + location.getSegmentTag()
                  + ") contradicts the envelope: "
                  + edi.getErrorType().name().toLowerCase(Locale.ROOT).replace('_', ' '));
      default -> {
        // the beginning and end of interchange, group and loops tell nothing more
      }
    }
  }

  private void element(EDIStreamReader edi) throws BrokenFile {
    var location = edi.getLocation();
    var at = location.getElementPosition();
    var before = at <= elements.size() ? elements.get(at - 1) : "";
    var text = before.isEmpty() ? edi.getText() : before + ":" + edi.getText();
    if (text.length() > LONGEST_ELEMENT || at > MOST_ELEMENTS) {
      throw new BrokenFile(
          location.getLineNumber(),
          "segment "
              + position
              + " has more than "
              + MOST_ELEMENTS
              + " elements, or one of more than "
              + LONGEST_ELEMENT
              + " characters");
    }
    while (elements.size() < at) {
      elements.add("");
    }
    elements.set(at - 1, text);
  }
}
