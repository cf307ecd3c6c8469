package org.sumbrel.formats.camt;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.formats.xml.XmlCursor;

/** Reads one {@code Ntry} with its transactions. */
final class CamtEntry {

  private final Reading reading;
  private final LocalDate createdOn;
  private final CamtOwner owner;

  private int line;
  private Money amount;
  private String direction = "";
  private boolean reversal;
  private EntryStatus status = EntryStatus.BOOKED;
  private LocalDate booked;
  private LocalDate value;
  private String reference = "";
  private String bankText = "";
  private CamtCharges charges;
  private final List<CamtTransaction> transactions = new ArrayList<>();
  private Integer batchCount;

  /**
   * @param owner of the account
   * @param createdOn when the statement was made, which stands in for the day of what is not booked
   */
  CamtEntry(Reading reading, LocalDate createdOn, CamtOwner owner) {
    this.reading = reading;
    this.owner = owner;
    this.createdOn = createdOn;
  }

  /** The entry, or empty where it cannot be read, which the reading knows then. */
  Optional<StatementEntry> read(XmlCursor xml) throws XMLStreamException, BrokenFile {
    line = xml.line();
    var before = reading.wrongs();
    while (xml.child()) {
      switch (xml.name()) {
        case "Amt" -> amount = CamtAmount.read(xml, reading).orElse(null);
        case "CdtDbtInd" -> direction = xml.text();
        case "RvslInd" -> reversal = isTrue(xml.text());
        case "Sts" -> status = status(xml);
        case "BookgDt" -> booked = CamtDate.read(xml, reading);
        case "ValDt" -> value = CamtDate.read(xml, reading);
        case "AcctSvcrRef" -> reference = xml.text();
        case "AddtlNtryInf" -> bankText = xml.text();
        case "Chrgs" -> charges = (charges == null ? new CamtCharges(reading) : charges).read(xml);
        case "NtryDtls" -> details(xml);
        default -> xml.skip();
      }
    }
    if (amount == null && before == reading.wrongs()) {
      reading.wrong(line, "the entry has no amount (Amt)");
    }
    if (!direction.equals("CRDT") && !direction.equals("DBIT")) {
      reading.wrong(
          line, "CdtDbtInd \"" + FileAmount.shortened(direction) + "\" is neither CRDT nor DBIT");
    }
    if (booked == null) {
      booked = value != null ? value : status == EntryStatus.BOOKED ? null : createdOn;
    }
    if (booked == null && before == reading.wrongs()) {
      reading.wrong(line, "the entry has neither a booking date nor a value date");
    }
    return before == reading.wrongs() ? Optional.of(entry()) : Optional.empty();
  }

  private void details(XmlCursor xml) throws XMLStreamException, BrokenFile {
    while (xml.child()) {
      switch (xml.name()) {
        case "Btch" -> {
          while (xml.child()) {
            if (xml.name().equals("NbOfTxs")) {
              var text = xml.text();
              if (text.matches("\\d{1,9}")) {
                batchCount = (batchCount == null ? 0 : batchCount) + Integer.parseInt(text);
              }
            } else {
              xml.skip();
            }
          }
        }
        case "TxDtls" -> {
          reading.record(xml.line());
          transactions.add(new CamtTransaction(reading).read(xml));
        }
        default -> xml.skip();
      }
    }
  }

  private StatementEntry entry() {
    var credit = direction.equals("CRDT");
    var signed = credit ? amount : amount.negated();
    var details = new ArrayList<EntryDetail>();
    for (var transaction : transactions) {
      details.add(transaction.detail(signed, credit, reversal, owner, transactions.size() == 1));
    }
    checkBatch(signed, details);
    var only = details.size() == 1 ? details.get(0) : null;
    return new StatementEntry(
        reference,
        booked,
        value == null ? booked : value,
        signed,
        only == null ? "" : only.payerName(),
        only == null ? "" : only.payerAccount(),
        only == null ? details.isEmpty() ? bankText : "" : text(only.remittance()),
        reference.isEmpty() && only != null ? only.bankReference() : reference,
        only == null ? "" : only.checkNumber(),
        bankText,
        status,
        reversal,
        charges == null ? Money.zero(signed.getCurrencyUnit()) : charges.sum(signed),
        details,
        line);
  }

  private String text(String remittance) {
    return remittance.isEmpty() ? bankText : remittance;
  }

  private void checkBatch(Money signed, List<EntryDetail> details) {
    if (batchCount != null && !details.isEmpty() && batchCount != details.size()) {
      reading.odd(
          line, "the batch claims " + batchCount + " transactions, it lists " + details.size());
    }
    if (details.size() < 2 || details.stream().anyMatch(d -> d.amount().isEmpty())) {
      return;
    }
    var sum = Money.zero(signed.getCurrencyUnit());
    var kept = charges == null ? Money.zero(signed.getCurrencyUnit()) : charges.sum(signed);
    for (var detail : details) {
      if (!detail.amount().get().getCurrencyUnit().equals(signed.getCurrencyUnit())) {
        return;
      }
      sum = sum.plus(detail.amount().get());
      kept = kept.plus(detail.charges());
    }
    if (!sum.equals(signed) && !sum.minus(kept).equals(signed)) {
      reading.odd(
          line,
          "the entry is "
              + MoneyText.grouped(signed)
              + ", its "
              + details.size()
              + " transactions come to "
              + MoneyText.grouped(sum)
              + (kept.isZero() ? "" : " with charges of " + MoneyText.grouped(kept)));
    }
  }

  /** A code since version 08, plain text before. */
  private EntryStatus status(XmlCursor xml) throws XMLStreamException {
    var at = xml.line();
    var code = xml.text();
    return switch (code) {
      case "BOOK" -> EntryStatus.BOOKED;
      case "PDNG", "FUTR" -> EntryStatus.PENDING;
      case "INFO" -> {
        reading.odd(at, "the entry has the status INFO: it is for information and not booked");
        yield EntryStatus.INFORMATION;
      }
      default -> {
        reading.odd(
            at,
            "the status \""
                + FileAmount.shortened(code)
                + "\" is none of BOOK, PDNG, FUTR, INFO; the entry is kept as pending");
        yield EntryStatus.PENDING;
      }
    };
  }

  static boolean isTrue(String text) {
    return text.equals("true") || text.equals("1");
  }
}
