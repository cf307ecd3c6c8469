package org.sumbrel.server.intake;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A folder into which others put files. What is whole is claimed by moving it into {@code taking/},
 * and goes on to {@code done/} or, with a report beside it, to {@code broken/}. A file that is
 * still being written is left alone until two looks find it unchanged.
 */
final class Inbox {

  private static final List<String> UNFINISHED =
      List.of(".part", ".tmp", ".crdownload", ".filepart");

  /** An empty file may be one that is begun; after this it is one that is empty. */
  private static final Duration EMPTY_FOR = Duration.ofMinutes(1);

  private record Seen(long size, FileTime changed) {}

  private final Path folder;
  private Map<Path, Seen> before = Map.of();

  Inbox(Path folder) {
    this.folder = folder;
  }

  Path folder() {
    return folder;
  }

  /** Makes the folder where it is missing. */
  void open() throws IOException {
    for (var part : List.of("taking", "done", "broken")) {
      Files.createDirectories(folder.resolve(part));
    }
  }

  /** What was claimed and not finished, as after a stop in the middle. */
  List<Path> claimed() throws IOException {
    return files(folder.resolve("taking"));
  }

  /** Claims all that two looks in a row found unchanged; in the order of their names. */
  List<Path> claim(Instant now) throws IOException {
    var seen = new HashMap<Path, Seen>();
    var whole = new ArrayList<Path>();
    for (var file : files(folder)) {
      var is = new Seen(Files.size(file), Files.getLastModifiedTime(file));
      seen.put(file, is);
      var empty = is.size() == 0 && is.changed().toInstant().plus(EMPTY_FOR).isAfter(now);
      if (is.equals(before.get(file)) && !empty) {
        whole.add(moved(file, "taking"));
      }
    }
    before = seen;
    return whole;
  }

  private static List<Path> files(Path in) throws IOException {
    try (var all = Files.list(in)) {
      return all.filter(f -> Files.isRegularFile(f, LinkOption.NOFOLLOW_LINKS))
          .filter(Inbox::finished)
          .sorted()
          .toList();
    }
  }

  private static boolean finished(Path file) {
    var name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return !name.startsWith(".")
        && !name.endsWith("~")
        && UNFINISHED.stream().noneMatch(name::endsWith);
  }

  Path done(Path file) throws IOException {
    return moved(file, "done");
  }

  /** Sets a file apart, with what is wrong with it in a text beside it. */
  Path setApart(Path file, String report) throws IOException {
    var apart = moved(file, "broken");
    Files.writeString(
        apart.resolveSibling(apart.getFileName() + ".report.txt"), report, StandardCharsets.UTF_8);
    return apart;
  }

  /** Moves within the folder, which is one step; a name that is taken gets a number. */
  private Path moved(Path file, String into) throws IOException {
    var name = file.getFileName().toString();
    var target = folder.resolve(into).resolve(name);
    for (var n = 2; Files.exists(target); n++) {
      var dot = name.lastIndexOf('.');
      var numbered =
          dot <= 0 ? name + "-" + n : name.substring(0, dot) + "-" + n + name.substring(dot);
      target = folder.resolve(into).resolve(numbered);
    }
    return Files.move(file, target, StandardCopyOption.ATOMIC_MOVE);
  }
}
