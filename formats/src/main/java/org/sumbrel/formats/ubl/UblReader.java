package org.sumbrel.formats.ubl;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.xml.stream.XMLStreamException;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.xml.XmlCursor;

/**
 * One invoice or credit note of ours as UBL 2.1 (OASIS; the syntax of EN 16931). What it totals to
 * is what is payable and what was paid before; lines are not read.
 */
public final class UblReader {

  private static final String NUMBER = "ID";
  private static final String ISSUED = "IssueDate";
  private static final String DUE = "DueDate";
  private static final String PAYMENT_DUE = "PaymentMeans/PaymentDueDate";
  private static final String TYPE = "InvoiceTypeCode";
  private static final String CURRENCY = "DocumentCurrencyCode";
  private static final String ORDER = "OrderReference/ID";
  private static final String ACCOUNT = "AccountingCustomerParty/SupplierAssignedAccountID";
  private static final String PARTY = "AccountingCustomerParty/Party/PartyIdentification/ID";
  private static final String TRADE_NAME = "AccountingCustomerParty/Party/PartyName/Name";
  private static final String LEGAL_NAME =
      "AccountingCustomerParty/Party/PartyLegalEntity/RegistrationName";
  private static final String PAYMENT_ID = "PaymentMeans/PaymentID";
  private static final String TERMS = "PaymentTerms/Note";
  private static final String INCLUSIVE = "LegalMonetaryTotal/TaxInclusiveAmount";
  private static final String PREPAID = "LegalMonetaryTotal/PrepaidAmount";
  private static final String ROUNDED = "LegalMonetaryTotal/PayableRoundingAmount";
  private static final String PAYABLE = "LegalMonetaryTotal/PayableAmount";

  private static final Set<String> WANTED =
      Set.of(
          NUMBER,
          ISSUED,
          DUE,
          PAYMENT_DUE,
          TYPE,
          CURRENCY,
          ORDER,
          ACCOUNT,
          PARTY,
          TRADE_NAME,
          LEGAL_NAME,
          PAYMENT_ID,
          TERMS,
          INCLUSIVE,
          PREPAID,
          ROUNDED,
          PAYABLE);

  private static final Set<String> ON_THE_WAY =
      WANTED.stream()
          .filter(p -> p.indexOf('/') > 0)
          .flatMap(p -> prefixes(p).stream())
          .collect(Collectors.toSet());

  /** UNTDID 1001: 381 is a credit note. */
  private static final String CREDIT_NOTE = "381";

  private final Format format;
  private final Reading reading;
  private final Map<String, String> values = new HashMap<>();
  private final Map<String, String> currencies = new HashMap<>();
  private final Map<String, Integer> lines = new HashMap<>();
  private boolean whole;

  private UblReader(Format format, Reading reading) {
    this.format = format;
    this.reading = reading;
  }

  /**
   * Reads the document.
   *
   * @throws BrokenFile where it is no whole invoice or credit note
   */
  public static FileContent read(FileBytes file, Format format, Reading reading) throws BrokenFile {
    var reader = new UblReader(format, reading);
    XmlCursor.through(file, reader::document);
    reading.requireSound();
    return reader.content();
  }

  private static List<String> prefixes(String path) {
    var parts = path.split("/");
    var prefixes = new ArrayList<String>();
    for (var n = 1; n < parts.length; n++) {
      prefixes.add(String.join("/", List.of(parts).subList(0, n)));
    }
    return prefixes;
  }

  private void document(XmlCursor xml) throws XMLStreamException, BrokenFile {
    while (xml.child()) {
      reading.record(xml.line());
      collect(xml, "");
      whole = true;
    }
  }

  private void collect(XmlCursor xml, String path) throws XMLStreamException {
    while (xml.child()) {
      var here = path.isEmpty() ? xml.name() : path + "/" + xml.name();
      if (WANTED.contains(here)) {
        var currency = xml.attribute("currencyID");
        var line = xml.line();
        var text = xml.text().strip();
        if (!text.isEmpty() && values.putIfAbsent(here, text) == null) {
          lines.put(here, line);
          currencies.put(here, currency == null ? "" : currency);
        }
      } else if (ON_THE_WAY.contains(here)) {
        collect(xml, here);
      } else {
        xml.skip();
      }
    }
  }

  private FileContent content() throws BrokenFile {
    if (!whole) {
      throw new BrokenFile(1, "the file holds no invoice and no credit note");
    }
    var number = required(NUMBER, "its number");
    var issued = day(ISSUED).orElse(null);
    if (issued == null && reading.sound()) {
      reading.wrong(1, "the document has no IssueDate");
    }
    var currency = currency();
    var customerId = first(ACCOUNT, PARTY);
    var customerName = first(TRADE_NAME, LEGAL_NAME);
    if (customerId.isEmpty() && customerName.isEmpty()) {
      reading.wrong(1, "the document does not say who the customer is");
    }
    reading.requireSound();
    var payable = amount(PAYABLE, currency).orElseThrow(() -> missing("PayableAmount"));
    var paid = amount(PREPAID, currency).orElse(Money.zero(currency));
    var total = payable.plus(paid);
    var due = day(DUE).or(() -> day(PAYMENT_DUE)).orElse(issued);
    reading.requireSound();
    checkTotal(total, currency);
    var creditNote =
        format == Format.UBL_CREDIT_NOTE
            || CREDIT_NOTE.equals(values.get(TYPE))
            || total.isNegative();
    var sign = total.isNegative() ? -1 : 1;
    var open = payable.multipliedBy(sign);
    if (open.isNegative()) {
      throw new BrokenFile(
          lines.get(PAYABLE),
          "more was paid before (" + MoneyText.grouped(paid) + ") than it totals to");
    }
    return FileContent.ofInvoices(
        format,
        List.of(
            new InvoiceRow(
                number,
                creditNote,
                customerId,
                customerName,
                issued,
                due,
                total.multipliedBy(sign),
                open,
                values.getOrDefault(ORDER, ""),
                values.getOrDefault(PAYMENT_ID, ""),
                terms(),
                false,
                lines.get(NUMBER))),
        reading.odd());
  }

  private static BrokenFile missing(String element) {
    return new BrokenFile(1, "the document has no " + element);
  }

  private String required(String path, String what) {
    var value = values.getOrDefault(path, "");
    if (value.isEmpty()) {
      reading.wrong(1, "the document does not say " + what);
    }
    return value;
  }

  private String first(String path, String other) {
    return values.getOrDefault(path, values.getOrDefault(other, ""));
  }

  private Optional<LocalDate> day(String path) {
    var text = values.get(path);
    if (text == null) {
      return Optional.empty();
    }
    try {
      // a zone may stand behind; the day counts as it is written
      return Optional.of(FileDate.iso(text));
    } catch (DateTimeException e) {
      reading.wrong(
          lines.get(path), path + " \"" + FileAmount.shortened(text) + "\" is not a date");
      return Optional.empty();
    }
  }

  private CurrencyUnit currency() throws BrokenFile {
    var code = values.getOrDefault(CURRENCY, currencies.getOrDefault(PAYABLE, ""));
    try {
      return CurrencyUnit.of(code);
    } catch (IllegalCurrencyException e) {
      throw new BrokenFile(
          lines.getOrDefault(CURRENCY, 1),
          "DocumentCurrencyCode \"" + FileAmount.shortened(code) + "\" is not a currency code");
    }
  }

  private Optional<Money> amount(String path, CurrencyUnit currency) throws BrokenFile {
    var text = values.get(path);
    if (text == null) {
      return Optional.empty();
    }
    var own = currencies.get(path);
    if (!own.isEmpty() && !own.equals(currency.getCode())) {
      throw new BrokenFile(
          lines.get(path), path + " is in " + own + ", the document in " + currency.getCode());
    }
    try {
      return Optional.of(FileAmount.parse(text, currency));
    } catch (IllegalArgumentException e) {
      throw new BrokenFile(lines.get(path), path + ": " + e.getMessage());
    }
  }

  /**
   * Where the document contradicts itself, what is payable counts. The total with tax holds the
   * rounding in some documents (so in the example of OASIS) and not in others (EN 16931, BR-CO-16).
   */
  private void checkTotal(Money total, CurrencyUnit currency) throws BrokenFile {
    var inclusive = amount(INCLUSIVE, currency);
    var rounded = amount(ROUNDED, currency).orElse(Money.zero(currency));
    if (inclusive.isPresent()
        && !inclusive.get().equals(total)
        && !inclusive.get().plus(rounded).equals(total)) {
      reading.odd(
          lines.get(PAYABLE),
          "what is payable and was paid before is "
              + MoneyText.grouped(total)
              + ", the total with tax is "
              + MoneyText.grouped(inclusive.get()));
    }
  }

  private Optional<EarlyPaymentTerms> terms() {
    try {
      return Optional.ofNullable(values.get(TERMS)).map(EarlyPaymentTerms::parse);
    } catch (IllegalArgumentException e) {
      // a note in words; the due date says when
      return Optional.empty();
    }
  }
}
