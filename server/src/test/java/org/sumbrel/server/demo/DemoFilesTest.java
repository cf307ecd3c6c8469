package org.sumbrel.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Reading;

class DemoFilesTest {

  private static final Path EXAMPLES = Path.of("../examples");

  /**
   * Run with {@code -Dexamples.write=true} to renew the files after the demo's books have changed.
   */
  @Test
  void standUnderExamplesAsTheyAreMade() throws Exception {
    for (var file : DemoFiles.examples(DemoBooks.make()).entrySet()) {
      stands(file.getKey(), file.getValue());
      var bytes = FileBytes.of(file.getValue().getBytes(StandardCharsets.UTF_8));
      var reading = new Reading(Optional.empty());
      assertThat(AnyFile.read(bytes, reading, DemoProfiles.all()).problems())
          .as(file.getKey())
          .isEmpty();
    }
    for (var profile : DemoProfiles.files().entrySet()) {
      stands(profile.getKey(), profile.getValue());
    }
  }

  private static void stands(String name, String content) throws Exception {
    var path = EXAMPLES.resolve(name);
    if (Boolean.getBoolean("examples.write")) {
      Files.writeString(path, content);
    }
    assertThat(path).hasContent(content);
  }

  @Test
  void theMarketplacesPayoutIsWhatTheBankShows() throws Exception {
    var file = DemoMarket.file(DemoBooks.make()).getBytes(StandardCharsets.UTF_8);
    var payouts =
        AnyFile.read(FileBytes.of(file), new Reading(Optional.empty()), DemoProfiles.all())
            .payouts();
    assertThat(payouts).hasSize(2);
    assertThat(payouts.get(0).processor()).isEqualTo(DemoMarket.NAME);
    assertThat(payouts.get(0).paidOut()).hasToString("USD 2119.04");
    assertThat(payouts.get(0).carried().isZero()).isTrue();
    assertThat(payouts.get(1).net()).hasToString("EUR 0.00");
    // a basket of the evening counts for that day where the market is, not for the next of UTC
    assertThat(payouts.get(0).items())
        .filteredOn(i -> i.payer().equals("Nettle & Crumb") && i.gross().isPositive())
        .allMatch(i -> i.on().orElseThrow().equals(DemoBooks.TODAY.minusDays(6)));
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
