package org.sumbrel.formats;

import java.io.IOException;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.sumbrel.formats.bai2.Bai2Reader;
import org.sumbrel.formats.camt.CamtReader;
import org.sumbrel.formats.csv.CsvFile;
import org.sumbrel.formats.mt.MtReader;
import org.sumbrel.formats.ofx.OfxReader;

/** Reads a file of any known format; the format is recognised by the content, never by the name. */
public final class AnyFile {

  /** The most bytes a file may have that is read as a stream. */
  public static final long MOST_BYTES = 512L * 1024 * 1024;

  /** The most bytes a file may have that is read as one text. */
  public static final int MOST_BYTES_OF_TEXT = 64 * 1024 * 1024;

  private AnyFile() {}

  /**
   * Reads a file whole.
   *
   * @throws BrokenFile where it is of no known format or not a whole file of its format
   */
  public static FileContent read(byte[] bytes) throws BrokenFile {
    return read(FileBytes.of(bytes), Optional.empty());
  }

  /**
   * Reads a file whole.
   *
   * @param currency of the account it is for, where somebody said which; counts where the file is
   *     silent
   * @throws BrokenFile where it is of no known format or not a whole file of its format
   */
  public static FileContent read(FileBytes file, Optional<CurrencyUnit> currency)
      throws BrokenFile {
    try {
      requireSize(file.size(), MOST_BYTES);
      var reading = new Reading(currency);
      var format = Recognition.of(file.head(Recognition.HEAD));
      if (format.isEmpty()) {
        return table(file, reading);
      }
      return switch (format.get()) {
        case CAMT_052, CAMT_053, CAMT_054 -> CamtReader.read(file, reading);
        case BAI2 -> Bai2Reader.read(file, reading);
        case MT940, MT942 -> MtReader.read(TextOf.bytes(whole(file)), reading);
        case OFX -> OfxReader.read(whole(file), reading);
        default -> throw notYet(format.get());
      };
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }

  private static void requireSize(long size, long most) throws BrokenFile {
    if (size == 0) {
      throw new BrokenFile(0, "the file is empty");
    }
    if (size > most) {
      throw new BrokenFile(0, "the file has %,d bytes; at most %,d are read".formatted(size, most));
    }
  }

  private static byte[] whole(FileBytes file) throws IOException, BrokenFile {
    requireSize(file.size(), MOST_BYTES_OF_TEXT);
    try (var in = file.open()) {
      return in.readAllBytes();
    }
  }

  private static FileContent table(FileBytes file, Reading reading) throws IOException, BrokenFile {
    var text = TextOf.bytes(whole(file));
    var csv = CsvFile.recognise(text);
    if (csv.isEmpty()) {
      throw new BrokenFile(1, CsvFile.whatIsMissing(text));
    }
    if (!csv.get().format().readable()) {
      throw notYet(csv.get().format());
    }
    return csv.get().read(reading);
  }

  private static BrokenFile notYet(Format format) {
    return new BrokenFile(
        0, "this is " + format.described() + ", which is recognised but cannot be read yet");
  }
}
