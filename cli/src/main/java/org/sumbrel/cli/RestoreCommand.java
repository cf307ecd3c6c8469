package org.sumbrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.concurrent.Callable;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code sumbrel restore}: puts a backup into an empty data folder. */
@Command(
    name = "restore",
    description =
        "Puts a backup into an empty data folder, from which the application then starts.",
    mixinStandardHelpOptions = true)
final class RestoreCommand implements Callable<Integer> {

  private static final String DATABASE = "sumbrel.mv.db";

  /** How a database file of H2 begins. */
  private static final byte[] BEGINNING = "H:2".getBytes(StandardCharsets.US_ASCII);

  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "FILE", description = "the backup")
  private Path file;

  @Option(
      names = "--data",
      paramLabel = "DIR",
      required = true,
      description = "the data folder; it is made, or must be empty")
  private Path data;

  @Override
  public Integer call() {
    try {
      var restored = restore();
      spec.commandLine()
          .getOut()
          .println("Restored " + restored + " bytes into " + data.resolve(DATABASE) + ".");
      return 0;
    } catch (Refused e) {
      return refused(e.getMessage());
    } catch (ZipException e) {
      return refused(file + ": this is no backup, or it was cut off: " + e.getMessage());
    } catch (IOException e) {
      return refused(file + ": cannot be restored: " + e.getMessage());
    }
  }

  private int refused(String why) {
    spec.commandLine().getErr().println(why);
    return 1;
  }

  /** Why nothing was restored. */
  private static final class Refused extends IOException {
    private static final long serialVersionUID = 1;

    Refused(String why) {
      super(why);
    }
  }

  /** Whole or not at all: the database gets its name only when all of it is there. */
  private long restore() throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new Refused(file + ": there is no such file");
    }
    Files.createDirectories(data);
    try (var there = Files.list(data)) {
      if (there.findAny().isPresent()) {
        throw new Refused(data + ": the folder is not empty; nothing was touched");
      }
    }
    try (var zip = new ZipFile(file.toFile())) {
      var entry = zip.getEntry(DATABASE);
      if (entry == null) {
        throw new Refused(file + ": this is no backup of Sumbrel: it holds no " + DATABASE);
      }
      var partly = data.resolve(DATABASE + ".partly");
      try (var in = zip.getInputStream(entry)) {
        var written = Files.copy(in, partly);
        if (!beginsLikeDatabase(partly)) {
          throw new Refused(file + ": what it holds is no database");
        }
        Files.move(partly, data.resolve(DATABASE), StandardCopyOption.ATOMIC_MOVE);
        return written;
      } finally {
        Files.deleteIfExists(partly);
      }
    }
  }

  private static boolean beginsLikeDatabase(Path written) throws IOException {
    try (var in = Files.newInputStream(written)) {
      return Arrays.equals(in.readNBytes(BEGINNING.length), BEGINNING);
    }
  }
}
