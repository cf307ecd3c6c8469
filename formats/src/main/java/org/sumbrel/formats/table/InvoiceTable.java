package org.sumbrel.formats.table;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.receivables.InvoiceRow;

/**
 * A list of invoices and credit notes. Where no column tells the kind, what has a negative amount
 * is a credit note; where only the total or only what is open is told, both are the same.
 */
final class InvoiceTable {

  private static final Set<String> INVOICE =
      Set.of("invoice", "inv", "i", "in", "rechnung", "re", "facture", "factura", "fattura");
  private static final Set<String> CREDIT_NOTE =
      Set.of(
          "credit note",
          "credit memo",
          "credit",
          "cn",
          "cr",
          "cm",
          "c",
          "gutschrift",
          "gs",
          "avoir",
          "abono",
          "nota di credito",
          "creditnota");

  /** What a status says of an item that no longer counts; any other status changes nothing. */
  private static final Set<String> CANCELLED =
      Set.of(
          "cancelled",
          "canceled",
          "cancel",
          "void",
          "voided",
          "storniert",
          "storno",
          "annule",
          "annulee",
          "anulada",
          "annullata",
          "geannuleerd");

  private static final List<TableField> AMOUNTS = List.of(InvoiceFields.TOTAL, InvoiceFields.OPEN);

  private final TableProfile profile;
  private final Reading reading;

  private InvoiceTable(TableProfile profile, Reading reading) {
    this.profile = profile;
    this.reading = reading;
  }

  static List<InvoiceRow> read(TableProfile profile, List<TableRow> rows, Reading reading) {
    var table = new InvoiceTable(profile, reading);
    var invoices = new ArrayList<InvoiceRow>(rows.size());
    for (var row : rows) {
      table.invoice(new ProfiledRow(profile, row, reading)).ifPresent(invoices::add);
    }
    return invoices;
  }

  private Optional<InvoiceRow> invoice(ProfiledRow row) {
    var number = row.required(InvoiceFields.NUMBER);
    var customerId = row.text(InvoiceFields.CUSTOMER_ID);
    var customerName = row.text(InvoiceFields.CUSTOMER_NAME);
    if (customerId.isEmpty()
        && (customerName.isEmpty() || profile.has(InvoiceFields.CUSTOMER_ID))) {
      row.wrong(heading(InvoiceFields.CUSTOMER_ID) + " is empty");
    }
    var due = day(row, InvoiceFields.DUE);
    var issued = profile.has(InvoiceFields.ISSUED) ? day(row, InvoiceFields.ISSUED) : due;
    var kind = kind(row);
    var terms = row.terms(InvoiceFields.TERMS);
    var currency = row.currency(InvoiceFields.CURRENCY, AMOUNTS);
    if (currency.isEmpty()) {
      return Optional.empty();
    }
    var total = amount(row, InvoiceFields.TOTAL, InvoiceFields.OPEN, currency.get());
    var open = amount(row, InvoiceFields.OPEN, InvoiceFields.TOTAL, currency.get());
    if (total.isEmpty() || open.isEmpty() || issued == null || due == null || !row.sound()) {
      return Optional.empty();
    }
    var creditNote = kind.orElse(total.get().isNegative());
    // a list that tells the kind writes credit notes with or without a sign
    var sign = creditNote && total.get().isNegative() ? -1 : 1;
    var ownTotal = total.get().multipliedBy(sign);
    var ownOpen = open.get().multipliedBy(sign);
    if (ownOpen.isNegative() || ownOpen.isGreaterThan(ownTotal)) {
      row.wrong(
          "open "
              + ownOpen.getAmount()
              + " is not between 0 and the total "
              + ownTotal.getAmount());
      return Optional.empty();
    }
    return Optional.of(
        new InvoiceRow(
            number,
            creditNote,
            customerId,
            customerName,
            issued,
            due,
            ownTotal,
            ownOpen,
            row.text(InvoiceFields.ORDER),
            row.text(InvoiceFields.CREDITOR_REFERENCE),
            terms,
            CANCELLED.contains(Headings.plain(row.text(InvoiceFields.STATUS))),
            row.line()));
  }

  private String heading(TableField field) {
    return profile.heading(field);
  }

  private static LocalDate day(ProfiledRow row, TableField field) {
    return row.required(field).isEmpty() ? null : row.date(field).orElse(null);
  }

  /** Whether it is a credit note; empty where no column tells. */
  private Optional<Boolean> kind(ProfiledRow row) {
    if (!profile.has(InvoiceFields.KIND) && !profile.constants().containsKey(InvoiceFields.KIND)) {
      return Optional.empty();
    }
    var written = row.text(InvoiceFields.KIND);
    var word = Headings.plain(written);
    if (!INVOICE.contains(word) && !CREDIT_NOTE.contains(word)) {
      row.wrong(
          heading(InvoiceFields.KIND) + " \"" + written + "\" is neither invoice nor credit_note");
    }
    return Optional.of(CREDIT_NOTE.contains(word));
  }

  private Optional<Money> amount(
      ProfiledRow row, TableField field, TableField other, CurrencyUnit currency) {
    var told = profile.has(field) ? field : other;
    if (row.required(told).isEmpty()) {
      return Optional.empty();
    }
    try {
      var amount = row.amount(told, currency);
      return Optional.of(profile.signsReversed() ? amount.negated() : amount);
    } catch (IllegalArgumentException e) {
      row.wrong(heading(told).toLowerCase(Locale.ROOT) + ": " + e.getMessage());
      return Optional.empty();
    }
  }
}
