package org.sumbrel.formats;

import java.io.IOException;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.sumbrel.formats.bai2.Bai2Reader;
import org.sumbrel.formats.camt.CamtReader;
import org.sumbrel.formats.lockbox.BaiLockboxReader;
import org.sumbrel.formats.mt.MtReader;
import org.sumbrel.formats.ofx.OfxReader;
import org.sumbrel.formats.table.Partly;
import org.sumbrel.formats.table.TableFile;
import org.sumbrel.formats.table.TableProfile;
import org.sumbrel.formats.ubl.UblReader;
import org.sumbrel.formats.x12.LockboxReader;
import org.sumbrel.formats.x12.RemittanceReader;

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
    return read(file, new Reading(currency), List.of());
  }

  /**
   * Reads a file whole.
   *
   * @param reading with the currency of the account, where somebody said which
   * @param profiles among which a table is read by the one of its headings
   * @throws BrokenFile where it is of no known format or not a whole file of its format
   */
  public static FileContent read(FileBytes file, Reading reading, Collection<TableProfile> profiles)
      throws BrokenFile {
    try {
      requireSize(file.size(), MOST_BYTES);
      var head = file.head(Recognition.HEAD);
      if (Recognition.isArchive(head)) {
        return TableFile.of(whole(file), reading).read(profiles, reading);
      }
      var format = Recognition.of(head);
      if (format.isEmpty()) {
        return TableFile.of(whole(file), reading).read(profiles, reading);
      }
      return switch (format.get()) {
        case CAMT_052, CAMT_053, CAMT_054 -> CamtReader.read(file, reading);
        case BAI2 -> Bai2Reader.read(file, reading);
        case MT940, MT942 ->
            MtReader.read(TextOf.withLineFeeds(TextOf.bytes(whole(file), reading)), reading);
        case OFX -> OfxReader.read(whole(file), reading);
        case UBL_INVOICE, UBL_CREDIT_NOTE -> UblReader.read(file, format.get(), reading);
        case X12_820 -> {
          requireSize(file.size(), MOST_BYTES_OF_TEXT);
          yield RemittanceReader.read(file, reading);
        }
        case X12_823 -> {
          requireSize(file.size(), MOST_BYTES_OF_TEXT);
          yield LockboxReader.read(file, reading);
        }
        case LOCKBOX_BAI -> {
          requireSize(file.size(), MOST_BYTES_OF_TEXT);
          yield BaiLockboxReader.read(file, reading);
        }
        default -> throw BrokenFile.notYet(format.get());
      };
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }

  /**
   * Reads a table whole by one profile, whatever else it might be taken for.
   *
   * @throws BrokenFile where the profile does not fit, or a row cannot be read
   */
  public static FileContent readBy(TableProfile profile, FileBytes file, Reading reading)
      throws BrokenFile {
    try {
      return TableFile.of(whole(file), reading).readBy(profile, reading);
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }

  /**
   * Reads the rows of a table that can be read and gives the others back; any other file is read
   * whole.
   *
   * @param profile by which the table is to be read, or empty where its headings tell
   * @param profiles among which it is then looked up
   * @return empty where the file is no table
   * @throws BrokenFile where the file as a whole cannot be read, or none of its rows
   */
  public static Optional<Partly> readAround(
      FileBytes file,
      Optional<TableProfile> profile,
      Reading reading,
      Collection<TableProfile> profiles)
      throws BrokenFile {
    try {
      requireSize(file.size(), MOST_BYTES);
      var head = file.head(Recognition.HEAD);
      if (!Recognition.isArchive(head) && Recognition.of(head).isPresent()) {
        return Optional.empty();
      }
      var table = TableFile.of(whole(file), reading);
      return Optional.of(
          profile.isPresent()
              ? table.readAroundBy(profile.get(), reading)
              : table.readAround(profiles, reading));
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
}
