package org.sumbrel.formats.camt;

import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javax.xml.stream.XMLStreamException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Iban;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.AccountStatement.Balance;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.Exchange;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.formats.xml.XmlText;

/**
 * Writes statements as camt.053.001.08. Names longer than 140 and references longer than 35
 * characters are cut as the standard asks; a remittance text goes on in further lines of 140.
 */
public final class CamtWriter {

  private static final String NAMESPACE = "urn:iso:std:iso:20022:tech:xsd:camt.053.001.08";
  private static final int LONGEST_REFERENCE = 35;
  private static final int LONGEST_NAME = 140;
  private static final int LONGEST_INFORMATION = 500;

  private final XmlText xml;
  private final String created;

  private CamtWriter(XmlText xml, LocalDateTime created) {
    this.xml = xml;
    this.created = created.truncatedTo(ChronoUnit.SECONDS).toString();
  }

  /**
   * Writes one message with all statements.
   *
   * @param id of the message, at most 35 characters
   * @param created when
   * @throws IOException where the stream takes no more
   */
  public static void write(
      String id, LocalDateTime created, List<AccountStatement> statements, OutputStream out)
      throws IOException {
    try {
      new CamtWriter(new XmlText(out), created).message(id, statements);
    } catch (XMLStreamException e) {
      throw new IOException(e);
    }
  }

  private void message(String id, List<AccountStatement> statements) throws XMLStreamException {
    xml.openRoot("Document", NAMESPACE).open("BkToCstmrStmt");
    xml.open("GrpHdr").leaf("MsgId", cut(id, LONGEST_REFERENCE)).leaf("CreDtTm", created).close();
    for (var n = 0; n < statements.size(); n++) {
      statement(statements.get(n), n + 1);
    }
    xml.close().close().end();
  }

  private void statement(AccountStatement statement, int running) throws XMLStreamException {
    xml.newLine().open("Stmt");
    xml.leaf(
        "Id",
        statement.number().isEmpty()
            ? Integer.toString(running)
            : cut(statement.number(), LONGEST_REFERENCE));
    if (statement.sequence().isPresent()) {
      xml.leaf("ElctrncSeqNb", statement.sequence().get().toString());
    }
    xml.leaf("CreDtTm", created);
    if (statement.from().isPresent() && statement.until().isPresent()) {
      xml.open("FrToDt")
          .leaf("FrDtTm", statement.from().get().atStartOfDay() + ":00")
          .leaf("ToDtTm", statement.until().get().atTime(23, 59, 59).toString())
          .close();
    }
    xml.open("Acct").open("Id");
    account(statement.account());
    xml.close().leaf("Ccy", statement.currency().getCode()).close();
    if (statement.opening().isPresent()) {
      balance("OPBD", statement.opening().get());
    }
    if (statement.closing().isPresent()) {
      balance("CLBD", statement.closing().get());
    }
    totals(statement);
    for (var entry : statement.entries()) {
      entry(entry);
    }
    xml.close();
  }

  private void account(String number) throws XMLStreamException {
    if (Iban.parse(number).isPresent()) {
      xml.leaf("IBAN", number);
    } else {
      xml.open("Othr").leaf("Id", cut(number, 34)).close();
    }
  }

  private void balance(String type, Balance balance) throws XMLStreamException {
    xml.newLine().open("Bal").open("Tp").open("CdOrPrtry").leaf("Cd", type).close().close();
    amount("Amt", balance.amount());
    direction(balance.amount());
    xml.open("Dt").leaf("Dt", balance.date().toString()).close().close();
  }

  private void totals(AccountStatement statement) throws XMLStreamException {
    xml.newLine().open("TxsSummry");
    total("TtlNtries", statement, e -> true);
    total("TtlCdtNtries", statement, e -> !e.amount().isNegative());
    total("TtlDbtNtries", statement, e -> e.amount().isNegative());
    xml.close();
  }

  private void total(String name, AccountStatement statement, Predicate<StatementEntry> of)
      throws XMLStreamException {
    var sum = BigDecimal.ZERO;
    var count = 0;
    for (var entry : statement.entries()) {
      if (of.test(entry)) {
        count++;
        sum = sum.add(entry.amount().abs().getAmount());
      }
    }
    xml.open(name)
        .leaf("NbOfNtries", Integer.toString(count))
        .leaf("Sum", sum.toPlainString())
        .close();
  }

  private void entry(StatementEntry entry) throws XMLStreamException {
    xml.newLine().open("Ntry");
    amount("Amt", entry.amount());
    direction(entry.amount());
    if (entry.reversal()) {
      xml.leaf("RvslInd", "true");
    }
    xml.open("Sts").leaf("Cd", code(entry.status())).close();
    xml.open("BookgDt").leaf("Dt", entry.bookingDate().toString()).close();
    xml.open("ValDt").leaf("Dt", entry.valueDate().toString()).close();
    xml.leaf("AcctSvcrRef", cut(entry.entryId(), LONGEST_REFERENCE));
    // the standard asks for a kind of transaction; ours is the bank's own, which stands further
    // down
    xml.open("BkTxCd").open("Prtry").leaf("Cd", "NTAV").close().close();
    charges(entry.charges());
    xml.open("NtryDtls");
    if (entry.details().size() > 1) {
      xml.open("Btch").leaf("NbOfTxs", Integer.toString(entry.details().size())).close();
    }
    if (entry.details().isEmpty()) {
      transaction(entry, alone(entry));
    } else {
      for (var detail : entry.details()) {
        transaction(entry, detail);
      }
    }
    xml.close().leaf("AddtlNtryInf", cut(entry.bankText(), LONGEST_INFORMATION)).close();
  }

  /** What the entry says itself, as its only transaction. */
  private static EntryDetail alone(StatementEntry entry) {
    return new EntryDetail(
        Optional.of(entry.amount()),
        entry.payerName(),
        entry.payerAccount(),
        "",
        entry.remittance(),
        entry.bankReference(),
        "",
        entry.checkNumber(),
        Money.zero(entry.amount().getCurrencyUnit()),
        Optional.empty());
  }

  private static String code(EntryStatus status) {
    return switch (status) {
      case BOOKED -> "BOOK";
      case PENDING -> "PDNG";
      case INFORMATION -> "INFO";
    };
  }

  private void transaction(StatementEntry entry, EntryDetail detail) throws XMLStreamException {
    xml.open("TxDtls").open("Refs");
    xml.leaf("AcctSvcrRef", cut(detail.bankReference(), LONGEST_REFERENCE));
    xml.leaf("EndToEndId", cut(detail.endToEnd(), LONGEST_REFERENCE));
    xml.leaf("ChqNb", cut(detail.checkNumber(), LONGEST_REFERENCE)).close();
    if (detail.amount().isPresent()) {
      amount("Amt", detail.amount().get());
      direction(detail.amount().get());
    }
    if (detail.exchange().isPresent()) {
      exchange(detail.exchange().get());
    }
    charges(detail.charges());
    var debtor = !entry.amount().isNegative() != entry.reversal();
    xml.open("RltdPties");
    party(debtor ? "Dbtr" : "Cdtr", detail.payerName());
    if (!detail.payerAccount().isEmpty()) {
      xml.open(debtor ? "DbtrAcct" : "CdtrAcct").open("Id");
      account(detail.payerAccount());
      xml.close().close();
    }
    party(debtor ? "UltmtDbtr" : "UltmtCdtr", detail.ultimatePayer());
    xml.close();
    if (!detail.remittance().isEmpty()) {
      xml.open("RmtInf");
      for (var line : CamtLines.of(detail.remittance())) {
        xml.leaf("Ustrd", line);
      }
      xml.close();
    }
    xml.close();
  }

  private void exchange(Exchange exchange) throws XMLStreamException {
    xml.open("AmtDtls").open("InstdAmt");
    if (exchange.instructed().isPresent()) {
      amount("Amt", exchange.instructed().get());
    }
    xml.open("CcyXchg")
        .leaf("SrcCcy", exchange.source())
        .leaf("TrgtCcy", exchange.target())
        .leaf("UnitCcy", exchange.unit())
        .leaf("XchgRate", exchange.rate().map(BigDecimal::toPlainString).orElse(""))
        .close();
    xml.close().close();
  }

  private void charges(Money charges) throws XMLStreamException {
    if (!charges.isZero()) {
      xml.open("Chrgs").open("Rcrd");
      amount("Amt", charges);
      xml.leaf("CdtDbtInd", charges.isNegative() ? "CRDT" : "DBIT").close().close();
    }
  }

  private void party(String role, String name) throws XMLStreamException {
    if (!name.isEmpty()) {
      xml.open(role).open("Pty").leaf("Nm", cut(name, LONGEST_NAME)).close().close();
    }
  }

  private void amount(String name, Money amount) throws XMLStreamException {
    xml.leaf(name, "Ccy", amount.getCurrencyUnit().getCode(), MoneyText.plain(amount.abs()));
  }

  private void direction(Money amount) throws XMLStreamException {
    xml.leaf("CdtDbtInd", amount.isNegative() ? "DBIT" : "CRDT");
  }

  private static String cut(String text, int longest) {
    return text.length() <= longest ? text : text.substring(0, longest);
  }
}
