package org.sumbrel.browser;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * What lets the packed application start quickly, made once for all tests of a run: the jar
 * unpacked, an archive of its classes, and the books of the demo company on their first day. A
 * start by the jar alone takes three times as long, and there are some twenty-five.
 */
final class PreparedSumbrel {

  private static final Path JAR = Path.of("../server/target/sumbrel-server.jar").toAbsolutePath();
  private static final Path TARGET = Path.of("target").toAbsolutePath();

  private PreparedSumbrel() {}

  private static Path folder() throws IOException {
    var folder =
        TARGET.resolve(
            "start-" + Files.getLastModifiedTime(JAR).toMillis() + "-" + Files.size(JAR));
    // the tests run in two processes; the second waits for what the first makes
    try (var channel =
        FileChannel.open(
            TARGET.resolve("start.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
      channel.lock();
      if (!Files.exists(folder.resolve("made"))) {
        run(
            TARGET,
            "-Djarmode=tools",
            "-jar",
            JAR.toString(),
            "extract",
            "--force",
            "--destination",
            folder.toString());
        run(
            folder,
            "-XX:ArchiveClassesAtExit=sumbrel.jsa",
            // as it will be called later, or the archive is not taken
            "-jar",
            folder.resolve("sumbrel-server.jar").toString(),
            "--server.port=0",
            "--sumbrel.business-date=2026-05-29",
            "--sumbrel.data=" + folder.resolve("data"),
            "--sumbrel.demo.enabled=true",
            "--sumbrel.stop-when-ready=true");
        Files.createFile(folder.resolve("made"));
      }
      return folder;
    }
  }

  /** The start of every command: Java, its options and the application. */
  static List<String> command() throws IOException {
    var folder = folder();
    var command = java();
    command.addAll(
        List.of(
            "-Xshare:auto",
            "-XX:SharedArchiveFile=" + folder.resolve("sumbrel.jsa"),
            "-jar",
            folder.resolve("sumbrel-server.jar").toString()));
    return command;
  }

  /** The command of a process that starts the application again and again. */
  static List<String> hostCommand() throws IOException {
    var folder = folder();
    var command = java();
    command.addAll(
        List.of(
            "-Xshare:auto",
            "-XX:SharedArchiveFile=" + folder.resolve("sumbrel.jsa"),
            "-cp",
            // the archive is taken where its class path comes first
            folder.resolve("sumbrel-server.jar") + ":" + TARGET.resolve("test-classes"),
            SumbrelHost.class.getName()));
    return command;
  }

  /** Where the unpacked application is, for the commands in {@code bin}. */
  static Path start() throws IOException {
    return folder();
  }

  /** Puts the books of the demo company into a folder. */
  static void demoBooks(Path into) throws IOException {
    Files.copy(folder().resolve("data/sumbrel.mv.db"), into.resolve("sumbrel.mv.db"));
  }

  private static List<String> java() {
    return new ArrayList<>(
        List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-XX:TieredStopAtLevel=1",
            "-XX:+UseSerialGC",
            "-Xmx2g"));
  }

  private static void run(Path in, String... arguments) throws IOException {
    var command = java();
    command.addAll(List.of(arguments));
    var log = Files.createTempFile("sumbrel-prepared", ".log");
    var process =
        new ProcessBuilder(command)
            .directory(in.toFile())
            .redirectErrorStream(true)
            .redirectOutput(log.toFile())
            .start();
    process.onExit().orTimeout(5, TimeUnit.MINUTES).join();
    if (process.exitValue() != 0) {
      throw new IllegalStateException("Sumbrel could not be prepared:\n" + Files.readString(log));
    }
  }
}
