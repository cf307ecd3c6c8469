package org.sumbrel.bench;

import com.fasterxml.jackson.databind.JsonNode;
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
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The packed application in a process of its own, with made-up books, and somebody signed in. */
final class ServedSumbrel implements AutoCloseable {

  private static final int PORT = 18_923;
  private static final String BOUNDARY = "sumbrel-bench";
  private static final int PATIENCE_SECONDS = 600;
  private static final ObjectMapper JSON = new ObjectMapper();

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final Process process;
  private final Path data;
  private final Path log;

  private ServedSumbrel(Process process, Path data, Path log) {
    this.process = process;
    this.data = data;
    this.log = log;
  }

  /** Starts it with the demo's books and these options, and signs in once it says it is ready. */
  static ServedSumbrel start(Path jar, String... options) throws IOException, InterruptedException {
    var data = Files.createTempDirectory("bench");
    var log = Files.createTempFile("bench", ".log");
    var command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx2g",
                "-jar",
                jar.toString(),
                "--server.port=" + PORT,
                "--sumbrel.data=" + data,
                "--sumbrel.inbox=",
                "--sumbrel.demo.enabled=true",
                "--sumbrel.business-date=2026-05-29"));
    command.addAll(List.of(options));
    var process =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile()).start();
    var served = new ServedSumbrel(process, data, log);
    try {
      served.signIn();
      return served;
    } catch (IOException | InterruptedException | RuntimeException e) {
      served.close();
      throw e;
    }
  }

  private void signIn() throws IOException, InterruptedException {
    for (var second = 0; !log().contains("Sumbrel is ready"); second++) {
      if (second == PATIENCE_SECONDS || !process.isAlive()) {
        throw new IllegalStateException("the server did not start: " + log());
      }
      Thread.sleep(1_000);
    }
    try {
      get("/api/welcome");
      post("/api/session", "{\"user\":\"maren\",\"password\":\"maren-demo\"}");
    } catch (ConnectException e) {
      throw new IllegalStateException("the server went away", e);
    }
  }

  String log() throws IOException {
    return Files.readString(log);
  }

  /**
   * What a path answers.
   *
   * @throws IllegalStateException where that is no 200
   */
  JsonNode get(String path) throws IOException, InterruptedException {
    return read(path, http.send(request(path).GET().build(), BodyHandlers.ofString()));
  }

  /** Until the last byte of an answer is here, in nanoseconds; what it says is not looked at. */
  long nanosFor(String path) throws IOException, InterruptedException {
    var begun = System.nanoTime();
    var answer = http.send(request(path).GET().build(), BodyHandlers.discarding());
    var taken = System.nanoTime() - begun;
    if (answer.statusCode() >= 300) {
      throw new IllegalStateException(path + ": " + answer.statusCode());
    }
    return taken;
  }

  JsonNode post(String path, String json) throws IOException, InterruptedException {
    return send(path, "application/json", BodyPublishers.ofString(json));
  }

  /** Brings a table as the interface does. */
  JsonNode take(String name, CharSequence text) throws IOException, InterruptedException {
    var head =
        "--"
            + BOUNDARY
            + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
            + name
            + "\"\r\nContent-Type: text/csv\r\n\r\n";
    return send(
        "/api/intakes",
        "multipart/form-data; boundary=" + BOUNDARY,
        BodyPublishers.ofString(head + text + "\r\n--" + BOUNDARY + "--\r\n"));
  }

  /** The median of some looks at a path, in milliseconds. */
  double median(String path, int looks) throws IOException, InterruptedException {
    var taken = new ArrayList<Long>();
    for (var look = 0; look < looks; look++) {
      taken.add(nanosFor(path));
    }
    return taken.stream().sorted().skip(looks / 2).findFirst().orElseThrow() / 1e6;
  }

  JsonNode send(String path, String type, BodyPublisher body)
      throws IOException, InterruptedException {
    var token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElse("");
    var call =
        request(path).header("Content-Type", type).header("X-XSRF-TOKEN", token).POST(body).build();
    return read(path, http.send(call, BodyHandlers.ofString()));
  }

  private static JsonNode read(String path, HttpResponse<String> answer) throws IOException {
    if (answer.statusCode() >= 300) {
      throw new IllegalStateException(path + ": " + answer.statusCode() + " " + answer.body());
    }
    return answer.body().isEmpty() ? JSON.nullNode() : JSON.readTree(answer.body());
  }

  private static HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create("http://localhost:" + PORT + path));
  }

  @Override
  public void close() throws IOException {
    process.destroy();
    process.onExit().join();
    Files.delete(log);
    try (var all = Files.walk(data)) {
      for (var path : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(path);
      }
    }
  }
}
