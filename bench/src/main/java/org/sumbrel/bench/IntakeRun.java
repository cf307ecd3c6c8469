package org.sumbrel.bench;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.ConnectException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.regex.Pattern;

/** A statement of many entries taken in by the packed application, through its API, into H2. */
final class IntakeRun {

  private static final int PORT = 18_923;
  private static final String ACCOUNT = "4410027735";
  private static final String BOUNDARY = "sumbrel-bench";
  private static final int PATIENCE_SECONDS = 120;
  private static final int WARM_UP = 40_000;

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();

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

  private IntakeRun() {}

  static Intake run(Path jar, int entries) throws IOException, InterruptedException {
    var data = Files.createTempDirectory("bench");
    var file = Files.createTempFile("bench", ".xml");
    var log = Files.createTempFile("bench", ".log");
    var server = start(jar, data, log);
    try {
      return new IntakeRun().measure(file, entries, log);
    } finally {
      server.destroy();
      server.waitFor();
      Files.delete(file);
      Files.delete(log);
      try (var all = Files.walk(data)) {
        for (var path : all.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(path);
        }
      }
    }
  }

  private static Process start(Path jar, Path data, Path log) throws IOException {
    return new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Xmx2g",
            "-jar",
            jar.toString(),
            "--server.port=" + PORT,
            "--sumbrel.data=" + data,
            "--sumbrel.demo.enabled=true",
            "--sumbrel.business-date=2026-05-29")
        .redirectErrorStream(true)
        .redirectOutput(log.toFile())
        .start();
  }

  private Intake measure(Path file, int entries, Path log)
      throws IOException, InterruptedException {
    signIn();
    // debits make no work for the engine, so that nothing else runs afterwards
    StatementFiles.camt(file, ACCOUNT, WARM_UP, StatementFiles.Kind.DEBITS);
    requireFresh(take(file), WARM_UP);
    StatementFiles.camt(file, ACCOUNT, entries, StatementFiles.Kind.CREDITS);
    var begun = System.nanoTime();
    requireFresh(take(file), entries);
    var seconds = (System.nanoTime() - begun) / 1e9;
    var read = said(log, "camt.053 read in (\\d+) ms");
    var kept = said(log, "taken in in (\\d+) ms") - read;
    Files.writeString(file, Files.readString(file).replace("BENCH-1", "BENCH-2"));
    begun = System.nanoTime();
    requireFresh(take(file), 0);
    var again = (System.nanoTime() - begun) / 1e9;
    return new Intake(entries, seconds, read, kept, entries / kept, again);
  }

  /** The last figure that the server's log has behind these words, in seconds. */
  private static double said(Path log, String words) throws IOException {
    return Pattern.compile(words)
            .matcher(Files.readString(log))
            .results()
            .mapToLong(m -> Long.parseLong(m.group(1)))
            .reduce((a, b) -> b)
            .orElseThrow()
        / 1e3;
  }

  private static void requireFresh(String answer, int fresh) throws IOException {
    var found = new ObjectMapper().readTree(answer).path("fresh").asInt(-1);
    if (found != fresh) {
      throw new IllegalStateException("not " + fresh + " were new: " + answer);
    }
  }

  /** Waits for the server, then for the demo's books. */
  private void signIn() throws IOException, InterruptedException {
    for (var second = 0; !isIn(); second++) {
      if (second == PATIENCE_SECONDS) {
        throw new IllegalStateException("the server did not start");
      }
      Thread.sleep(1_000);
    }
  }

  private boolean isIn() throws IOException, InterruptedException {
    try {
      http.send(request("/api/welcome").GET().build(), BodyHandlers.ofString());
      return send(
              "/api/session",
              "application/json",
              BodyPublishers.ofString("{\"user\":\"maren\",\"password\":\"maren-demo\"}"))
          .contains(ACCOUNT);
    } catch (ConnectException e) {
      return false;
    }
  }

  private String take(Path file) throws IOException, InterruptedException {
    var head =
        "--"
            + BOUNDARY
            + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"bench.xml\"\r\nContent-Type: text/xml\r\n\r\n";
    return send(
        "/api/intakes",
        "multipart/form-data; boundary=" + BOUNDARY,
        BodyPublishers.concat(
            BodyPublishers.ofString(head),
            BodyPublishers.ofFile(file),
            BodyPublishers.ofString("\r\n--" + BOUNDARY + "--\r\n")));
  }

  private String send(String path, String type, BodyPublisher body)
      throws IOException, InterruptedException {
    var token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElse("");
    var call =
        request(path).header("Content-Type", type).header("X-XSRF-TOKEN", token).POST(body).build();
    return http.send(call, BodyHandlers.ofString()).body();
  }

  private static HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create("http://localhost:" + PORT + path));
  }
}
