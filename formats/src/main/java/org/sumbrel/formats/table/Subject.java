package org.sumbrel.formats.table;

import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.sumbrel.formats.Format;

/** What a table is about: which fields it may have, and which it needs. */
public enum Subject {
  // the more telling first: an invoice list has dates and amounts like a statement
  INVOICES(
      "invoices",
      Format.INVOICES_CSV,
      InvoiceFields.ALL,
      has ->
          has.contains(InvoiceFields.NUMBER)
              && (has.contains(InvoiceFields.CUSTOMER_ID)
                  || has.contains(InvoiceFields.CUSTOMER_NAME))
              && has.contains(InvoiceFields.DUE)
              && (has.contains(InvoiceFields.TOTAL) || has.contains(InvoiceFields.OPEN)),
      "the number, the customer, the due date, and the total or what is open",
      List.of(
          new Need("number", List.of(InvoiceFields.NUMBER)),
          new Need("amount", List.of(InvoiceFields.TOTAL, InvoiceFields.OPEN)))),
  ALIASES(
      "aliases",
      Format.ALIASES_CSV,
      CustomerFields.ALIASES,
      has -> has.containsAll(CustomerFields.ALIASES),
      "the payer's text and the customer's number",
      List.of()),
  HISTORY(
      "history",
      Format.HISTORY_CSV,
      CustomerFields.HISTORY,
      has -> has.containsAll(CustomerFields.HISTORY),
      "the payer's name and account and the customer's number",
      List.of()),
  RATES(
      "rates",
      Format.RATES_CSV,
      RateFields.ALL,
      has -> has.containsAll(RateFields.ALL),
      "the day, the two currencies and the rate",
      List.of()),
  LOCKBOX(
      "lockbox",
      Format.LOCKBOX_CSV,
      LockboxFields.ALL,
      has ->
          has.contains(LockboxFields.CHECK_NUMBER)
              && has.contains(LockboxFields.AMOUNT)
              && (has.contains(LockboxFields.LOCKBOX) || has.contains(LockboxFields.BATCH)),
      "the cheque's number and amount, and the lockbox or the batch",
      List.of(new Need("amount", List.of(LockboxFields.AMOUNT)))),
  PAYOUT(
      "payout",
      Format.PAYOUT_CSV,
      PayoutFields.ALL,
      has ->
          has.contains(PayoutFields.TYPE)
              && (has.contains(PayoutFields.GROSS) || has.contains(PayoutFields.NET))
              && (has.contains(PayoutFields.FEE)
                  || has.contains(PayoutFields.NUMBER)
                  || has.contains(PayoutFields.RELATED)
                  || has.contains(PayoutFields.GROSS) && has.contains(PayoutFields.NET)),
      "the type, the gross or the net, and the fee, the payout or the related item",
      List.of(new Need("amount", List.of(PayoutFields.GROSS, PayoutFields.NET, PayoutFields.FEE)))),
  REMITTANCE(
      "remittance",
      Format.REMITTANCE_CSV,
      RemittanceFields.ALL,
      has ->
          has.contains(RemittanceFields.DOCUMENT)
              && has.contains(RemittanceFields.AMOUNT)
              && (has.contains(RemittanceFields.TRACE)
                  || has.contains(RemittanceFields.DISCOUNT)
                  || has.contains(RemittanceFields.PAID_ON)),
      "the document's number, the amount paid, and the trace, the payment date or the discount",
      List.of(
          new Need("document", List.of(RemittanceFields.DOCUMENT)),
          new Need("amount", List.of(RemittanceFields.AMOUNT)))),
  STATEMENT(
      "statement",
      Format.STATEMENT_CSV,
      StatementFields.ALL,
      has ->
          has.contains(StatementFields.BOOKED)
              && (has.contains(StatementFields.AMOUNT)
                  || has.contains(StatementFields.DEBIT) && has.contains(StatementFields.CREDIT)),
      "the date, and the amount or the debit and the credit",
      List.of(
          new Need("date", List.of(StatementFields.BOOKED)),
          new Need(
              "amount",
              List.of(StatementFields.AMOUNT, StatementFields.DEBIT, StatementFields.CREDIT)))),
  CUSTOMERS(
      "customers",
      Format.CUSTOMERS_CSV,
      CustomerFields.CUSTOMERS,
      has -> has.contains(CustomerFields.ID) && has.contains(CustomerFields.NAME),
      "the customer's number and name",
      List.of());

  /**
   * Without one of these a line is no record.
   *
   * @param name for a sentence
   */
  record Need(String name, List<TableField> fields) {}

  private final String word;
  private final Format format;
  private final List<TableField> fields;
  private final Predicate<Collection<TableField>> enough;
  private final String needs;
  private final List<Need> record;
  private final Map<String, TableField> byHeading = new HashMap<>();

  Subject(
      String word,
      Format format,
      List<TableField> fields,
      Predicate<Collection<TableField>> enough,
      String needs,
      List<Need> record) {
    this.word = word;
    this.format = format;
    this.fields = fields;
    this.enough = enough;
    this.needs = needs;
    this.record = record;
    for (var field : fields) {
      byHeading.putIfAbsent(Headings.plain(field.word()), field);
    }
    for (var field : fields) {
      field.headings().forEach(h -> byHeading.putIfAbsent(h, field));
    }
  }

  /** Its name in profiles and in the API. */
  public String word() {
    return word;
  }

  public static Optional<Subject> of(String word) {
    return Arrays.stream(values()).filter(s -> s.word.equals(word)).findFirst();
  }

  public Format format() {
    return format;
  }

  /** Everything its columns may hold. */
  public List<TableField> fields() {
    return fields;
  }

  /** Whether these fields are enough to read it. */
  public boolean enough(Collection<TableField> has) {
    return enough.test(has);
  }

  /** What it needs, for a sentence. */
  public String needs() {
    return needs;
  }

  /** What a column under this heading, in plain letters, holds, where that is known. */
  Optional<TableField> meaning(String plainHeading) {
    return Headings.meaning(plainHeading, byHeading);
  }

  /** What every line of it has; empty where any line counts. */
  List<Need> record() {
    return record;
  }

  public Optional<TableField> field(String fieldWord) {
    return fields.stream().filter(f -> f.word().equals(fieldWord)).findFirst();
  }
}
