package org.sumbrel.bench;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;

/** A statement of many entries taken in by the packed application, through its API, into H2. */
final class IntakeRun {

  private static final String ACCOUNT = "4410027735";
  private static final String BOUNDARY = "sumbrel-bench";
  private static final int WARM_UP = 40_000;

  /**
   * One intake.
   *
   * @param seconds from the call to the answer, the upload and the sums of the answer included
   * @param readSeconds of these the reading of the file, as the server says
   * @param keptSeconds of these the recognition and the writing up to the commit, as the server
   *     says
   * @param perSecond entries recognised and written in a second
   * @param againSeconds the same movements once more in a file that differs, where all is known
   */
  record Intake(
      int entries,
      double seconds,
      double readSeconds,
      double keptSeconds,
      double perSecond,
      double againSeconds) {}

  private final ServedSumbrel server;

  private IntakeRun(ServedSumbrel server) {
    this.server = server;
  }

  static Intake run(Path jar, int entries) throws IOException, InterruptedException {
    var file = Files.createTempFile("bench", ".xml");
    try (var server = ServedSumbrel.start(jar)) {
      return new IntakeRun(server).measure(file, entries);
    } finally {
      Files.delete(file);
    }
  }

  private Intake measure(Path file, int entries) throws IOException, InterruptedException {
    // debits make no work for the engine, so that nothing else runs afterwards
    StatementFiles.camt(file, ACCOUNT, WARM_UP, StatementFiles.Kind.DEBITS);
    requireFresh(take(file), WARM_UP);
    StatementFiles.camt(file, ACCOUNT, entries, StatementFiles.Kind.CREDITS);
    var begun = System.nanoTime();
    requireFresh(take(file), entries);
    var seconds = (System.nanoTime() - begun) / 1e9;
    var read = said("camt.053 read in (\\d+) ms");
    var kept = said("taken in in (\\d+) ms") - read;
    Files.writeString(file, Files.readString(file).replace("BENCH-1", "BENCH-2"));
    begun = System.nanoTime();
    requireFresh(take(file), 0);
    var again = (System.nanoTime() - begun) / 1e9;
    return new Intake(entries, seconds, read, kept, entries / kept, again);
  }

  /** The last figure that the server's log has behind these words, in seconds. */
  private double said(String words) throws IOException {
    return Pattern.compile(words)
            .matcher(server.log())
            .results()
            .mapToLong(m -> Long.parseLong(m.group(1)))
            .reduce((a, b) -> b)
            .orElseThrow()
        / 1e3;
  }

  private static void requireFresh(JsonNode answer, int fresh) {
    if (answer.path("fresh").asInt(-1) != fresh) {
      throw new IllegalStateException("not " + fresh + " were new: " + answer);
    }
  }

  private JsonNode take(Path file) throws IOException, InterruptedException {
    var head =
        "--"
            + BOUNDARY
            + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"bench.xml\"\r\nContent-Type: text/xml\r\n\r\n";
    return server.send(
        "/api/intakes",
        "multipart/form-data; boundary=" + BOUNDARY,
        BodyPublishers.concat(
            BodyPublishers.ofString(head),
            BodyPublishers.ofFile(file),
            BodyPublishers.ofString("\r\n--" + BOUNDARY + "--\r\n")));
  }
}
