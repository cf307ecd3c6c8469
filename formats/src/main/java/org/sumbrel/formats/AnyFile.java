package org.sumbrel.formats;

import java.util.Optional;
import org.sumbrel.formats.csv.CsvFile;
import org.sumbrel.formats.ofx.OfxReader;

/** Reads a file of any known format; the format is recognised by the content, never by the name. */
public final class AnyFile {

  /** The most bytes a file may have; more is refused with a sentence. */
  public static final int MOST_BYTES = 64 * 1024 * 1024;

  private AnyFile() {}

  /**
   * Reads a file whole.
   *
   * @throws BrokenFile where it is of no known format or not a whole file of its format
   */
  public static FileContent read(byte[] bytes) throws BrokenFile {
    if (bytes.length == 0) {
      throw new BrokenFile(0, "the file is empty");
    }
    if (bytes.length > MOST_BYTES) {
      throw new BrokenFile(
          0, "the file has " + bytes.length + " bytes; at most " + MOST_BYTES + " are read");
    }
    if (OfxReader.recognises(bytes)) {
      return OfxReader.read(bytes);
    }
    var text = TextOf.bytes(bytes);
    Optional<CsvFile> csv = CsvFile.recognise(text);
    if (csv.isPresent()) {
      return csv.get().read();
    }
    throw new BrokenFile(
        1,
        "this is neither OFX nor a CSV file whose first line names the columns of a statement, of invoices or of"
            + " customers; it begins with \""
            + beginning(text)
            + "\"");
  }

  private static String beginning(String text) {
    var line = text.lines().findFirst().orElse("");
    return line.length() <= 60 ? line : line.substring(0, 59) + "…";
  }
}
