package org.sumbrel.formats.camt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.formats.TestFiles.read;

import com.prowidesoftware.swift.model.mx.AbstractMX;
import com.prowidesoftware.swift.model.mx.MxCamt05300108;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.TestFiles;
import org.sumbrel.formats.statement.AccountStatement;

/** Our reader and writer beside an independent model of ISO 20022, pw-iso20022. */
class IndependentCamtTest {

  private static final String OLD = TestFiles.text("camt/report-example-053.xml");

  private static String newer() {
    return OLD.replace("<Sts>BOOK</Sts>", "<Sts><Cd>BOOK</Cd></Sts>")
        .replaceAll("<Dbtr>(.*?)</Dbtr>", "<Dbtr><Pty>$1</Pty></Dbtr>");
  }

  static Stream<Arguments> versions() {
    return Stream.of("052", "053", "054")
        .flatMap(
            message ->
                Stream.of("02", "03", "04", "05", "06", "07", "08", "09", "10", "11", "12", "13")
                    .map(version -> Arguments.of(message, version)));
  }

  /**
   * What the library understands of a message of each version, and writes out itself, is read by us
   * like the message.
   */
  @ParameterizedTest
  @MethodSource("versions")
  void readsWhatTheLibraryWritesOfEachVersion(String message, String version) throws Exception {
    var source = version.compareTo("07") < 0 ? OLD : newer();
    var file = source.replace("camt.053.001.02", "camt." + message + ".001." + version);
    if (message.equals("052")) {
      file = file.replace("BkToCstmrStmt", "BkToCstmrAcctRpt").replace("Stmt>", "Rpt>");
    } else if (message.equals("054")) {
      file =
          file.replace("BkToCstmrStmt", "BkToCstmrDbtCdtNtfctn")
              .replace("Stmt>", "Ntfctn>")
              // a notification has no balances
              .replaceAll("(?s)<Bal>.*</Bal>", "");
    }
    var mx = AbstractMX.parse(file);
    assertThat(mx).isNotNull();
    assertThat(mx.getVersion()).isEqualTo(Integer.parseInt(version));
    var ours = read(file);
    var theirs = read(mx.message());

    assertThat(theirs.format().word()).isEqualTo("camt." + message);
    assertThat(ours.problems()).isEmpty();
    assertThat(theirs.problems()).isEmpty();
    assertThat(theirs.accounts())
        .usingRecursiveComparison()
        .ignoringFieldsMatchingRegexes(".*line")
        .isEqualTo(ours.accounts());
    assertThat(ours.accounts().get(0).entries()).hasSize(3);
  }

  /** The library accepts what we write, and finds the same entries in it. */
  @Test
  void theLibraryReadsWhatWeWrite() throws Exception {
    var statement = AnyFile.read(TestFiles.bytes("camt/report-example-053.xml")).accounts();
    var mx = MxCamt05300108.parse(written(statement));

    assertThat(mx).isNotNull();
    var read = mx.getBkToCstmrStmt().getStmt().get(0);
    assertThat(read.getAcct().getId().getOthr().getId()).isEqualTo("50000000054910000003");
    assertThat(read.getBal()).hasSize(2);
    assertThat(read.getTxsSummry().getTtlNtries().getNbOfNtries()).isEqualTo("3");
    for (var n = 0; n < 3; n++) {
      var theirs = read.getNtry().get(n);
      var ours = statement.get(0).entries().get(n);
      assertThat(theirs.getAmt().getValue()).isEqualByComparingTo(ours.amount().abs().getAmount());
      assertThat(theirs.getCdtDbtInd().value())
          .isEqualTo(ours.amount().isNegative() ? "DBIT" : "CRDT");
      assertThat(theirs.getAcctSvcrRef()).isEqualTo(ours.entryId());
      assertThat(theirs.getBookgDt().getDt()).isEqualTo(ours.bookingDate());
      assertThat(theirs.getSts().getCd()).isEqualTo("BOOK");
    }
    assertThat(
            read.getNtry()
                .get(0)
                .getNtryDtls()
                .get(0)
                .getTxDtls()
                .get(0)
                .getRltdPties()
                .getDbtr()
                .getPty()
                .getNm())
        .isEqualTo("MUELLER");
  }

  private static String written(List<AccountStatement> statements) throws IOException {
    var out = new ByteArrayOutputStream();
    CamtWriter.write("M-1", LocalDateTime.of(2026, 5, 29, 18, 0), statements, out);
    return out.toString(StandardCharsets.UTF_8);
  }
}
