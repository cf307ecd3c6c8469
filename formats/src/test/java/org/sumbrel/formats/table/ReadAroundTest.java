package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * Rows that cannot be read are given back as they stand, and can be read once they are put right.
 */
class ReadAroundTest {

  private static final Charset LATIN = Charset.forName("windows-1252");

  private static Partly around(String text) throws BrokenFile {
    return AnyFile.readAround(
            FileBytes.of(text.getBytes(LATIN)),
            Optional.empty(),
            new Reading(Optional.empty()),
            List.of())
        .orElseThrow();
  }

  private static List<StatementEntry> entries(Partly read) {
    return read.content().accounts().stream().flatMap(a -> a.entries().stream()).toList();
  }

  private static final String STATEMENT =
      """
      Datum;Betrag;Währung;Auftraggeber
      13.04.2026;1.200,50;EUR;Müller
      31.02.2026;17,00;EUR;Bäckerei
      14.04.2026;12,3x;EUR;Huber
      15.04.2026;8,00;EUX;Mayr
      16.04.2026;9,00;EUR;Wirt
      """;

  @Test
  void givesBackTheRowsThatCannotBeRead() throws Exception {
    var read = around(STATEMENT);
    assertThat(entries(read))
        .extracting(StatementEntry::payerName)
        .containsExactly("Müller", "Wirt");
    assertThat(read.leftOut()).extracting(r -> r.line()).containsExactly(3, 4, 5);
    var first = read.leftOut().get(0);
    assertThat(first.headings()).containsExactly("Datum", "Betrag", "Währung", "Auftraggeber");
    assertThat(first.cells()).containsExactly("31.02.2026", "17,00", "EUR", "Bäckerei");
    assertThat(first.message()).contains("31.02.2026");
    assertThat(read.leftOut().get(2).message()).contains("EUX");
  }

  @Test
  void aRowPutRightIsReadAsItsFileWas() throws Exception {
    var read = around(STATEMENT);
    var row = read.leftOut().get(0);
    var right = List.of("28.02.2026", "1.017,00", "EUR", "Bäckerei");
    var again =
        AnyFile.readBy(
            read.profile().forRows(),
            FileBytes.of(OwnList.asItStood(row.headings(), List.of(right))),
            new Reading(Optional.empty()));
    var entry = again.accounts().get(0).entries().get(0);
    assertThat(entry.bookingDate()).hasToString("2026-02-28");
    assertThat(entry.amount()).hasToString("EUR 1017.00");
    assertThat(entry.payerName()).isEqualTo("Bäckerei");
  }

  @Test
  void invoicesToo() throws Exception {
    var read =
        around(
            """
            number,customer_id,issue_date,due_date,currency,total
            A-1,C1,2026-04-01,2026-05-01,USD,10.00
            A-2,C1,2026-04-31,2026-05-01,USD,10.00
            """);
    assertThat(read.content().invoices()).hasSize(1);
    assertThat(read.leftOut()).hasSize(1);
  }

  @Test
  void aFileThatIsBrokenAsAWholeStaysSo() {
    // no row is left
    assertThatThrownBy(() -> around("date,amount,currency\n2026-13-01,1.00,USD\n"))
        .isInstanceOf(BrokenFile.class);
    // a quote is never closed, which is about all that follows
    assertThatThrownBy(
            () ->
                around(
                    "date,amount,currency,text\n2026-04-01,1.00,USD,a\n2026-04-02,x,USD,\"b\n2026-04-03,2.00,USD,c\n"))
        .isInstanceOf(BrokenFile.class);
  }

  @Test
  void whatIsNoTableIsReadWholeOrNotAtAll() throws Exception {
    var camt =
        "<?xml version=\"1.0\"?><Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"></Document>";
    assertThat(
            AnyFile.readAround(
                FileBytes.of(camt.getBytes(StandardCharsets.UTF_8)),
                Optional.empty(),
                new Reading(Optional.empty()),
                List.of()))
        .isEmpty();
  }

  /** No row is lost: each is read or given back, whatever is wrong with how many. */
  @Property(tries = 200)
  void eachRowIsReadOrGivenBack(@ForAll long seed) throws Exception {
    var random = new Random(seed);
    var wrong = List.of("2026-02-30,5.00,USD", "2026-04-01,5.0.0,USD", "2026-04-01,5.00,DOLLAR");
    var text = new StringBuilder("date,amount,currency\n2026-03-31,1.00,USD\n");
    var lines = new ArrayList<Integer>();
    var rows = random.nextInt(1, 30);
    for (var n = 0; n < rows; n++) {
      if (random.nextInt(4) == 0) {
        lines.add(n + 3);
        text.append(wrong.get(random.nextInt(wrong.size()))).append('\n');
      } else {
        text.append("2026-04-").append("%02d".formatted(n % 28 + 1)).append(",2.00,USD\n");
      }
    }
    var read = around(text.toString());
    assertThat(read.leftOut()).extracting(r -> r.line()).isEqualTo(lines);
    assertThat(entries(read)).hasSize(rows + 1 - lines.size());
  }
}
