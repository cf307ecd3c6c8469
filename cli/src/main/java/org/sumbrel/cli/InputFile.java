package org.sumbrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.TextOf;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.formats.table.TableProfile;

/** Reads the files that a command is given. */
final class InputFile {

  /** The input is wrong: one line for each problem, as {@code file:line: what is wrong}. */
  static final class Wrong extends Exception {
    private final transient List<String> lines;

    Wrong(List<String> lines) {
      super(String.join("\n", lines));
      this.lines = List.copyOf(lines);
    }

    Wrong(Path file, int line, String what) {
      this(List.of(file + ":" + line + ": " + what));
    }

    List<String> lines() {
      return lines;
    }
  }

  private InputFile() {}

  static byte[] bytes(Path file) throws Wrong {
    try {
      return Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw new Wrong(file, 0, "there is no such file");
    } catch (IOException e) {
      throw new Wrong(file, 0, "cannot be read: " + e.getMessage());
    }
  }

  /** The file, whatever it is. */
  static FileContent read(Path file) throws Wrong {
    return read(file, Optional.empty());
  }

  /**
   * The file, whatever it is.
   *
   * @param currency that counts where the file is silent
   */
  static FileContent read(Path file, Optional<CurrencyUnit> currency) throws Wrong {
    return read(file, () -> AnyFile.read(FileBytes.of(file), currency));
  }

  /** The file, as the table that the profile describes. */
  static FileContent readBy(TableProfile profile, Path file, Optional<CurrencyUnit> currency)
      throws Wrong {
    return read(file, () -> AnyFile.readBy(profile, FileBytes.of(file), new Reading(currency)));
  }

  static TableProfile profile(Path file) throws Wrong {
    return read(file, () -> ProfileYaml.read(TextOf.bytes(Files.readAllBytes(file))));
  }

  @FunctionalInterface
  private interface Reader<T> {
    T read() throws BrokenFile, IOException;
  }

  private static <T> T read(Path file, Reader<T> reader) throws Wrong {
    try {
      if (!Files.exists(file)) {
        throw new Wrong(file, 0, "there is no such file");
      }
      return reader.read();
    } catch (BrokenFile broken) {
      throw new Wrong(
          broken.problems().stream().map(p -> file + ":" + p.line() + ": " + p.message()).toList());
    } catch (IOException e) {
      throw new Wrong(file, 0, "cannot be read: " + e.getMessage());
    }
  }

  /** The file, where it is of one of these formats. */
  static FileContent read(Path file, Format... expected) throws Wrong {
    var content = read(file);
    if (!List.of(expected).contains(content.format())) {
      throw new Wrong(
          file,
          0,
          "this is "
              + content.format().word()
              + ", expected "
              + Stream.of(expected).map(Format::word).collect(Collectors.joining(" or ")));
    }
    return content;
  }
}
