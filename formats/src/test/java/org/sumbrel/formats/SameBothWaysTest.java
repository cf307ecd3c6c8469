package org.sumbrel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.camt.CamtWriter;
import org.sumbrel.formats.ofx.OfxWriter;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.AccountStatement.Balance;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.Exchange;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.formats.table.StatementCsvWriter;

/**
 * What is written in each of the formats is read back the same: by writers that share no code with
 * the readers, and by our own.
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
          .usingRecursiveFieldByFieldElementComparatorIgnoringFields("line", "bankText")
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

  /** Entries with everything that camt.053 has room for, so that nothing is cut. */
  private static StatementEntry full(StatementEntry entry, Random random, int n) {
    var details = new ArrayList<EntryDetail>();
    var parts = random.nextInt(3) == 0 ? 3 : 1;
    var zero = Money.zero(CurrencyUnit.USD);
    for (var part = 0; part < parts; part++) {
      details.add(
          new EntryDetail(
              Optional.of(
                  part == 0
                      ? entry.amount().minus(Money.ofMinor(CurrencyUnit.USD, parts - 1L))
                      : Money.ofMinor(CurrencyUnit.USD, 1)),
              text(random, 40),
              "DE89370400440532013000",
              text(random, 20),
              text(random, 600).replaceAll(" +", " "),
              text(random, 20),
              "E2E" + n,
              part == 0 && parts == 1 ? "7" + n : "",
              Money.ofMinor(CurrencyUnit.USD, random.nextInt(100)),
              random.nextInt(4) == 0
                  ? Optional.of(
                      new Exchange(
                          Optional.of(Money.ofMinor(CurrencyUnit.EUR, random.nextInt(10_000))),
                          "EUR",
                          "USD",
                          "EUR",
                          Optional.of(new BigDecimal("1.0875"))))
                  : Optional.empty()));
    }
    var only = parts == 1 ? details.get(0) : null;
    var bankText = text(random, 30);
    var said = only == null ? "" : only.remittance();
    return new StatementEntry(
        entry.entryId(),
        entry.bookingDate(),
        entry.valueDate().plusDays(random.nextInt(3)),
        entry.amount(),
        only == null ? "" : only.payerName(),
        only == null ? "" : only.payerAccount(),
        only != null && said.isEmpty() ? bankText : said,
        entry.entryId(),
        only == null ? "" : only.checkNumber(),
        bankText,
        EntryStatus.values()[random.nextInt(3)],
        random.nextInt(5) == 0,
        zero,
        details,
        0);
  }

  private static AccountStatement statement(List<StatementEntry> entries) {
    var opening = Money.of(CurrencyUnit.USD, 1_000);
    var closing = opening;
    for (var entry : entries) {
      closing = entry.booked() ? closing.plus(entry.amount()) : closing;
    }
    return new AccountStatement(
        "4411",
        CurrencyUnit.USD,
        "S-17",
        Optional.of(17),
        Optional.of(LocalDate.of(2026, 1, 1)),
        Optional.of(LocalDate.of(2026, 12, 31)),
        true,
        Optional.of(new Balance(LocalDate.of(2026, 1, 1), opening)),
        Optional.of(new Balance(LocalDate.of(2026, 12, 31), closing)),
        entries);
  }

  @Property(tries = 150)
  void camtIsReadBackAsItWasWritten(@ForAll Random random, @ForAll @IntRange(max = 12) int count)
      throws Exception {
    var entries = new ArrayList<StatementEntry>();
    for (var entry : entries(random, count)) {
      entries.add(full(entry, random, entries.size()));
    }
    var written = List.of(statement(entries));
    var out = new ByteArrayOutputStream();
    CamtWriter.write("M", LocalDateTime.of(2026, 12, 31, 18, 0), written, out);
    var content = AnyFile.read(out.toByteArray());
    var forInformation =
        entries.stream().filter(e -> e.status() == EntryStatus.INFORMATION).count();
    assertThat(content.problems())
        .hasSize((int) forInformation)
        .allSatisfy(p -> assertThat(p.message()).contains("status INFO"));
    assertThat(content.accounts())
        .usingRecursiveComparison()
        .ignoringFieldsMatchingRegexes(".*line")
        .isEqualTo(written);
  }

  @Property(tries = 150)
  void ofxIsReadBackAsItWasWritten(@ForAll Random random, @ForAll @IntRange(max = 12) int count)
      throws Exception {
    var entries = entries(random, count);
    var out = new ByteArrayOutputStream();
    OfxWriter.write(LocalDateTime.of(2026, 12, 31, 18, 0), List.of(statement(entries)), out);
    assertReadBack(out.toString(StandardCharsets.UTF_8), entries);
  }

  @Property(tries = 150)
  void csvIsReadBackAsItWasWritten(@ForAll Random random, @ForAll @IntRange(max = 12) int count)
      throws Exception {
    var entries = new ArrayList<StatementEntry>();
    for (var entry : entries(random, count)) {
      // a text that a spreadsheet would take for a formula comes back as it was
      entries.add(random.nextInt(3) == 0 ? saying(entry, "=1+" + entries.size()) : entry);
    }
    var out = new ByteArrayOutputStream();
    StatementCsvWriter.write(List.of(statement(entries)), out);
    assertReadBack(out.toString(StandardCharsets.UTF_8), entries);
  }

  private static StatementEntry saying(StatementEntry entry, String text) {
    return new StatementEntry(
        entry.entryId(),
        entry.bookingDate(),
        entry.valueDate(),
        entry.amount(),
        entry.payerName(),
        entry.payerAccount(),
        text,
        entry.bankReference(),
        entry.checkNumber(),
        entry.bankText(),
        entry.status(),
        entry.reversal(),
        entry.charges(),
        entry.details(),
        0);
  }
}
