package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.table.TableField.Kind;

/** What the columns of lists about customers hold: themselves, what they are called, who paid. */
final class CustomerFields {

  static final TableField ID =
      TableField.of(
          "customer_id",
          Kind.TEXT,
          "customer number",
          "customer no",
          "customer code",
          "debtor number",
          "kundennummer",
          "kundennr",
          "numero client",
          "code client",
          "klantnummer");
  static final TableField NAME =
      TableField.of(
          "name", Kind.TEXT, "customer name", "customer", "company name", "kunde", "nom", "nombre");
  static final TableField PARENT =
      TableField.of(
          "parent_id",
          Kind.TEXT,
          "parent",
          "paid by",
          "parent customer",
          "head office",
          "zentrale");
  static final TableField ACCOUNTS =
      TableField.of("payer_account", Kind.TEXTS, "iban", "bank account", "payer accounts");

  static final TableField TERMS =
      TableField.of("terms", Kind.TEXT, InvoiceFields.TERMS.headings().toArray(new String[0]));
  static final TableField OLDEST_FIRST =
      TableField.of(
          "oldest_first", Kind.TEXT, "oldest first", "apply oldest first", "oldest invoice first");

  static final List<TableField> CUSTOMERS =
      List.of(ID, NAME, PARENT, ACCOUNTS, TERMS, OLDEST_FIRST);

  static final TableField PAYER_TEXT = TableField.of("payer_text", Kind.TEXT);
  static final List<TableField> ALIASES = List.of(PAYER_TEXT, ID);

  static final TableField PAYER_NAME = TableField.of("payer_name", Kind.TEXT);
  static final TableField PAYER_ACCOUNT = TableField.of("payer_account", Kind.TEXT);
  static final List<TableField> HISTORY = List.of(PAYER_NAME, PAYER_ACCOUNT, ID);

  private CustomerFields() {}
}
