package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the watched folder claims, and what it leaves alone. */
class InboxTest {

  @TempDir private Path folder;
  private Inbox inbox;

  @BeforeEach
  void open() throws IOException {
    inbox = new Inbox(folder);
    inbox.open();
  }

  private List<String> claim() throws IOException {
    return names(inbox.claim(Instant.now()));
  }

  private static List<String> names(List<Path> files) {
    return files.stream().map(f -> f.getFileName().toString()).toList();
  }

  @Test
  void leavesAFileAloneWhileItGrows() throws Exception {
    var file = folder.resolve("a.csv");
    Files.writeString(file, "one");
    assertThat(claim()).isEmpty();
    Files.writeString(file, "one, two");
    assertThat(claim()).isEmpty();
    assertThat(claim()).containsExactly("a.csv");
    assertThat(file).doesNotExist();
    assertThat(folder.resolve("taking/a.csv")).hasContent("one, two");
    assertThat(claim()).isEmpty();
  }

  @Test
  void leavesAloneWhatSaysThatItIsUnfinished() throws Exception {
    for (var name : List.of(".hidden", "b.csv.part", "c.tmp", "d.csv~", "E.TMP")) {
      Files.writeString(folder.resolve(name), "x");
    }
    Files.createDirectory(folder.resolve("some folder"));
    Files.createSymbolicLink(folder.resolve("link.csv"), folder.resolve("c.tmp"));
    claim();
    assertThat(claim()).isEmpty();
  }

  @Test
  void anEmptyFileMayBeginToGrow() throws Exception {
    Files.createFile(folder.resolve("f.csv"));
    claim();
    assertThat(claim()).isEmpty();
    assertThat(names(inbox.claim(Instant.now().plusSeconds(120)))).containsExactly("f.csv");
  }

  @Test
  void keepsBothFilesOfTheSameName() throws Exception {
    for (var text : List.of("first", "second")) {
      Files.writeString(folder.resolve("g.csv"), text);
      inbox.claim(Instant.now());
      for (var file : inbox.claim(Instant.now())) {
        inbox.done(file);
      }
    }
    assertThat(folder.resolve("done/g.csv")).hasContent("first");
    assertThat(folder.resolve("done/g-2.csv")).hasContent("second");
  }

  @Test
  void setsApartWithAReportBesideIt() throws Exception {
    Files.writeString(folder.resolve("h.csv"), "?");
    claim();
    var apart = inbox.setApart(inbox.claim(Instant.now()).get(0), "Line 1: no");
    assertThat(apart).hasContent("?");
    assertThat(folder.resolve("broken/h.csv.report.txt")).hasContent("Line 1: no");
  }

  @Test
  void knowsWhatWasClaimedBeforeAStop() throws Exception {
    Files.writeString(folder.resolve("taking/i.csv"), "x");
    assertThat(names(new Inbox(folder).claimed())).containsExactly("i.csv");
  }
}
