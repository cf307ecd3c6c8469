package org.sumbrel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Whatever is changed at one place of a sound file, the money in it is the same, a problem is
 * listed, or the file is refused. Each sample has totals or balances that its amounts are held
 * against; an amount that nothing in the file is held against (all of OFX, the first line of a
 * table with balances) is left alone, and so are names, dates and texts, which no format protects.
 */
class DamagedFilesTest {

  private static final Map<String, String> SAMPLES = new LinkedHashMap<>();
  private static final String STRANGE = "0123456789-+.,;:/\"'()<>&=\t\r\n \u00e9€$XxCDdcAN";

  static {
    SAMPLES.put(
        "camt",
        """
        <?xml version="1.0" encoding="UTF-8"?>
        <Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt>
        <GrpHdr><MsgId>M</MsgId><CreDtTm>2026-05-29T18:00:00</CreDtTm></GrpHdr>
        <Stmt><Id>S</Id><CreDtTm>2026-05-29T18:00:00</CreDtTm>
        <Acct><Id><IBAN>DE89370400440532013000</IBAN></Id><Ccy>EUR</Ccy></Acct>
        <Bal><Tp><CdOrPrtry><Cd>OPBD</Cd></CdOrPrtry></Tp><Amt Ccy="EUR">100.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>2026-05-28</Dt></Dt></Bal>
        <Bal><Tp><CdOrPrtry><Cd>CLBD</Cd></CdOrPrtry></Tp><Amt Ccy="EUR">1324.50</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>2026-05-29</Dt></Dt></Bal>
        <TxsSummry><TtlNtries><NbOfNtries>2</NbOfNtries><Sum>1244.50</Sum></TtlNtries></TxsSummry>
        <Ntry><Amt Ccy="EUR">1234.50</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-05-28</Dt></BookgDt><AcctSvcrRef>A1</AcctSvcrRef></Ntry>
        <Ntry><Amt Ccy="EUR">10.00</Amt><CdtDbtInd>DBIT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-05-29</Dt></BookgDt><AcctSvcrRef>A2</AcctSvcrRef></Ntry>
        </Stmt></BkToCstmrStmt></Document>
        """);
    SAMPLES.put(
        "mt940",
        """
        :20:X1
        :25:10020030/1234567
        :28C:14/1
        :60F:C260528EUR100,00
        :61:2605280528C1234,50NTRFNONREF//B1
        :86:/NAME/PIAZZA FORNO/REMI/INV 4410
        :61:2605290529D10,00NCHGNONREF//B2
        :86:ACCOUNT FEE
        :62F:C260529EUR1324,50
        -
        """);
    SAMPLES.put(
        "bai2",
        """
        01,122099999,123456789,260529,0800,1,80,,2/
        02,123456789,122099999,1,260528,,USD,2/
        03,77,USD,010,10000,,,015,132450,,/
        16,195,123450,S,123450,0,0,B1,C1,INV 4410/
        16,698,1000,0,B2,,FEE/
        49,266900,4/
        98,266900,1,6/
        99,266900,1,8/
        """);
    SAMPLES.put(
        "lockbox",
        """
        101LARKSTOW  COPPERBECK2605290730
        2LARKSTOW  COPPERBECK          400080
        50010000004410260529
        6001001000002969411100002500770001230000002214THREE RIVERS SOURDOUGH
        6001002000000750011100002500770004410000000371
        700100000044102605290020000037194
        8000000000441026052900020000037194
        9000008
        """);
    SAMPLES.put(
        "table",
        "Buchungstag;Saldo;Währung;Umsatz;Auftraggeber;Verwendungszweck\n"
            + "27.05.2026;1.000,00;EUR;#0,00#;Bank;Vortrag\n"
            + "28.05.2026;2.234,50;EUR;1.234,50;Piazza Forno;Rechnung 1\n"
            + "29.05.2026;2.224,50;EUR;-10,00;Bank;Gebühr\n"
            + "29.05.2026;2.724,50;EUR;500,00;Oskar;Rechnung 2\n");
    SAMPLES.put(
        "ofx",
        "OFXHEADER:100\nDATA:OFXSGML\nVERSION:102\nENCODING:UTF-8\n\n<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD"
            + "<BANKACCTFROM><BANKID>1<ACCTID>77<ACCTTYPE>CHECKING</BANKACCTFROM><BANKTRANLIST>\n"
            + "<STMTTRN><TRNTYPE>CREDIT<DTPOSTED>20260528<TRNAMT>#1234.50#<FITID>A<NAME>Piazza</STMTTRN>\n"
            + "<STMTTRN><TRNTYPE>DEBIT<DTPOSTED>20260529<TRNAMT>#-10.00#<FITID>B<NAME>Bank</STMTTRN>\n"
            + "</BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>\n");
  }

  /** Of these a whole line may be missing without a trace. */
  private static final Set<String> WITHOUT_AN_END = Set.of("table", "ofx");

  static Stream<String> samples() {
    return SAMPLES.keySet().stream();
  }

  @Provide
  Arbitrary<String> sample() {
    return Arbitraries.of(SAMPLES.keySet());
  }

  /** What is booked and what cheques come to, in the order of the file. */
  private static List<String> money(FileContent content) {
    return Stream.concat(
            content.accounts().stream()
                .flatMap(a -> a.entries().stream())
                .map(e -> e.amount() + (e.booked() ? "" : " not booked")),
            content.batches().stream()
                .flatMap(b -> b.cheques().stream())
                .map(c -> c.amount().toString()))
        .toList();
  }

  private static String text(String name) {
    return SAMPLES.get(name).replace("#", "");
  }

  @ParameterizedTest
  @MethodSource("samples")
  void eachSampleIsSound(String name) throws Exception {
    var content = AnyFile.read(text(name).getBytes(StandardCharsets.UTF_8));
    assertThat(content.problems()).isEmpty();
    assertThat(money(content)).hasSizeGreaterThan(1);
  }

  @Property(tries = 6_000)
  void noMoneyChangesInSilence(@ForAll("sample") String name, @ForAll Random random)
      throws BrokenFile {
    var marked = SAMPLES.get(name);
    int at;
    do {
      at = random.nextInt(marked.length());
    } while (marked.charAt(at) == '#'
        || marked.substring(0, at).chars().filter(c -> c == '#').count() % 2 == 1);
    var before = marked.substring(0, at);
    var here = marked.substring(at, at + 1);
    var behind = marked.substring(at + 1);
    var strange = STRANGE.substring(random.nextInt(STRANGE.length())).substring(0, 1);
    var end = marked.indexOf('\n', at) + 1;
    var damaged =
        switch (random.nextInt(WITHOUT_AN_END.contains(name) ? 4 : 6)) {
          case 0 -> before + strange + behind;
          case 1 -> before + strange + here + behind;
          case 2 -> before + behind;
          case 3 ->
              behind.isEmpty() ? marked : before + behind.charAt(0) + here + behind.substring(1);
          case 4 -> before.substring(0, before.lastIndexOf('\n') + 1) + marked.substring(end);
          default -> before + marked.substring(end);
        };
    var sound = money(AnyFile.read(text(name).getBytes(StandardCharsets.UTF_8)));
    try {
      var content = AnyFile.read(damaged.replace("#", "").getBytes(StandardCharsets.UTF_8));
      if (content.problems().isEmpty()) {
        assertThat(money(content)).as(damaged).isEqualTo(sound);
      }
    } catch (BrokenFile refused) {
      assertThat(refused.problems()).isNotEmpty();
    }
  }
}
