package org.sumbrel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.xml.XmlCursor;

/** Our camt reader beside a bare pass over the same bytes by the same XML parser. */
final class ReadingRace {

  private static final int ROUNDS = 7;
  private static final String LITTLE_HEAP = "-Xmx256m";

  /**
   * The medians of both, taken in turns.
   *
   * @param inLittleHeap whether the file was read whole in a process of 256 MiB
   */
  record Race(
      int entries,
      long mebibytes,
      double seconds,
      double bareSeconds,
      double ratio,
      boolean inLittleHeap) {}

  private ReadingRace() {}

  static Race run(int entries)
      throws IOException, BrokenFile, XMLStreamException, InterruptedException {
    var file = Files.createTempFile("bench", ".xml");
    try {
      StatementFiles.camt(file, "4410027735", entries, StatementFiles.Kind.CREDITS);
      var ours = new ArrayList<Double>();
      var bare = new ArrayList<Double>();
      for (var round = 0; round < ROUNDS; round++) {
        bare.add(seconds(() -> pass(file)));
        ours.add(seconds(() -> read(file, entries)));
      }
      var seconds = median(ours);
      var bareSeconds = median(bare);
      return new Race(
          entries,
          Files.size(file) >> 20,
          seconds,
          bareSeconds,
          seconds / bareSeconds,
          inLittleHeap(file, entries));
    } finally {
      Files.delete(file);
    }
  }

  @FunctionalInterface
  private interface Work {
    void run() throws IOException, BrokenFile, XMLStreamException;
  }

  private static double seconds(Work work) throws IOException, BrokenFile, XMLStreamException {
    var begun = System.nanoTime();
    work.run();
    return (System.nanoTime() - begun) / 1e9;
  }

  private static double median(List<Double> values) {
    Collections.sort(values);
    return values.get(values.size() / 2);
  }

  private static void pass(Path file) throws IOException, XMLStreamException {
    try (var in = Files.newInputStream(file)) {
      var xml = XmlCursor.bare(in);
      var texts = 0L;
      while (xml.hasNext()) {
        if (xml.next() == XMLStreamConstants.CHARACTERS) {
          texts += xml.getTextLength();
        }
      }
      if (texts == 0) {
        throw new IllegalStateException("nothing was read");
      }
    }
  }

  private static void read(Path file, int entries) throws BrokenFile {
    var content = AnyFile.read(FileBytes.of(file), Optional.empty());
    if (content.accounts().get(0).entries().size() != entries || !content.problems().isEmpty()) {
      throw new IllegalStateException("not all was read");
    }
  }

  private static boolean inLittleHeap(Path file, int entries)
      throws IOException, InterruptedException {
    var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    return new ProcessBuilder(
                java,
                LITTLE_HEAP,
                "-cp",
                System.getProperty("java.class.path"),
                ReadingRace.class.getName(),
                file.toString(),
                Integer.toString(entries))
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start()
            .waitFor()
        == 0;
  }

  /** Reads one file whole, in a process of its own. */
  public static void main(String[] args) throws BrokenFile {
    read(Path.of(args[0]), Integer.parseInt(args[1]));
  }
}
