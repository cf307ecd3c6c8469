package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.table.TableField.Kind;

/** What the columns of a payout file hold: a line for each item. */
final class PayoutFields {

  static final TableField PROCESSOR =
      TableField.of("processor", Kind.TEXT, "provider", "marketplace", "acquirer", "paid by");
  static final TableField NUMBER =
      TableField.of(
          "payout", Kind.TEXT, "payout number", "payout no", "payout id", "settlement number");
  static final TableField FROM =
      TableField.of("period_start", Kind.DATE, "period from", "settlement start");
  static final TableField UNTIL =
      TableField.of("period_end", Kind.DATE, "period to", "period until", "settlement end");
  static final TableField PAID_ON =
      TableField.of("payout_date", Kind.DATE, "paid out on", "transfer date", "sent on");
  static final TableField TYPE =
      TableField.of("type", Kind.TEXT, "item type", "kind", "category", "transaction type");
  static final TableField ID =
      TableField.of("item", Kind.TEXT, "item id", "item number", "transaction", "transaction id");
  static final TableField RELATED =
      TableField.of(
          "related", Kind.TEXT, "related item", "belongs to", "original item", "original id");
  static final TableField REFERENCE =
      TableField.of(
          "reference",
          Kind.TEXT,
          "order",
          "order number",
          "order no",
          "order reference",
          "invoice",
          "invoice number",
          "invoice no");
  static final TableField DATE =
      TableField.of("date", Kind.DATE, "item date", "transaction date", "sold on", "time");
  static final TableField GROSS =
      TableField.of("gross", Kind.AMOUNT, "gross amount", "amount", "item amount");
  static final TableField FEE =
      TableField.of("fee", Kind.AMOUNT, "fees", "fee amount", "commission");
  static final TableField TAX = TableField.of("tax", Kind.AMOUNT, "sales tax", "vat");
  static final TableField FEE_TAX =
      TableField.of("fee_tax", Kind.AMOUNT, "tax on fee", "vat on fee");
  static final TableField NET = TableField.of("net", Kind.AMOUNT, "net amount");
  static final TableField BALANCE =
      TableField.of("balance", Kind.AMOUNT, "running balance", "balance after");
  static final TableField METHOD =
      TableField.of("method", Kind.TEXT, "payment method", "paid with", "card type");
  static final TableField PAYER =
      TableField.of("payer_name", Kind.TEXT, "payer", "buyer", "customer", "customer name");
  static final TableField TEXT = TableField.of("text", Kind.TEXT, "description", "details", "note");
  static final TableField PREVIOUS =
      TableField.of("previous_balance", Kind.AMOUNT, "balance before", "brought forward");
  static final TableField TOTAL =
      TableField.of("payout_net", Kind.AMOUNT, "payout amount", "payout total", "paid out");
  static final TableField CURRENCY =
      TableField.of(
          "currency", Kind.TEXT, StatementFields.CURRENCY.headings().toArray(new String[0]));

  static final List<TableField> ALL =
      List.of(
          PROCESSOR, NUMBER, FROM, UNTIL, PAID_ON, TYPE, ID, RELATED, REFERENCE, DATE, GROSS, FEE,
          TAX, FEE_TAX, NET, BALANCE, METHOD, PAYER, TEXT, PREVIOUS, TOTAL, CURRENCY);

  private PayoutFields() {}
}
