package org.sumbrel.formats.camt;

import javax.xml.stream.XMLStreamException;
import org.sumbrel.formats.xml.XmlCursor;

/** Names and accounts of those who take part, whichever version they are written in. */
final class CamtParty {

  String debtor = "";
  String debtorAccount = "";
  String ultimateDebtor = "";
  String creditor = "";
  String creditorAccount = "";
  String ultimateCreditor = "";

  /** Reads {@code RltdPties}. */
  void read(XmlCursor xml) throws XMLStreamException {
    while (xml.child()) {
      switch (xml.name()) {
        case "Dbtr" -> debtor = name(xml);
        case "DbtrAcct" -> debtorAccount = account(xml);
        case "UltmtDbtr" -> ultimateDebtor = name(xml);
        case "Cdtr" -> creditor = name(xml);
        case "CdtrAcct" -> creditorAccount = account(xml);
        case "UltmtCdtr" -> ultimateCreditor = name(xml);
        default -> xml.skip();
      }
    }
  }

  /**
   * Whether the other side of a reversal is the debtor. Some banks keep the parties of the first
   * movement and some exchange them, so a side that is the owner of the account, or is not named at
   * all, decides before the direction does.
   */
  boolean payerOfReversalIsDebtor(boolean byDirection, CamtOwner owner) {
    var debtorIsOwner = owner.is(debtor, debtorAccount);
    var creditorIsOwner = owner.is(creditor, creditorAccount);
    if (debtorIsOwner != creditorIsOwner) {
      return creditorIsOwner;
    }
    var noDebtor = debtor.isEmpty() && debtorAccount.isEmpty();
    var noCreditor = creditor.isEmpty() && creditorAccount.isEmpty();
    return noDebtor == noCreditor ? byDirection : noCreditor;
  }

  /** {@code Nm} right below, or inside {@code Pty} or {@code Agt/FinInstnId} as from version 08. */
  static String name(XmlCursor xml) throws XMLStreamException {
    var name = "";
    while (xml.child()) {
      switch (xml.name()) {
        case "Nm" -> name = name.isEmpty() ? xml.text() : skipped(xml, name);
        case "Pty", "Agt", "FinInstnId" -> {
          var inner = name(xml);
          name = name.isEmpty() ? inner : name;
        }
        default -> xml.skip();
      }
    }
    return name;
  }

  private static String skipped(XmlCursor xml, String kept) throws XMLStreamException {
    xml.skip();
    return kept;
  }

  private static String account(XmlCursor xml) throws XMLStreamException {
    var id = "";
    while (xml.child()) {
      if (xml.name().equals("Id")) {
        id = accountId(xml);
      } else {
        xml.skip();
      }
    }
    return id;
  }

  /** {@code IBAN} or {@code Othr/Id}. */
  static String accountId(XmlCursor xml) throws XMLStreamException {
    var id = "";
    while (xml.child()) {
      switch (xml.name()) {
        case "IBAN" -> id = xml.text().replace(" ", "");
        case "Othr" -> {
          while (xml.child()) {
            if (xml.name().equals("Id")) {
              id = xml.text();
            } else {
              xml.skip();
            }
          }
        }
        default -> xml.skip();
      }
    }
    return id;
  }
}
