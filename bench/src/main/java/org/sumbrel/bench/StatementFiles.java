package org.sumbrel.bench;

import java.io.IOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Random;

/** Made-up statements as a bank would write them, written by hand and not by the writer of ours. */
final class StatementFiles {

  private static final String[] NAMES = {
    "Three Rivers Sourdough",
    "Thistlebrook School Kitchens",
    "Piazza Forno",
    "Wrenhouse Bagels",
    "Moulin Importers"
  };

  private StatementFiles() {}

  /** What the entries of a file are. */
  enum Kind {
    /** Mostly credits, of September. */
    CREDITS,
    /** Only debits, of August. */
    DEBITS
  }

  /** A camt.053.001.08 of so many entries, over a month; every tenth is a batch of three. */
  static void camt(Path file, String account, int entries, Kind kind) throws IOException {
    var random = new Random(53);
    var day = LocalDate.of(2025, kind == Kind.CREDITS ? 9 : 8, 1);
    try (var out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      out.write(
          "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\">\n"
              + "<BkToCstmrStmt>\n<GrpHdr><MsgId>BENCH</MsgId><CreDtTm>2025-10-01T06:00:00</CreDtTm></GrpHdr>\n<Stmt>\n<Id>BENCH-1</Id>"
              + "<CreDtTm>2025-10-01T06:00:00</CreDtTm>\n<Acct><Id><Othr><Id>"
              + account
              + "</Id></Othr></Id><Ccy>USD</Ccy></Acct>\n");
      for (var n = 0; n < entries; n++) {
        entry(out, random, day.plusDays((long) n * 30 / entries), n, kind);
      }
      out.write("</Stmt>\n</BkToCstmrStmt>\n</Document>\n");
    }
  }

  private static void entry(Writer out, Random random, LocalDate day, int n, Kind kind)
      throws IOException {
    var cents = 300 + random.nextInt(5_000_000);
    var batch = n % 10 == 0;
    out.write(
        "<Ntry><NtryRef>"
            + n
            + "</NtryRef><Amt Ccy=\"USD\">"
            + amount(cents)
            + "</Amt><CdtDbtInd>"
            + (n % 7 == 3 || kind == Kind.DEBITS ? "DBIT" : "CRDT")
            + "</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts>\n<BookgDt><Dt>"
            + day
            + "</Dt></BookgDt><ValDt><Dt>"
            + day
            + "</Dt></ValDt><AcctSvcrRef>"
            + kind
            + n
            + "</AcctSvcrRef>\n<BkTxCd><Domn><Cd>PMNT</Cd><Fmly><Cd>RCDT</Cd><SubFmlyCd>ESCT</SubFmlyCd></Fmly></Domn></BkTxCd>\n<NtryDtls>");
    if (batch) {
      out.write("<Btch><NbOfTxs>3</NbOfTxs></Btch>");
      transaction(out, random, n, 100);
      transaction(out, random, n, 100);
      transaction(out, random, n, cents - 200);
    } else {
      transaction(out, random, n, cents);
    }
    out.write("</NtryDtls><AddtlNtryInf>CREDIT TRANSFER</AddtlNtryInf></Ntry>\n");
  }

  private static void transaction(Writer out, Random random, int n, int cents) throws IOException {
    out.write(
        "<TxDtls><Refs><EndToEndId>E2E-"
            + n
            + "</EndToEndId></Refs><Amt Ccy=\"USD\">"
            + amount(cents)
            + "</Amt>\n<RltdPties><Dbtr><Pty><Nm>"
            + NAMES[random.nextInt(NAMES.length)]
            + "</Nm><PstlAdr><Ctry>US</Ctry><AdrLine>"
            + random.nextInt(900)
            + " Mill Lane</AdrLine></PstlAdr></Pty></Dbtr><DbtrAcct><Id><Othr><Id>"
            + (10_000_000 + random.nextInt(80_000_000))
            + "</Id></Othr></Id></DbtrAcct></RltdPties>\n<RltdAgts><DbtrAgt><FinInstnId><Nm>Copperbeck Savings Bank</Nm></FinInstnId></DbtrAgt></RltdAgts>"
            + "<RmtInf><Ustrd>INVOICE LM-00"
            + (20_000 + random.nextInt(9_000))
            + " AND LM-00"
            + (20_000 + random.nextInt(9_000))
            + "</Ustrd></RmtInf></TxDtls>");
  }

  private static String amount(int cents) {
    return cents / 100 + "." + cents % 100 / 10 + cents % 10;
  }
}
