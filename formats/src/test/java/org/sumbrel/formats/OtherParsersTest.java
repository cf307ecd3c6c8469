package org.sumbrel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.webcohesion.ofx4j.domain.data.MessageSetType;
import com.webcohesion.ofx4j.domain.data.ResponseEnvelope;
import com.webcohesion.ofx4j.domain.data.banking.BankingResponseMessageSet;
import com.webcohesion.ofx4j.io.AggregateUnmarshaller;
import java.io.StringReader;
import java.math.BigDecimal;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * Sample files that general-purpose parsers of the registries ship are read like those parsers read
 * them; which, and under which licence, says samples/README.md.
 */
class OtherParsersTest {

  private static List<String[]> expected(String name) {
    return TestFiles.text("samples/" + name + ".expected")
        .lines()
        .map(line -> line.split("\t", -1))
        .toList();
  }

  private static void same(BigDecimal ours, String theirs) {
    assertThat(ours).isEqualByComparingTo(new BigDecimal(theirs));
  }

  /** Source: test files of mt940js 1.3.5, and what mt940js reads from them. */
  @ParameterizedTest
  @ValueSource(strings = {"mt940js-test1.mt940", "mt940js-testX.mt940"})
  void readsMt940LikeMt940js(String name) throws Exception {
    var content = AnyFile.read(TestFiles.bytes("samples/" + name));
    assertThat(content.problems()).isEmpty();
    var statements = content.accounts().iterator();
    AccountStatement statement = null;
    var entries = new ArrayList<StatementEntry>().iterator();
    for (var line : expected(name)) {
      if (line[0].equals("statement")) {
        assertThat(entries.hasNext()).isFalse();
        statement = statements.next();
        entries = new ArrayList<>(statement.entries()).iterator();
        assertThat(statement.account()).isEqualTo(line[1]);
        assertThat(statement.currency().getCode()).isEqualTo(line[2]);
        assertThat(statement.opening().orElseThrow().date()).hasToString(line[3]);
        same(statement.opening().orElseThrow().amount().getAmount(), line[4]);
        assertThat(statement.closing().orElseThrow().date()).hasToString(line[5]);
        same(statement.closing().orElseThrow().amount().getAmount(), line[6]);
      } else {
        var entry = entries.next();
        assertThat(entry.valueDate()).hasToString(line[1]);
        assertThat(entry.bookingDate()).hasToString(line[2]);
        same(entry.amount().getAmount(), line[3]);
        assertThat(entry.reversal()).isEqualTo(Boolean.parseBoolean(line[4]));
        assertThat(entry.entryId()).isEqualTo(line[5]);
        assertThat(entry.details().get(0).endToEnd())
            .isEqualTo(line[6].equals("NONREF") ? "" : line[6]);
      }
    }
    assertThat(statements.hasNext()).isFalse();
    assertThat(entries.hasNext()).isFalse();
  }

  /** Source: test files of ofx 0.5.0 (npm), and what it reads from them. */
  @ParameterizedTest
  @ValueSource(strings = {"ofx-example1.ofx", "ofx-example-xml.qfx"})
  void readsOfxLikeOfx(String name) throws Exception {
    var statement = TestFiles.only(AnyFile.read(TestFiles.bytes("samples/" + name)));
    var lines = expected(name);
    assertThat(statement.account()).isEqualTo(lines.get(0)[1]);
    assertThat(statement.currency().getCode()).isEqualTo(lines.get(0)[2]);
    same(statement.closing().orElseThrow().amount().getAmount(), lines.get(0)[3]);
    assertThat(statement.closing().orElseThrow().date().toString().replace("-", ""))
        .isEqualTo(lines.get(0)[4]);
    assertThat(statement.entries()).hasSize(lines.size() - 1);
    for (var n = 0; n < statement.entries().size(); n++) {
      var entry = statement.entries().get(n);
      var line = lines.get(n + 1);
      assertThat(entry.bookingDate().toString().replace("-", "")).isEqualTo(line[1]);
      same(entry.amount().getAmount(), line[2]);
      assertThat(entry.entryId()).isEqualTo(line[3]);
      assertThat(entry.payerName()).isEqualTo(line[4]);
      assertThat(entry.remittance()).isEqualTo(line[5]);
    }
  }

  /** The same files through ofx4j's own object model, which keeps amounts as floating point. */
  @ParameterizedTest
  @ValueSource(strings = {"ofx-example1.ofx", "ofx-example-xml.qfx"})
  void readsOfxLikeOfx4j(String name) throws Exception {
    var text = TestFiles.text("samples/" + name);
    var response =
        new AggregateUnmarshaller<>(ResponseEnvelope.class).unmarshal(new StringReader(text));
    var banking = (BankingResponseMessageSet) response.getMessageSet(MessageSetType.banking);
    var theirs = banking.getStatementResponses().get(0).getMessage();
    var ours = TestFiles.only(TestFiles.read(text));

    assertThat(ours.account()).isEqualTo(theirs.getAccount().getAccountNumber());
    var transactions = theirs.getTransactionList().getTransactions();
    assertThat(ours.entries()).hasSameSizeAs(transactions);
    for (var n = 0; n < transactions.size(); n++) {
      var entry = ours.entries().get(n);
      assertThat(entry.entryId()).isEqualTo(transactions.get(n).getId());
      assertThat(entry.amount().getAmount().doubleValue())
          .isEqualTo(transactions.get(n).getAmount());
      assertThat(entry.bookingDate())
          .isEqualTo(
              transactions.get(n).getDatePosted().toInstant().atZone(ZoneOffset.UTC).toLocalDate());
    }
  }

  @Test
  void theSamplesAreNamedWithTheirSource() {
    assertThat(TestFiles.text("samples/README.md"))
        .contains("mt940js 1.3.5", "Apache-2.0", "ofx 0.5.0", "MIT");
  }
}
