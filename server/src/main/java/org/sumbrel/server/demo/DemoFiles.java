package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.sumbrel.core.receivables.CreditorReference;

/** The demo's books as the files that a bank and an invoicing system would send. */
final class DemoFiles {

  private static final String STATEMENT_OF_THE_DAY = "larkstow-operating-2026-05-29.ofx";
  private static final String EUR_STATEMENT = "larkstow-export-2026-05-29.csv";

  private DemoFiles() {}

  /** The files that stand under {@code examples/}, by name. */
  static Map<String, String> examples(DemoBooks books) {
    var files = new LinkedHashMap<String, String>();
    files.put(STATEMENT_OF_THE_DAY, statement(books.day(), DemoBooks.TODAY, BEFORE_TODAY));
    files.put(EUR_STATEMENT, exportStatement());
    files.put("thistlebrook-advice-2026-05-29.edi", advice(books));
    files.put("copperbeck-mailroom-2026-05-29.txt", DemoLockbox.file(books));
    files.put("chipfold-payout-2026-05-29.csv", DemoPayout.file(books));
    files.put("grocers-row-payout-2026-05-28.csv", DemoMarket.file(books));
    files.put(
        "new-customers.csv",
        "customer_id,name,parent_id,payer_account\nC090,Tollgate Buns,,7712004490\nC091,Lantern Hill Crackers,,\n");
    files.put(
        "new-invoices.csv",
        """
        number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,order_ref,creditor_ref,terms
        LM-0020701,invoice,C090,Tollgate Buns,2026-05-28,2026-06-27,USD,412.50,412.50,PO-7801,,
        LM-0020702,invoice,C090,Tollgate Buns,2026-05-29,2026-06-28,USD,985.00,985.00,PO-7802,,2/10 net 30
        LM-0020703,invoice,C091,Lantern Hill Crackers,2026-05-29,2026-06-28,USD,268.20,268.20,PO-7803,,
        CN-0000881,credit_note,C091,Lantern Hill Crackers,2026-05-29,2026-05-29,USD,28.00,28.00,,,
        """);
    return files;
  }

  /** What the schools' parent says of its payment of the day: X12 820, one document a line. */
  private static String advice(DemoBooks books) {
    var paid =
        books.day().stream()
            .filter(r -> r.name().startsWith("THISTLEBROOK"))
            .findFirst()
            .orElseThrow();
    var documents =
        books.invoices().stream()
            .filter(i -> !i.order().isEmpty() && paid.memo().contains(i.order()))
            .toList();
    var body = new StringBuilder();
    body.append("ST*820*0001~\nBPR*C*").append(amount(paid.cents()));
    body.append("*C*ACH*CTX*01*900000099*DA*7712004402*1512345678**01*900000012*DA*")
        .append(DemoBooks.OPERATING)
        .append('*')
        .append(day(paid.on()))
        .append("~\nTRN*1*90000009940277*1512345678~\nCUR*PR*USD~\n");
    body.append("N1*PR*Thistlebrook School Kitchens~\nN1*PE*Larkstow Mill Ltd~\nENT*1~\n");
    for (var document : documents) {
      body.append("RMR*IV*").append(document.number()).append("**");
      body.append(amount(document.cents())).append("~\nREF*PO*").append(document.order());
      body.append("~\n");
    }
    var segments = (int) body.chars().filter(c -> c == '~').count() + 1;
    return "ISA*00*          *00*          *ZZ*THISTLEBROOK   *ZZ*LARKSTOW       *260529*0700*U*00401*000000041*0*P*>~\n"
        + "GS*RA*THISTLEBROOK*LARKSTOW*20260529*0700*41*X*004010~\n"
        + body
        + "SE*%d*0001~\nGE*1*41~\nIEA*1*000000041~\n".formatted(segments);
  }

  static String customers(DemoBooks books) {
    var csv = new StringBuilder("customer_id,name,parent_id,payer_account,terms,oldest_first\n");
    for (var c : books.customers()) {
      csv.append(c.number())
          .append(",\"")
          .append(c.name())
          .append("\",")
          .append(c.parent())
          .append(',')
          .append(c.account())
          .append(',')
          .append(c.terms())
          .append(c.oldestFirst() ? ",yes" : ",")
          .append('\n');
    }
    return csv.toString();
  }

  static String invoices(List<DemoInvoice> invoices) {
    var csv =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,order_ref,creditor_ref,terms\n");
    for (var i : invoices) {
      csv.append(
          "%s,%s,%s,\"%s\",%s,%s,USD,%s,%s,%s,,%s\n"
              .formatted(
                  i.number(),
                  i.creditNote() ? "credit_note" : "invoice",
                  i.customer().number(),
                  i.customer().name(),
                  i.issuedOn(),
                  i.dueOn(),
                  amount(i.cents()),
                  amount(i.cents()),
                  i.order(),
                  i.creditNote() ? "" : i.customer().terms()));
    }
    return csv.toString();
  }

  /** An OFX 1.0.2 statement of the operating account, which had so many cents before. */
  static String statement(List<DemoReceipt> receipts, LocalDate asOf, int before) {
    var ofx = new StringBuilder();
    ofx.append(
        "OFXHEADER:100\nDATA:OFXSGML\nVERSION:102\nSECURITY:NONE\nENCODING:USASCII\nCHARSET:1252\n");
    ofx.append(
        "COMPRESSION:NONE\nOLDFILEUID:NONE\nNEWFILEUID:NONE\n\n<OFX>\n<SIGNONMSGSRSV1><SONRS>\n");
    ofx.append("<STATUS><CODE>0<SEVERITY>INFO</STATUS>\n<DTSERVER>")
        .append(day(asOf))
        .append("060000<LANGUAGE>ENG\n");
    ofx.append(
        "</SONRS></SIGNONMSGSRSV1>\n<BANKMSGSRSV1><STMTTRNRS>\n<TRNUID>1\n<STATUS><CODE>0<SEVERITY>INFO</STATUS>\n");
    ofx.append("<STMTRS>\n<CURDEF>USD\n<BANKACCTFROM><BANKID>900000012<ACCTID>")
        .append(DemoBooks.OPERATING);
    ofx.append("<ACCTTYPE>CHECKING</BANKACCTFROM>\n<BANKTRANLIST>\n<DTSTART>");
    ofx.append(day(receipts.stream().map(DemoReceipt::on).min(LocalDate::compareTo).orElse(asOf)));
    ofx.append("\n<DTEND>").append(day(asOf)).append('\n');
    for (var r : receipts) {
      ofx.append("<STMTTRN>\n<TRNTYPE>")
          .append(r.type())
          .append("\n<DTPOSTED>")
          .append(day(r.on()));
      ofx.append("120000\n<TRNAMT>").append(amount(r.cents())).append("\n<FITID>").append(r.id());
      ofx.append("\n<NAME>").append(r.name());
      if (!r.account().isEmpty()) {
        ofx.append("\n<BANKACCTTO><BANKID>900000099<ACCTID>")
            .append(r.account())
            .append("<ACCTTYPE>CHECKING</BANKACCTTO>");
      }
      if (!r.memo().isEmpty()) {
        ofx.append("\n<MEMO>").append(r.memo());
      }
      ofx.append("\n</STMTTRN>\n");
    }
    ofx.append("</BANKTRANLIST>\n<LEDGERBAL><BALAMT>");
    ofx.append(amount(before + receipts.stream().mapToInt(DemoReceipt::cents).sum()));
    ofx.append("<DTASOF>")
        .append(day(asOf))
        .append("</LEDGERBAL>\n</STMTRS>\n</STMTTRNRS></BANKMSGSRSV1>\n</OFX>\n");
    return ofx.toString();
  }

  /** What stands on the lockbox account before its first statement, in cents. */
  static final int LOCKBOX_BEFORE = 1_240_000;

  /** What stands on the operating account on the eve of the demo's day, in cents. */
  static final int BEFORE_TODAY = 48_211_640;

  private static String day(LocalDate date) {
    return date.toString().replace("-", "");
  }

  private static String amount(int cents) {
    return (cents < 0 ? "-" : "")
        + Math.abs(cents) / 100
        + "."
        + "%02d".formatted(Math.abs(cents) % 100);
  }

  static String exportCustomers() {
    return """
        customer_id,name,parent_id,payer_account
        X001,Moulin Importers SARL,,FR369999999999MOULIN0000117
        X002,Grainhaus Vertrieb GmbH,,DE65999999990000417702
        X003,Forno dei Venti Srl,,
        X004,Saltpan Trading Inc,,
        """;
  }

  /** Invoices of the export company; each carries a creditor reference (ISO 11649). */
  static String exportInvoices() {
    var csv =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,order_ref,creditor_ref,terms\n");
    var owners = List.of("X001", "X002", "X003");
    for (var n = 0; n < 18; n++) {
      var number = "LX-%05d".formatted(3_301 + n);
      var issued = LocalDate.of(2026, 4, 6).plusDays(3L * n);
      var cents = 94_000 + 7_310 * ((n * 7) % 18);
      csv.append(
          "%s,invoice,%s,,%s,%s,EUR,%s,%s,,%s,\n"
              .formatted(
                  number,
                  owners.get(n % 3),
                  issued,
                  issued.plusDays(30),
                  amount(cents),
                  amount(cents),
                  CreditorReference.around("LX" + (3_301 + n)).value()));
    }
    // a customer who is billed in dollars, and pays from there
    csv.append("LX-03401,invoice,X004,,2026-04-28,2026-05-28,USD,1000.00,1000.00,,,\n");
    csv.append("LX-03402,invoice,X004,,2026-05-11,2026-06-10,USD,2460.50,2460.50,,,\n");
    return csv.toString();
  }

  private static String exportStatement() {
    var csv =
        new StringBuilder(
            "entry_id,booking_date,amount,currency,payer_name,payer_account,remittance,bank_reference,check_number\n");
    csv.append("H-2605-01,2026-05-28,")
        .append(amount(94_000))
        .append(",EUR,MOULIN IMPORTERS S,FR369999999999MOULIN0000117,\"VIR ")
        .append(CreditorReference.around("LX3301").value())
        .append("\",H77,\n");
    csv.append("H-2605-02,2026-05-28,")
        .append(amount(94_000 + 7_310 * 7 - 1_500))
        .append(
            ",EUR,GRAINHAUS VERTR GMBH,DE65999999990000417702,RECHNUNG LX-03302 CHGS SHA,H78,\n");
    csv.append("H-2605-03,2026-05-29,")
        .append(amount(94_000 + 7_310 * 14))
        .append(",EUR,FORNO DEI VENTI,,FATTURA 3303,H79,\n");
    csv.append("H-2605-04,2026-05-29,-12.40,EUR,BANQUE DU HALAGE,,FRAIS DE TENUE,H80,\n");
    return csv.toString();
  }
}
