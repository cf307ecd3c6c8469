package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.table.TableField.Kind;

/** What the columns of a lockbox list hold: a line for each cheque, or for each item of one. */
final class LockboxFields {

  static final TableField LOCKBOX =
      TableField.of(
          "lockbox", Kind.TEXT, "lockbox number", "lockbox no", "lockbox id", "box number");
  static final TableField BATCH =
      TableField.of("batch", Kind.TEXT, "batch number", "batch no", "batch id");
  static final TableField DEPOSITED =
      TableField.of(
          "deposit_date",
          Kind.DATE,
          "deposited on",
          "process date",
          "processing date",
          "lockbox date");
  static final TableField ITEM =
      TableField.of(
          "item", Kind.TEXT, "item number", "transaction number", "sequence", "sequence number");
  static final TableField CHECK_NUMBER =
      TableField.of(
          "check_number",
          Kind.TEXT,
          "check no",
          "cheque number",
          "cheque no",
          "check serial number",
          "check");
  static final TableField ROUTING =
      TableField.of(
          "routing",
          Kind.TEXT,
          "routing number",
          "transit routing",
          "aba",
          "aba number",
          "rt number");
  static final TableField ACCOUNT =
      TableField.of(
          "account",
          Kind.TEXT,
          "account number",
          "check account",
          "drawer account",
          "payer account");
  static final TableField AMOUNT =
      TableField.of(
          "check_amount",
          Kind.AMOUNT,
          "cheque amount",
          "remittance amount",
          "payment amount",
          "amount");
  static final TableField PAYER =
      TableField.of(
          "payer_name", Kind.TEXT, "remitter", "remitter name", "payer", "drawer", "customer name");
  static final TableField DATE =
      TableField.of("check_date", Kind.DATE, "cheque date", "postmark", "postmark date");
  static final TableField DOCUMENT =
      TableField.of("reference", Kind.TEXT, InvoiceFields.NUMBER.headings().toArray(new String[0]));
  static final TableField ITEM_AMOUNT =
      TableField.of(
          "item_amount",
          Kind.AMOUNT,
          "invoice amount",
          "applied amount",
          "amount paid",
          "paid amount",
          "stub amount");
  static final TableField BATCH_TOTAL =
      TableField.of("batch_total", Kind.AMOUNT, "batch amount", "deposit total");
  static final TableField BATCH_CHEQUES =
      TableField.of("batch_count", Kind.TEXT, "check count", "cheque count", "checks in batch");
  static final TableField CURRENCY =
      TableField.of(
          "currency", Kind.TEXT, StatementFields.CURRENCY.headings().toArray(new String[0]));

  static final List<TableField> ALL =
      List.of(
          LOCKBOX,
          BATCH,
          DEPOSITED,
          ITEM,
          CHECK_NUMBER,
          ROUTING,
          ACCOUNT,
          AMOUNT,
          PAYER,
          DATE,
          DOCUMENT,
          ITEM_AMOUNT,
          BATCH_TOTAL,
          BATCH_CHEQUES,
          CURRENCY);

  private LockboxFields() {}
}
