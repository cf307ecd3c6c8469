package org.sumbrel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** A backup goes into an empty folder, whole or not at all. */
class RestoreCommandTest {

  @TempDir private Path folder;
  private final StringWriter told = new StringWriter();

  private int restore(Path file, Path data) {
    return new CommandLine(new RestoreCommand())
        .setOut(new PrintWriter(told, true))
        .setErr(new PrintWriter(told, true))
        .execute(file.toString(), "--data", data.toString());
  }

  private Path zip(String name, String content) throws IOException {
    var file = folder.resolve("backup.zip");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(name));
      zip.write(content.getBytes(StandardCharsets.US_ASCII));
    }
    return file;
  }

  @Test
  void putsTheDatabaseIntoAnEmptyFolder() throws IOException {
    var data = folder.resolve("new/data");

    assertThat(restore(zip("sumbrel.mv.db", "H:2,block:7"), data)).isZero();

    assertThat(data.resolve("sumbrel.mv.db")).hasContent("H:2,block:7");
    assertThat(told.toString()).contains("Restored 11 bytes");
  }

  @Test
  void touchesNoFolderThatIsInUse() throws IOException {
    var data = Files.createDirectory(folder.resolve("data"));
    Files.writeString(data.resolve("sumbrel.mv.db"), "H:2 ours");

    assertThat(restore(zip("sumbrel.mv.db", "H:2,block:7"), data)).isEqualTo(1);

    assertThat(data.resolve("sumbrel.mv.db")).hasContent("H:2 ours");
    assertThat(told.toString()).contains("not empty; nothing was touched");
  }

  @Test
  void leavesNothingOfWhatIsNoBackup() throws IOException {
    var data = folder.resolve("data");

    assertThat(restore(zip("other.txt", "H:2"), data)).isEqualTo(1);
    assertThat(restore(zip("sumbrel.mv.db", "not a database"), data)).isEqualTo(1);
    var cut = folder.resolve("cut.zip");
    Files.write(cut, new byte[] {'P', 'K', 3, 4, 0});
    assertThat(restore(cut, data)).isEqualTo(1);
    assertThat(restore(folder.resolve("none.zip"), data)).isEqualTo(1);

    assertThat(data).isEmptyDirectory();
    assertThat(told.toString())
        .contains("holds no sumbrel.mv.db", "no database", "cut off", "no such file");
  }

  @Test
  void writesNothingOutsideOfTheFolder() throws IOException {
    assertThat(restore(zip("../sumbrel.mv.db", "H:2"), folder.resolve("data"))).isEqualTo(1);
    assertThat(folder.resolve("sumbrel.mv.db")).doesNotExist();
  }
}
