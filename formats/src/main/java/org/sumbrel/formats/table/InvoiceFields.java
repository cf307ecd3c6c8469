package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.table.TableField.Kind;

/** What the columns of a list of invoices and credit notes hold. */
final class InvoiceFields {

  static final TableField NUMBER =
      TableField.of(
          "number",
          Kind.TEXT,
          "invoice number",
          "invoice no",
          "invoice",
          "document number",
          "document no",
          "doc no",
          "rechnungsnummer",
          "rechnungsnr",
          "belegnummer",
          "rechnung",
          "numero de facture",
          "facture",
          "numero de factura",
          "factura",
          "numero fattura",
          "factuurnummer");
  static final TableField KIND =
      TableField.of(
          "kind", Kind.TEXT, "document type", "type", "doc type", "belegart", "type de document");
  static final TableField CUSTOMER_ID =
      TableField.of(
          "customer_id",
          Kind.TEXT,
          "customer number",
          "customer no",
          "customer code",
          "account number",
          "account",
          "debtor number",
          "debtor",
          "kundennummer",
          "kundennr",
          "debitor",
          "numero client",
          "code client",
          "klantnummer");
  static final TableField CUSTOMER_NAME =
      TableField.of(
          "customer_name", Kind.TEXT, "customer", "name", "client", "kunde", "cliente", "klant");
  static final TableField ISSUED =
      TableField.of(
          "issue_date",
          Kind.DATE,
          "invoice date",
          "document date",
          "date of issue",
          "issued",
          "date",
          "rechnungsdatum",
          "belegdatum",
          "datum",
          "date de facture",
          "fecha",
          "data",
          "factuurdatum");
  static final TableField DUE =
      TableField.of(
          "due_date",
          Kind.DATE,
          "due",
          "due on",
          "date due",
          "payable by",
          "fallig am",
          "faellig am",
          "falligkeit",
          "faelligkeit",
          "echeance",
          "date d echeance",
          "vencimiento",
          "scadenza",
          "vervaldatum");
  static final TableField CURRENCY =
      TableField.of(
          "currency", Kind.TEXT, StatementFields.CURRENCY.headings().toArray(new String[0]));
  static final TableField TOTAL =
      TableField.of(
          "total",
          Kind.AMOUNT,
          "invoice total",
          "total amount",
          "amount",
          "invoice amount",
          "gross",
          "gross amount",
          "betrag",
          "bruttobetrag",
          "rechnungsbetrag",
          "montant",
          "montant ttc",
          "importe",
          "importo",
          "bedrag");
  static final TableField OPEN =
      TableField.of(
          "open",
          Kind.AMOUNT,
          "open amount",
          "open balance",
          "balance",
          "balance due",
          "outstanding",
          "amount due",
          "offen",
          "offener betrag",
          "saldo",
          "solde",
          "reste a payer",
          "pendiente",
          "openstaand");
  static final TableField ORDER =
      TableField.of(
          "order_ref",
          Kind.TEXT,
          "order reference",
          "order number",
          "order no",
          "po number",
          "po",
          "purchase order",
          "bestellnummer",
          "numero de commande");
  static final TableField CREDITOR_REFERENCE =
      TableField.of("creditor_ref", Kind.TEXT, "creditor reference", "payment reference");
  static final TableField TERMS =
      TableField.of("terms", Kind.TEXT, "payment terms", "zahlungsbedingung", "conditions");

  static final TableField STATUS =
      TableField.of(
          "status", Kind.TEXT, "invoice status", "document status", "state", "rechnungsstatus");

  static final List<TableField> ALL =
      List.of(
          NUMBER,
          KIND,
          CUSTOMER_ID,
          CUSTOMER_NAME,
          ISSUED,
          DUE,
          CURRENCY,
          TOTAL,
          OPEN,
          ORDER,
          CREDITOR_REFERENCE,
          TERMS,
          STATUS);

  private InvoiceFields() {}
}
