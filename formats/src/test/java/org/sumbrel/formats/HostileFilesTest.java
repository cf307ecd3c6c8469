package org.sumbrel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every file, however damaged, ends as content or as problems with their place: never as another
 * failure, and never as fewer entries without a word.
 */
class HostileFilesTest {

  /** Long enough for the slowest machine; a reader that does not end is caught. */
  private static final Duration PATIENCE = Duration.ofSeconds(90);

  private static final Map<String, String> SAMPLES = new LinkedHashMap<>();

  static {
    SAMPLES.put("camt", TestFiles.text("camt/report-example-053.xml"));
    SAMPLES.put("mt", TestFiles.text("mt/handbook-example.940"));
    SAMPLES.put("blocks", TestFiles.text("samples/mt940js-test1.mt940"));
    SAMPLES.put("bai2", TestFiles.text("bai2/report-example.bai"));
    SAMPLES.put("ofx1", TestFiles.text("ofx/specification-1.ofx"));
    SAMPLES.put("ofx2", TestFiles.text("ofx/specification-2.ofx"));
    SAMPLES.put("x12", TestFiles.text("x12/advice-820.edi"));
    SAMPLES.put(
        "ubl", TestFiles.text("external/test-ubl/invoice/UBL-Invoice-2.1-Example-Trivial.xml"));
    SAMPLES.put(
        "csv",
        "Konto;DE89370400440532013000\n\nBuchungstag;Wert;Umsatz;Währung;Auftraggeber;Verwendungszweck;Saldo\n"
            + "29.05.2026;29.05.2026;1.234,50;EUR;Café;\"Rechnung; 1\";2.234,50\n"
            + "28.05.2026;28.05.2026;-10,00;EUR;Bank;Gebühr;1.000,00\n");
  }

  static Stream<String> samples() {
    return SAMPLES.keySet().stream();
  }

  @Provide
  Arbitrary<String> sample() {
    return Arbitraries.of(SAMPLES.keySet());
  }

  /** Content, or problems each with a sentence. */
  private static FileContent endsWell(byte[] bytes) {
    try {
      var content = AnyFile.read(bytes);
      assertThat(content.problems()).allSatisfy(HostileFilesTest::isASentence);
      return content;
    } catch (BrokenFile broken) {
      assertThat(broken.problems()).isNotEmpty().allSatisfy(HostileFilesTest::isASentence);
      return null;
    }
  }

  private static void isASentence(Problem problem) {
    assertThat(problem.line()).isNotNegative();
    assertThat(problem.message()).isNotBlank().hasSizeLessThan(1_000).doesNotContain("Exception");
  }

  private static int entries(FileContent content) {
    return content.accounts().stream().mapToInt(a -> a.entries().size()).sum()
        + content.invoices().size()
        + content.remittances().stream().mapToInt(a -> a.items().size()).sum();
  }

  /** A file cut anywhere is refused, or it says something, or nothing was lost. */
  @ParameterizedTest
  @MethodSource("samples")
  void nothingIsLostInSilenceWhereverAFileIsCut(String name) throws BrokenFile {
    var whole = SAMPLES.get(name).getBytes(StandardCharsets.UTF_8);
    var all = AnyFile.read(whole);
    var table = name.equals("csv");
    for (var at = 0; at < whole.length; at++) {
      var content = endsWell(Arrays.copyOf(whole, at));
      // a table has no end of its own, nor has a row of messages: cut between two it is whole as
      // far as it goes
      if (content != null
          && content.problems().isEmpty()
          && !table
          && content.accounts().size() == all.accounts().size()) {
        assertThat(entries(content)).as("cut at %d", at).isEqualTo(entries(all));
      }
    }
  }

  @Property(tries = 1500)
  void bitsMayFlip(@ForAll("sample") String name, @ForAll Random random) {
    var bytes = SAMPLES.get(name).getBytes(StandardCharsets.UTF_8);
    for (var n = 1 + random.nextInt(8); n > 0; n--) {
      bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
    }
    endsWell(bytes);
  }

  @Property(tries = 700)
  void piecesMayBeTakenOutOrDoubled(@ForAll("sample") String name, @ForAll Random random) {
    var text = SAMPLES.get(name);
    for (var n = 1 + random.nextInt(4); n > 0; n--) {
      var from = random.nextInt(text.length());
      var to = Math.min(text.length(), from + random.nextInt(60));
      text =
          random.nextBoolean()
              ? text.substring(0, from) + text.substring(to)
              : text.substring(0, to) + text.substring(from);
    }
    endsWell(text.getBytes(StandardCharsets.UTF_8));
  }

  @Property(tries = 700)
  void figuresMayBeAnything(@ForAll("sample") String name, @ForAll Random random) {
    var strange =
        new String[] {
          "1e9999",
          "1E-999999999",
          "NaN",
          "Infinity",
          "-",
          "9".repeat(400),
          "0.00000000001",
          "0x10",
          "٣",
          "2026-02-30",
          "99999999",
          "",
          "1.2.3",
          "1,2,3",
          "\u0000",
          "\uFFFF",
          "=cmd|x!A1",
          "../../x",
          "%s%n"
        };
    var text = SAMPLES.get(name);
    var digits = text.replaceAll("\\D+", " ").strip().split(" ");
    var figure = digits[random.nextInt(digits.length)];
    endsWell(
        text.replace(figure, strange[random.nextInt(strange.length)])
            .getBytes(StandardCharsets.UTF_8));
  }

  @Property(tries = 300)
  void anyBytesAtAll(@ForAll byte[] bytes) {
    endsWell(bytes);
  }

  @Property(tries = 300)
  void anyBytesBehindARightBeginning(@ForAll("sample") String name, @ForAll byte[] bytes) {
    var head = SAMPLES.get(name).substring(0, 200).getBytes(StandardCharsets.UTF_8);
    var all = Arrays.copyOf(head, head.length + bytes.length);
    System.arraycopy(bytes, 0, all, head.length, bytes.length);
    endsWell(all);
  }

  @ParameterizedTest
  @MethodSource("samples")
  void theWrongCharacterSetIsNoFailure(String name) {
    endsWell(SAMPLES.get(name).getBytes(StandardCharsets.UTF_16));
    endsWell(SAMPLES.get(name).getBytes(StandardCharsets.UTF_16LE));
    endsWell(SAMPLES.get(name).getBytes(StandardCharsets.ISO_8859_1));
    endsWell(SAMPLES.get(name).replace("e", "\u00e9\u4e2d").getBytes(StandardCharsets.UTF_8));
  }

  /** Fifty megabytes without a line's end, in the middle of a file. */
  @ParameterizedTest
  @MethodSource("samples")
  void oneLineOfFiftyMegabytes(String name) {
    var text = SAMPLES.get(name);
    var long50 = "A1,<".repeat(12_500_000);
    for (var at : new int[] {text.length() / 2, text.length()}) {
      var bytes =
          (text.substring(0, at) + long50 + text.substring(at)).getBytes(StandardCharsets.UTF_8);
      assertTimeoutPreemptively(PATIENCE, () -> endsWell(bytes));
    }
  }

  /** Many small ones of everything that can be many. */
  @ParameterizedTest
  @MethodSource("samples")
  void hundredsOfThousandsOfPieces(String name) {
    var text = SAMPLES.get(name);
    var half = text.length() / 2;
    for (var piece :
        new String[] {
          "<A>", "\n", "/", ",", "\"", ":20:X\n", "88,\n", "&amp;", "<!--", "{4:\n", ";"
        }) {
      var bytes =
          (text.substring(0, half) + piece.repeat(300_000) + text.substring(half))
              .getBytes(StandardCharsets.UTF_8);
      assertTimeoutPreemptively(PATIENCE, () -> endsWell(bytes));
    }
  }
}
