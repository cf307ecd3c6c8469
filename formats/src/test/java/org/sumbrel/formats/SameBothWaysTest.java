package org.sumbrel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * What is written in each of the formats, by a writer that shares no code with the readers, is read
 * back the same.
 */
class SameBothWaysTest {

  private static final String LETTERS = "ABC XYZ 0123456789 &<>,\"éß€";

  private static String text(Random random, int longest) {
    var text = new StringBuilder();
    for (var n = random.nextInt(longest); n > 0; n--) {
      text.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
    }
    return text.toString().strip();
  }

  private static List<StatementEntry> entries(Random random, int count) {
    var entries = new ArrayList<StatementEntry>();
    for (var n = 0; n < count; n++) {
      var day = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365));
      var amount = Money.ofMinor(CurrencyUnit.USD, random.nextInt(2_000_000) - 1_000_000);
      entries.add(
          new StatementEntry(
              "ID" + n,
              day,
              day,
              amount,
              text(random, 30),
              "",
              text(random, 60),
              text(random, 10),
              "" + n,
              "",
              EntryStatus.BOOKED,
              false,
              Money.zero(CurrencyUnit.USD),
              List.of(),
              0));
    }
    return entries;
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }

  private static String element(String name, String value, boolean closed) {
    return value.isEmpty()
        ? ""
        : "<" + name + ">" + escaped(value) + (closed ? "</" + name + ">" : "") + "\n";
  }

  private static String ofx(List<StatementEntry> entries, boolean xml) {
    var ofx = new StringBuilder();
    ofx.append(
        xml
            ? "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<?OFX OFXHEADER=\"200\" VERSION=\"211\"?>\n"
            : "OFXHEADER:100\nDATA:OFXSGML\nVERSION:103\nENCODING:UTF-8\nCHARSET:NONE\n\n");
    ofx.append("<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS>")
        .append(element("CURDEF", "USD", xml))
        .append("<BANKACCTFROM>");
    ofx.append(element("ACCTID", "4411", xml)).append("</BANKACCTFROM><BANKTRANLIST>\n");
    for (var e : entries) {
      ofx.append("<STMTTRN>\n")
          .append(element("DTPOSTED", e.bookingDate().toString().replace("-", ""), xml));
      ofx.append(element("TRNAMT", MoneyText.plain(e.amount()), xml))
          .append(element("FITID", e.entryId(), xml));
      ofx.append(element("CHECKNUM", e.checkNumber(), xml))
          .append(element("REFNUM", e.bankReference(), xml));
      ofx.append(element("NAME", e.payerName(), xml))
          .append(element("MEMO", e.remittance(), xml))
          .append("</STMTTRN>\n");
    }
    return ofx.append("</BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>\n").toString();
  }

  private static String csv(List<StatementEntry> entries) {
    var csv =
        new StringBuilder(
            "entry_id,booking_date,amount,currency,payer_name,remittance,bank_reference,check_number\n");
    for (var e : entries) {
      csv.append(
          "%s,%s,%s,USD,%s,%s,%s,%s\n"
              .formatted(
                  e.entryId(),
                  e.bookingDate(),
                  MoneyText.plain(e.amount()),
                  quoted(e.payerName()),
                  quoted(e.remittance()),
                  quoted(e.bankReference()),
                  e.checkNumber()));
    }
    return csv.toString();
  }

  private static String quoted(String text) {
    return "\"" + text.replace("\"", "\"\"") + "\"";
  }

  private static void assertReadBack(String file, List<StatementEntry> written) throws BrokenFile {
    var content = AnyFile.read(file.getBytes(StandardCharsets.UTF_8));
    assertThat(content.problems()).isEmpty();
    assertThat(content.accounts())
        .hasSize(written.isEmpty() && content.format() == Format.STATEMENT_CSV ? 0 : 1);
    for (var account : content.accounts()) {
      assertThat(account.entries())
          .usingRecursiveFieldByFieldElementComparatorIgnoringFields("line")
          .isEqualTo(written);
    }
  }

  @Property(tries = 200)
  void readsBackSgml(@ForAll Random random, @ForAll @IntRange(max = 12) int count)
      throws BrokenFile {
    var entries = entries(random, count);
    assertReadBack(ofx(entries, false), entries);
  }

  @Property(tries = 200)
  void readsBackXml(@ForAll Random random, @ForAll @IntRange(max = 12) int count)
      throws BrokenFile {
    var entries = entries(random, count);
    assertReadBack(ofx(entries, true), entries);
  }

  @Property(tries = 200)
  void readsBackCsv(@ForAll Random random, @ForAll @IntRange(max = 12) int count)
      throws BrokenFile {
    var entries = entries(random, count);
    assertReadBack(csv(entries), entries);
  }
}
