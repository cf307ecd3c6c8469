package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.table.TableField.Kind;

/** What the columns of a payer's remittance advice hold: one document a line. */
final class RemittanceFields {

  static final TableField DOCUMENT = TableField.of("reference", Kind.TEXT, documentHeadings());
  static final TableField AMOUNT =
      TableField.of(
          "amount",
          Kind.AMOUNT,
          "amount paid",
          "paid amount",
          "paid",
          "payment amount",
          "net amount",
          "amount",
          "zahlbetrag",
          "montant paye",
          "importe pagado");
  static final TableField DISCOUNT =
      TableField.of(
          "discount", Kind.AMOUNT, "discount taken", "cash discount", "skonto", "escompte");
  static final TableField ADJUSTMENT =
      TableField.of("adjustment", Kind.AMOUNT, "deduction", "adjustment amount", "abzug");
  static final TableField REASON =
      TableField.of("reason", Kind.TEXT, "adjustment reason", "deduction reason", "grund");
  static final TableField TRACE =
      TableField.of(
          "trace",
          Kind.TEXT,
          "trace number",
          "payment number",
          "payment no",
          "payment id",
          "remittance number",
          "zahlungsnummer");
  static final TableField PAID_ON =
      TableField.of(
          "payment_date", Kind.DATE, "paid on", "date paid", "zahlungsdatum", "date de paiement");
  static final TableField PAYER =
      TableField.of("payer_name", Kind.TEXT, "payer", "paid by", "zahler", "payeur");
  static final TableField TOTAL =
      TableField.of("total", Kind.AMOUNT, "payment total", "total paid", "remittance total");
  static final TableField CURRENCY =
      TableField.of(
          "currency", Kind.TEXT, StatementFields.CURRENCY.headings().toArray(new String[0]));

  static final List<TableField> ALL =
      List.of(
          DOCUMENT, AMOUNT, DISCOUNT, ADJUSTMENT, REASON, TRACE, PAID_ON, PAYER, TOTAL, CURRENCY);

  private RemittanceFields() {}

  private static String[] documentHeadings() {
    return InvoiceFields.NUMBER.headings().toArray(new String[0]);
  }
}
