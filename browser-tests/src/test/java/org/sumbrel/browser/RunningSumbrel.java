package org.sumbrel.browser;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;

/**
 * The packed application in a process of its own, on a free port, with a data folder of its own.
 */
final class RunningSumbrel implements AutoCloseable {

  private static final Pattern READY =
      Pattern.compile("Sumbrel is ready on (http://localhost:\\d+)");
  private static final long MOST_WAIT = TimeUnit.SECONDS.toNanos(180);

  private final Process process;
  private final String address;
  private final Path data;
  private final String[] options;

  private RunningSumbrel(Process process, String address, Path data, String... options) {
    this.process = process;
    this.address = address;
    this.data = data;
    this.options = options;
  }

  /** With the demo company, as it is on its first day. */
  static RunningSumbrel withDemoBooks() throws IOException {
    var data = Files.createTempDirectory("sumbrel-data");
    PreparedSumbrel.demoBooks(data);
    return start(data, "--sumbrel.demo.enabled=true");
  }

  /** As it comes out of the box: no company, no user. */
  static RunningSumbrel empty() throws IOException {
    return start(Files.createTempDirectory("sumbrel-data"));
  }

  /** Over a data folder that is there already. */
  static RunningSumbrel over(Path data) throws IOException {
    return start(data, "--sumbrel.demo.enabled=true");
  }

  private static RunningSumbrel start(Path data, String... options) throws IOException {
    var command = PreparedSumbrel.command();
    command.addAll(
        List.of("--server.port=0", "--sumbrel.business-date=2026-05-29", "--sumbrel.data=" + data));
    command.addAll(List.of(options));
    var log = data.resolve("log");
    var process =
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile()).start();
    return new RunningSumbrel(process, addressOf(process, log), data, options);
  }

  private static String addressOf(Process process, Path log) throws IOException {
    var until = System.nanoTime() + MOST_WAIT;
    while (System.nanoTime() < until && process.isAlive()) {
      var found = READY.matcher(Files.readString(log));
      if (found.find()) {
        tellWhereSlow(log);
        return found.group(1);
      }
      process.onExit().completeOnTimeout(process, 100, TimeUnit.MILLISECONDS).join();
    }
    process.destroyForcibly();
    throw new IllegalStateException("Sumbrel did not start:\n" + Files.readString(log));
  }

  /** Nothing fails without the archive of classes, but each start takes four times as long. */
  private static void tellWhereSlow(Path log) throws IOException {
    try (var lines = Files.lines(log)) {
      lines.filter(l -> l.contains("[warning][cds")).forEach(System.out::println);
    }
  }

  String address() {
    return address;
  }

  /** The folder that it watches. */
  Path inbox() {
    return data.resolve("inbox");
  }

  /** Where its database is, to be opened while it does not run. */
  String database() {
    return "jdbc:h2:file:" + data.resolve("sumbrel");
  }

  /** Ends the process in the middle of whatever it does, as a power failure would. */
  void kill() {
    process.destroyForcibly();
    process.onExit().orTimeout(30, TimeUnit.SECONDS).join();
  }

  /** Starts anew over the data that is there. */
  RunningSumbrel again() throws IOException {
    return start(data, options);
  }

  @Override
  public void close() {
    process.destroy();
    process.onExit().orTimeout(30, TimeUnit.SECONDS).join();
  }
}
