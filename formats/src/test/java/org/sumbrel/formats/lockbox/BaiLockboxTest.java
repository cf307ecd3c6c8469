package org.sumbrel.formats.lockbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.CheckDigit;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Problem;

/**
 * The BAI lockbox file. The positions are those of the layout that the Bank Administration
 * Institute published and banks print in their guides (record types 1, 2, 5, 6, 4, 7, 8, 9 of 80
 * characters), recalled from memory; the example is made up after it, no published one was at hand.
 */
class BaiLockboxTest {

  private static final String MORNING =
      """
      101LARKSTOW  COPPERBECK2605290730
      2LARKSTOW  COPPERBECK          400080
      50010000004410260529
      6001001000002969411100002500770001230000002214THREE RIVERS SOURDOUGH
      40010016010LM-00208260000018800
      40010016029LM-00208310000010894
      6001002000000750011100002500770004410000000371
      700100000044102605290020000037194
      8000000000441026052900020000037194
      9000010
      """;

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void readsChequesWithWhatTheyPay() throws Exception {
    var content = read(MORNING);
    assertThat(content.format()).isEqualTo(Format.LOCKBOX_BAI);
    assertThat(content.problems()).isEmpty();
    var batch = content.batches().get(0);
    assertThat(batch.number()).isEqualTo("001");
    assertThat(batch.lockbox()).isEqualTo("4410");
    assertThat(batch.depositedOn()).contains(LocalDate.of(2026, 5, 29));
    assertThat(batch.claimedCheques()).contains(2);
    assertThat(batch.claimedTotal().map(MoneyText::plain)).contains("371.94");
    var first = batch.cheques().get(0);
    assertThat(first.number()).isEqualTo("2214");
    assertThat(first.routing()).isEqualTo("111000025");
    assertThat(first.account()).isEqualTo("77000123");
    assertThat(first.payerName()).isEqualTo("THREE RIVERS SOURDOUGH");
    assertThat(MoneyText.plain(first.amount())).isEqualTo("296.94");
    assertThat(first.items())
        .extracting(RemittanceItem::reference)
        .containsExactly("LM-0020826", "LM-0020831");
    assertThat(first.beyondItems().isZero()).isTrue();
    assertThat(batch.cheques().get(1).items()).isEmpty();
  }

  private static List<Problem> odd(String text) throws BrokenFile {
    return read(text).problems();
  }

  @Test
  void tellsEachTotalThatContradictsWithItsPlace() throws Exception {
    assertThat(odd(MORNING.replace("0020000037194\n8", "0030000037194\n8")))
        .containsExactly(new Problem(8, "batch 001 says it holds 3 cheques, 2 are in it", true));
    assertThat(odd(MORNING.replace("0020000037194\n8", "0020000047194\n8")))
        .containsExactly(
            new Problem(
                8,
                "batch 001 says it comes to 471.94, its cheques come to 371.94: 100.00 less",
                true));
    assertThat(odd(MORNING.replace("00020000037194", "00020000037190")))
        .containsExactly(
            new Problem(
                9, "the lockbox says it comes to 371.90, its cheques come to 371.94", true));
    assertThat(odd(MORNING.replace("9000010", "9000012")))
        .containsExactly(new Problem(10, "the file says it has 12 records, 10 are in it", true));
    // a digit misread at the foot of the cheque costs its routing, not its money
    var misread = read(MORNING.replaceFirst("111000025", "111000026"));
    assertThat(misread.problems().get(0).line()).isEqualTo(4);
    assertThat(misread.problems().get(0).contradiction()).isFalse();
    assertThat(misread.batches().get(0).cheques().get(0).routing()).isEmpty();
    assertThat(odd(MORNING.replace("6029LM", "6039LM")))
        .extracting(Problem::message)
        .singleElement()
        .asString()
        .contains("number 03 stands where number 02 should");
    assertThat(odd(MORNING.replace("6029LM", "6020LM")))
        .extracting(Problem::line)
        .containsExactly(4);
  }

  private static void assertBroken(String text, int line, String says) {
    assertThatThrownBy(() -> read(text))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken -> {
              assertThat(broken.problems().get(0).line()).isEqualTo(line);
              assertThat(broken.problems().get(0).message()).contains(says);
            });
  }

  @Test
  void takesNothingOfAFileThatWasCutOffOrCannotBeRead() {
    assertBroken(
        MORNING.substring(0, MORNING.indexOf("7001")),
        8,
        "no record 9 at its end, and batch 001 of line 3 has no record 7; it was cut off");
    assertBroken(MORNING.replace("\n9000010", ""), 10, "no record 9");
    assertBroken(MORNING.replace("6001001000002969", "600100100000Z969"), 4, "positions 8 to 17");
    assertBroken(
        MORNING.replace("50010000004410260529", "50010000004410261329"), 3, "positions 15 to 20");
    assertBroken(MORNING.replace("\n6001002", "\n3001002"), 7, "begins with \"3\"");
    assertBroken(MORNING.replace("\n40010016010", "\n40010026010"), 5, "of batch and item 001002");
    assertBroken(MORNING + "6001", 11, "behind the file's end");
    assertBroken(MORNING.replace("50010000004410260529\n", ""), 3, "no batch is open (record 5)");
  }

  private static Money usd(long cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  private static LockboxBatch batch(int number, Random random) {
    var cheques = new ArrayList<LockboxCheque>();
    for (var n = 1; n <= 1 + random.nextInt(20); n++) {
      var items = new ArrayList<RemittanceItem>();
      for (var k = 0; k < random.nextInt(6); k++) {
        var amount = usd(random.nextInt(900_000));
        items.add(new RemittanceItem("LM-00" + (20_000 + k), amount, usd(0), usd(0), ""));
      }
      var bank = "1110%04d".formatted(random.nextInt(10_000));
      cheques.add(
          new LockboxCheque(
              String.valueOf(n),
              String.valueOf(1 + random.nextInt(99_999)),
              bank + CheckDigit.aba(bank),
              String.valueOf(1 + random.nextInt(9_999_999)),
              usd(1 + random.nextInt(9_000_000)),
              random.nextBoolean() ? "" : "Drawer " + n,
              Optional.of(LocalDate.of(2026, 5, 29)),
              items));
    }
    return new LockboxBatch(
        "%03d".formatted(number),
        "4410",
        CurrencyUnit.USD,
        Optional.of(LocalDate.of(2026, 5, 29)),
        Optional.of(cheques.size()),
        Optional.of(cheques.stream().map(LockboxCheque::amount).reduce(usd(0), Money::plus)),
        cheques);
  }

  @Property(tries = 100)
  void readsWhatItWrote(@ForAll Random random) throws BrokenFile {
    var batches = new ArrayList<LockboxBatch>();
    for (var n = 1; n <= 1 + random.nextInt(4); n++) {
      batches.add(batch(n, random));
    }
    var text =
        BaiLockboxWriter.write(
            "LARKSTOW", "COPPERBECK", LocalDate.of(2026, 5, 29).atTime(7, 30), batches);
    var content = read(text);
    assertThat(content.problems()).isEmpty();
    assertThat(content.batches()).isEqualTo(batches);
    assertThat(text.lines()).allMatch(line -> line.length() == 80);
  }

  @Property(tries = 100)
  void neverReadsACutFileAsWhole(@ForAll Random random) {
    var text =
        BaiLockboxWriter.write(
            "LARKSTOW",
            "COPPERBECK",
            LocalDate.of(2026, 5, 29).atTime(7, 30),
            List.of(batch(1, random), batch(2, random)));
    var lines = text.lines().toList();
    var cut = String.join("\n", lines.subList(0, 2 + random.nextInt(lines.size() - 2)));
    assertThatThrownBy(() -> read(cut)).isInstanceOf(BrokenFile.class);
  }

  private static String batch(String number, String box) {
    return ("5%1$s000%2$s260529\n6%1$s001000000750011100002500770004410000000371\n"
            + "7%1$s000%2$s2605290010000007500\n")
        .formatted(number, box);
  }

  private static String total(String box, int cheques) {
    return "8000000%s260529%04d%010d\n".formatted(box, cheques, cheques * 7500);
  }

  /** Wherever the totals of the lockboxes are: behind each one's batches, or all at the end. */
  @Test
  void readsTwoLockboxesOfThreeBatches() throws Exception {
    var first = "101LARKSTOW  COPPERBECK2605290730\n2LARKSTOW  COPPERBECK          400080\n";
    var second = "2LARKSTOW  COPPERBECK          400080\n";
    var one = batch("001", "0004410") + batch("002", "0004410");
    var other = batch("003", "0004411");
    for (var body :
        List.of(
            one + total("0004410", 2) + other + total("0004411", 1) + "9000014\n",
            one + other + total("0004410", 2) + total("0004411", 1) + "9000014\n",
            one + total("0004410", 2) + second + other + total("0004411", 1) + "9000015\n",
            one + second + other + total("0004410", 2) + total("0004411", 1) + "9000015\n")) {
      var content = read(first + body);
      assertThat(content.problems()).isEmpty();
      assertThat(content.batches())
          .extracting(LockboxBatch::number)
          .containsExactly("001", "002", "003");
    }
    assertThat(odd(first + one + other + total("0004410", 2) + "9000013\n"))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("batch 003", "no total"));
    assertThat(odd(first + one + other + total("0004410", 1) + total("0004411", 1) + "9000014\n"))
        .isNotEmpty()
        .allSatisfy(p -> assertThat(p.contradiction()).isTrue());
  }
}
