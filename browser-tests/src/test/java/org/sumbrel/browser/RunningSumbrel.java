package org.sumbrel.browser;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.regex.Pattern;

/**
 * The packed application on a free port, with a data folder of its own. Those of one test process
 * run one after the other in one server process, which starts them in a third of the time; what is
 * to be killed has a process of its own.
 */
final class RunningSumbrel implements AutoCloseable {

  private static final Pattern READY =
      Pattern.compile("Sumbrel is ready on (http://localhost:\\d+)");
  private static final Pattern CODE =
      Pattern.compile("One-time code for the first administrator: (\\S+)");
  private static final long MOST_WAIT = TimeUnit.SECONDS.toNanos(180);

  private final Served served;
  private final String address;
  private final Path data;
  private final List<String> options;

  private RunningSumbrel(Served served, String address, Path data, List<String> options) {
    this.served = served;
    this.address = address;
    this.data = data;
    this.options = options;
  }

  /** With the demo company, as it is on its first day. */
  static RunningSumbrel withDemoBooks() throws IOException {
    return withBooksOf(demoFolder());
  }

  /** With the books of a data folder that is there already. */
  static RunningSumbrel withBooksOf(Path data) throws IOException {
    return start(data, false, demo());
  }

  /** The same in a process of its own, which may be killed. */
  static RunningSumbrel toBeKilled() throws IOException {
    return start(demoFolder(), true, demo());
  }

  /** Over a data folder that is there already, in a process of its own. */
  static RunningSumbrel over(Path data) throws IOException {
    return start(data, true, demo());
  }

  /** By {@code bin/sumbrel serve}, as it comes out of the box: no company, no user, today. */
  static RunningSumbrel served() throws IOException {
    var data = Files.createTempDirectory("sumbrel-data");
    var printed = data.resolve("printed");
    var builder =
        new ProcessBuilder(
                Path.of("../bin/sumbrel").toAbsolutePath().toString(),
                "serve",
                "--port",
                Integer.toString(freePort()),
                "--data",
                data.toString())
            .redirectErrorStream(true)
            .redirectOutput(printed.toFile());
    builder.environment().put("SUMBREL_START", PreparedSumbrel.start().toString());
    var process = builder.start();
    var address = addressOf(printed, 0, process::isAlive);
    return new RunningSumbrel(new Served(process, printed, true), address, data, List.of());
  }

  private static int freePort() throws IOException {
    try (var socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  /** A data folder with the demo company's books. */
  static Path demoFolder() throws IOException {
    var data = Files.createTempDirectory("sumbrel-data");
    PreparedSumbrel.demoBooks(data);
    return data;
  }

  private static List<String> demo() {
    return List.of("--sumbrel.demo.enabled=true", "--sumbrel.business-date=2026-05-29");
  }

  private static RunningSumbrel start(Path data, boolean ownProcess, List<String> options)
      throws IOException {
    var all = new ArrayList<>(List.of("--server.port=0", "--sumbrel.data=" + data));
    all.addAll(options);
    var served = ownProcess ? Served.inAProcessOfItsOwn(data, all) : Served.byTheHost(all);
    return new RunningSumbrel(served, served.address(), data, options);
  }

  /** A server process, and where in its output the application that runs began. */
  private static final class Served {

    /** The one for all applications of this test process that need none of their own. */
    private static Process host;

    private static Path hostLog;

    private final Process process;
    private final Path log;
    private final boolean own;
    private int from;

    Served(Process process, Path log, boolean own) {
      this.process = process;
      this.log = log;
      this.own = own;
    }

    static Served inAProcessOfItsOwn(Path data, List<String> options) throws IOException {
      var command = PreparedSumbrel.command();
      command.addAll(options);
      var log = data.resolve("log");
      var before = Files.exists(log) ? Files.readString(log).length() : 0;
      var process =
          new ProcessBuilder(command)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
              .start();
      var served = new Served(process, log, true);
      served.from = before;
      return served;
    }

    static synchronized Served byTheHost(List<String> options) throws IOException {
      if (host == null || !host.isAlive()) {
        hostLog = Files.createTempFile("sumbrel-host", ".log");
        host =
            new ProcessBuilder(PreparedSumbrel.hostCommand())
                .redirectErrorStream(true)
                .redirectOutput(hostLog.toFile())
                .start();
        var ending = host;
        Runtime.getRuntime().addShutdownHook(new Thread(ending::destroyForcibly));
      }
      var served = new Served(host, hostLog, false);
      served.from = Files.readString(hostLog).length();
      served.tell(String.join("\t", options));
      return served;
    }

    private void tell(String line) throws IOException {
      var to = new BufferedWriter(process.outputWriter(StandardCharsets.UTF_8));
      to.write(line + "\n");
      to.flush();
    }

    String address() throws IOException {
      return addressOf(log, from, process::isAlive);
    }

    void stop() throws IOException {
      if (own) {
        // the command in bin stops the server that it started
        process.destroy();
        process.onExit().orTimeout(60, TimeUnit.SECONDS).join();
        return;
      }
      var seen = Files.readString(log).length();
      tell("");
      await(
          () -> process.isAlive(),
          () -> text(log, seen).contains("Sumbrel has stopped"),
          () -> "Sumbrel did not stop:\n" + text(log, from));
    }

    void kill() {
      if (!own) {
        throw new IllegalStateException("this application shares its process");
      }
      process.destroyForcibly();
      process.onExit().orTimeout(30, TimeUnit.SECONDS).join();
    }
  }

  private static String text(Path log, int from) {
    try {
      return Files.readString(log).substring(from);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String addressOf(Path log, int from, BooleanSupplier alive) {
    await(
        () -> alive.getAsBoolean() && !text(log, from).contains("Sumbrel did not start"),
        () -> READY.matcher(text(log, from)).find(),
        () -> "Sumbrel did not start:\n" + text(log, from));
    var found = READY.matcher(text(log, from));
    found.find();
    return found.group(1);
  }

  private static void await(
      BooleanSupplier goesOn, BooleanSupplier done, Supplier<String> failure) {
    var until = System.nanoTime() + MOST_WAIT;
    while (!done.getAsBoolean()) {
      if (System.nanoTime() > until || !goesOn.getAsBoolean()) {
        throw new IllegalStateException(failure.get());
      }
      LockSupport.parkNanos(50_000_000);
    }
  }

  String address() {
    return address;
  }

  /** The one-time code that the start printed. */
  String code() {
    var found = CODE.matcher(text(served.log, 0));
    if (!found.find()) {
      throw new IllegalStateException("no code was printed: " + text(served.log, 0));
    }
    return found.group(1);
  }

  /** The folder that it watches. */
  Path inbox() {
    return data.resolve("inbox");
  }

  /** Where its database is, to be opened while it does not run. */
  String database() {
    return database(data);
  }

  static String database(Path data) {
    return "jdbc:h2:file:" + data.resolve("sumbrel");
  }

  /** Ends the process in the middle of whatever it does, as a power failure would. */
  void kill() {
    served.kill();
  }

  /** Starts anew over the data that is there. */
  RunningSumbrel again() throws IOException {
    return start(data, served.own, options);
  }

  @Override
  public void close() {
    try {
      served.stop();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
