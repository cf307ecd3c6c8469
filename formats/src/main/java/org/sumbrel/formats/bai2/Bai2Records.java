package org.sumbrel.formats.bai2;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.TextOf;

/** The records of a file, one after the other, each joined with its continuations (88). */
final class Bai2Records implements AutoCloseable {

  private static final int LONGEST_LINE = 10_000;
  private static final int LONGEST_RECORD = 100_000;
  private static final String CONTINUATION = "88";

  private final InputStream in;
  private final Reading reading;
  private final byte[] buffer = new byte[LONGEST_LINE];
  private int number;
  private int records;
  private String ahead;

  Bai2Records(FileBytes file, Reading reading) throws BrokenFile {
    this.reading = reading;
    try {
      in = new BufferedInputStream(file.open(), 1 << 16);
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }

  /** The next record, or empty at the end. */
  Optional<Bai2Record> next() throws BrokenFile {
    var first = ahead == null ? line() : ahead;
    ahead = null;
    if (first == null) {
      return Optional.empty();
    }
    var line = number;
    var before = records;
    records++;
    var text = new StringBuilder();
    var open = append(text, first);
    for (ahead = line(); ahead != null && ahead.startsWith(CONTINUATION); ahead = line()) {
      records++;
      // a record that ended with a slash goes on with a field, one that did not, with its text
      text.append(open ? " " : "," + Bai2Record.JOINT);
      open = append(text, ahead.length() > 3 ? ahead.substring(3) : "");
      if (text.length() > LONGEST_RECORD) {
        throw new BrokenFile(
            line,
            "the record has more than " + LONGEST_RECORD + " characters with its continuations");
      }
    }
    List<String> fields = new ArrayList<>(Arrays.asList(text.toString().split(",", -1)));
    return Optional.of(new Bai2Record(fields, line, before, records));
  }

  /** Adds a line without the slash that ends it; whether there was none. */
  private static boolean append(StringBuilder text, String line) {
    var ended = line.endsWith("/");
    text.append(line, 0, ended ? line.length() - 1 : line.length());
    return !ended;
  }

  /** The next line that is not empty, without the blanks after it, or null at the end. */
  private String line() throws BrokenFile {
    try {
      while (true) {
        var length = 0;
        int next;
        while ((next = in.read()) >= 0 && next != '\n' && next != '\r') {
          if (length == LONGEST_LINE) {
            throw new BrokenFile(
                number + 1,
                "a line of more than " + LONGEST_LINE + " characters is no record of BAI2");
          }
          buffer[length++] = (byte) next;
        }
        if (next < 0 && length == 0) {
          return null;
        }
        if (next == '\r') {
          in.mark(1);
          if (in.read() != '\n') {
            in.reset();
          }
        }
        number++;
        var bytes = Arrays.copyOf(buffer, length);
        var charset = TextOf.charset(bytes);
        var line = TextOf.bytes(bytes, charset).strip();
        TextOf.reportDoubts(line, charset, number, reading);
        if (!line.isEmpty()) {
          return line;
        }
      }
    } catch (IOException e) {
      throw new BrokenFile(number, "cannot be read: " + e.getMessage());
    }
  }

  @Override
  public void close() throws BrokenFile {
    try {
      in.close();
    } catch (IOException e) {
      throw new BrokenFile(number, "cannot be closed: " + e.getMessage());
    }
  }
}
