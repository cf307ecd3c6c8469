package org.sumbrel.formats.ofx;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.formats.xml.XmlText;

/**
 * Writes statements as OFX 2.2 (XML). Only booked entries are written: OFX knows pending ones
 * without an id, and none for information. Names and texts are written whole, though the standard
 * gives them 32 and 255 characters.
 */
public final class OfxWriter {

  private static final DateTimeFormatter DAY = DateTimeFormatter.BASIC_ISO_DATE;
  private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyyMMddHHmmss");

  private OfxWriter() {}

  /**
   * Writes one response with all statements.
   *
   * @throws IOException where the stream takes no more
   */
  public static void write(
      LocalDateTime created, List<AccountStatement> statements, OutputStream out)
      throws IOException {
    try {
      var xml = new XmlText(out);
      xml.instruction(
          "OFX",
          "OFXHEADER=\"200\" VERSION=\"220\" SECURITY=\"NONE\" OLDFILEUID=\"NONE\" NEWFILEUID=\"NONE\"");
      xml.open("OFX").open("SIGNONMSGSRSV1").open("SONRS");
      status(xml);
      xml.leaf("DTSERVER", created.format(MOMENT)).leaf("LANGUAGE", "ENG").close().close();
      xml.open("BANKMSGSRSV1");
      for (var n = 0; n < statements.size(); n++) {
        statement(xml, statements.get(n), n + 1);
      }
      xml.close().close().end();
    } catch (XMLStreamException e) {
      throw new IOException(e);
    }
  }

  private static void status(XmlText xml) throws XMLStreamException {
    xml.open("STATUS").leaf("CODE", "0").leaf("SEVERITY", "INFO").close();
  }

  private static void statement(XmlText xml, AccountStatement statement, int running)
      throws XMLStreamException {
    xml.newLine().open("STMTTRNRS").leaf("TRNUID", Integer.toString(running));
    status(xml);
    xml.open("STMTRS").leaf("CURDEF", statement.currency().getCode());
    xml.open("BANKACCTFROM")
        .leaf("BANKID", "0")
        .leaf("ACCTID", statement.account())
        .leaf("ACCTTYPE", "CHECKING")
        .close();
    xml.newLine().open("BANKTRANLIST");
    var days = statement.entries().stream().map(StatementEntry::bookingDate).toList();
    xml.leaf(
        "DTSTART", day(statement.from().or(() -> days.stream().min(Comparator.naturalOrder()))));
    xml.leaf(
        "DTEND", day(statement.until().or(() -> days.stream().max(Comparator.naturalOrder()))));
    for (var entry : statement.entries()) {
      if (entry.booked()) {
        transaction(xml, entry);
      }
    }
    xml.close();
    if (statement.closing().isPresent()) {
      var closing = statement.closing().get();
      xml.open("LEDGERBAL")
          .leaf("BALAMT", MoneyText.plain(closing.amount()))
          .leaf("DTASOF", closing.date().format(DAY))
          .close();
    }
    xml.close().close();
  }

  private static String day(Optional<LocalDate> day) {
    return day.map(d -> d.format(DAY)).orElse("");
  }

  private static void transaction(XmlText xml, StatementEntry entry) throws XMLStreamException {
    xml.newLine().open("STMTTRN");
    xml.leaf(
        "TRNTYPE",
        !entry.checkNumber().isEmpty()
            ? "CHECK"
            : entry.amount().isNegative() ? "DEBIT" : "CREDIT");
    xml.leaf("DTPOSTED", entry.bookingDate().format(DAY));
    if (!entry.valueDate().equals(entry.bookingDate())) {
      xml.leaf("DTAVAIL", entry.valueDate().format(DAY));
    }
    xml.leaf("TRNAMT", MoneyText.plain(entry.amount()));
    xml.leaf("FITID", entry.entryId());
    xml.leaf("CHECKNUM", entry.checkNumber());
    xml.leaf("REFNUM", entry.bankReference());
    xml.leaf("NAME", entry.payerName());
    if (!entry.payerAccount().isEmpty()) {
      xml.open("BANKACCTTO")
          .leaf("BANKID", "0")
          .leaf("ACCTID", entry.payerAccount())
          .leaf("ACCTTYPE", "CHECKING")
          .close();
    }
    xml.leaf("MEMO", entry.remittance());
    xml.close();
  }
}
