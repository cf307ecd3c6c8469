package org.sumbrel.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.sumbrel.formats.AnyFile;

class DemoFilesTest {

  private static final Path EXAMPLES = Path.of("../examples");

  /**
   * Run with {@code -Dexamples.write=true} to renew the files after the demo's books have changed.
   */
  @Test
  void standUnderExamplesAsTheyAreMade() throws Exception {
    for (var file : DemoFiles.examples(DemoBooks.make()).entrySet()) {
      var path = EXAMPLES.resolve(file.getKey());
      if (Boolean.getBoolean("examples.write")) {
        Files.writeString(path, file.getValue());
      }
      assertThat(path).hasContent(file.getValue());
      assertThat(AnyFile.read(file.getValue().getBytes(StandardCharsets.UTF_8)).problems())
          .isEmpty();
    }
  }

  @Test
  void areTheSameEachTime() {
    assertThat(DemoFiles.examples(DemoBooks.make()))
        .isEqualTo(DemoFiles.examples(DemoBooks.make()));
    assertThat(DemoFiles.invoices(DemoBooks.make().invoices()))
        .isEqualTo(DemoFiles.invoices(DemoBooks.make().invoices()));
  }

  @Test
  void holdTheBooksThatTheScenarioAsksFor() {
    var books = DemoBooks.make();
    assertThat(books.customers()).hasSizeBetween(55, 62);
    assertThat(books.invoices().stream().filter(i -> !i.creditNote())).hasSizeBetween(595, 640);
    assertThat(books.invoices().stream().filter(i -> !i.creditNote() && !books.isPaid(i)))
        .hasSizeBetween(170, 190);
  }
}
