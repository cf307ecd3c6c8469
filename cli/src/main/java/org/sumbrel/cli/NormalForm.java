package org.sumbrel.cli;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.AccountStatement.Balance;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.Exchange;
import org.sumbrel.formats.statement.StatementEntry;

/**
 * What a file holds as the one JSON document that every format comes to. Amounts are decimal
 * strings, dates ISO 8601.
 */
final class NormalForm {

  private NormalForm() {}

  static Map<String, Object> of(FileContent content) {
    var document = new LinkedHashMap<String, Object>();
    document.put("format", content.format().word());
    document.put("accounts", content.accounts().stream().map(NormalForm::account).toList());
    document.put("batches", content.batches().stream().map(NormalForm::batch).toList());
    document.put("payouts", content.payouts().stream().map(NormalForm::payout).toList());
    document.put("remittances", content.remittances().stream().map(NormalForm::advice).toList());
    document.put("invoices", content.invoices().stream().map(NormalForm::invoice).toList());
    document.put("customers", content.customers().stream().map(NormalForm::customer).toList());
    document.put(
        "problems",
        content.problems().stream()
            .map(p -> fields("line", p.line(), "message", p.message()))
            .toList());
    return document;
  }

  private static Map<String, Object> batch(LockboxBatch batch) {
    return fields(
        "batch", batch.number(),
        "lockbox", batch.lockbox(),
        "date", batch.depositedOn().map(LocalDate::toString).orElse(null),
        "currency", batch.currency().getCode(),
        "total", batch.claimedTotal().map(MoneyText::plain).orElse(null),
        "checkCount", batch.claimedCheques().orElse(null),
        "checks", batch.cheques().stream().map(NormalForm::cheque).toList());
  }

  private static Map<String, Object> cheque(LockboxCheque cheque) {
    return fields(
        "checkNumber", cheque.number(),
        "routing", cheque.routing(),
        "account", cheque.account(),
        "amount", MoneyText.plain(cheque.amount()),
        "payerName", cheque.payerName(),
        "date", cheque.date().map(LocalDate::toString).orElse(null),
        "items",
            cheque.items().stream()
                .map(i -> fields("reference", i.reference(), "amount", MoneyText.plain(i.amount())))
                .toList());
  }

  private static Map<String, Object> payout(Payout payout) {
    return fields(
        "processor", payout.processor(),
        "payout", payout.number(),
        "periodStart", payout.from().map(LocalDate::toString).orElse(null),
        "periodEnd", payout.until().map(LocalDate::toString).orElse(null),
        "paidOn", payout.paidOn().map(LocalDate::toString).orElse(null),
        "currency", payout.currency().getCode(),
        "previousBalance", MoneyText.plain(payout.previousBalance()),
        "net", MoneyText.plain(payout.net()),
        "claimedNet", payout.claimedNet().map(MoneyText::plain).orElse(null),
        "items", payout.items().stream().map(NormalForm::item).toList());
  }

  private static Map<String, Object> item(PayoutItem item) {
    return fields(
        "type", item.type().name().toLowerCase(Locale.ROOT),
        "item", item.id(),
        "reference", item.reference(),
        "related", item.related(),
        "date", item.on().map(LocalDate::toString).orElse(null),
        "gross", MoneyText.plain(item.gross()),
        "fee", MoneyText.plain(item.fee()),
        "tax", MoneyText.plain(item.tax()),
        "feeTax", MoneyText.plain(item.feeTax()),
        "net", MoneyText.plain(item.net()),
        "method", item.method(),
        "payerName", item.payer(),
        "text", item.text());
  }

  private static Map<String, Object> advice(RemittanceAdvice advice) {
    return fields(
        "trace", advice.trace(),
        "date", advice.date().map(LocalDate::toString).orElse(null),
        "payerName", advice.payerName(),
        "total", MoneyText.plain(advice.total()),
        "currency", advice.total().getCurrencyUnit().getCode(),
        "items", advice.items().stream().map(NormalForm::paid).toList());
  }

  private static Map<String, Object> paid(RemittanceItem item) {
    return fields(
        "reference", item.reference(),
        "amount", MoneyText.plain(item.amount()),
        "discount", MoneyText.plain(item.discount()),
        "adjustment", MoneyText.plain(item.adjustment()),
        "reason", item.reason());
  }

  private static Map<String, Object> account(AccountStatement statement) {
    return fields(
        "account", statement.account(),
        "currency", statement.currency().getCode(),
        "statement", statement.number(),
        "sequence", statement.sequence().orElse(null),
        "from", statement.from().map(LocalDate::toString).orElse(null),
        "until", statement.until().map(LocalDate::toString).orElse(null),
        "opening", balance(statement.opening()),
        "closing", balance(statement.closing()),
        "entries", statement.entries().stream().map(NormalForm::entry).toList());
  }

  private static Map<String, Object> balance(Optional<Balance> balance) {
    return balance
        .map(b -> fields("date", b.date().toString(), "amount", MoneyText.plain(b.amount())))
        .orElse(null);
  }

  private static Map<String, Object> entry(StatementEntry entry) {
    return fields(
        "entryId", entry.entryId(),
        "bookingDate", entry.bookingDate().toString(),
        "valueDate", entry.valueDate().toString(),
        "amount", MoneyText.plain(entry.amount()),
        "currency", entry.amount().getCurrencyUnit().getCode(),
        "payerName", entry.payerName(),
        "payerAccount", entry.payerAccount(),
        "remittance", entry.remittance(),
        "bankReference", entry.bankReference(),
        "checkNumber", entry.checkNumber(),
        "bankText", entry.bankText(),
        "status", entry.booked() ? "booked" : "pending",
        "reversal", entry.reversal(),
        "charges", MoneyText.plain(entry.charges()),
        "details", entry.details().stream().map(NormalForm::detail).toList());
  }

  private static Map<String, Object> detail(EntryDetail detail) {
    return fields(
        "amount", detail.amount().map(MoneyText::plain).orElse(null),
        "currency", detail.amount().map(a -> a.getCurrencyUnit().getCode()).orElse(null),
        "payerName", detail.payerName(),
        "payerAccount", detail.payerAccount(),
        "ultimatePayer", detail.ultimatePayer(),
        "remittance", detail.remittance(),
        "bankReference", detail.bankReference(),
        "endToEnd", detail.endToEnd(),
        "checkNumber", detail.checkNumber(),
        "charges", MoneyText.plain(detail.charges()),
        "exchange", detail.exchange().map(NormalForm::exchange).orElse(null));
  }

  private static Map<String, Object> exchange(Exchange exchange) {
    return fields(
        "instructed", exchange.instructed().map(MoneyText::plain).orElse(null),
        "instructedCurrency",
            exchange.instructed().map(a -> a.getCurrencyUnit().getCode()).orElse(null),
        "source", exchange.source(),
        "target", exchange.target(),
        "unit", exchange.unit(),
        "rate", exchange.rate().map(BigDecimal::toPlainString).orElse(null));
  }

  private static Map<String, Object> invoice(InvoiceRow row) {
    return fields(
        "number", row.number(),
        "kind", row.creditNote() ? "credit_note" : "invoice",
        "customerId", row.customerId(),
        "customerName", row.customerName(),
        "issueDate", row.issueDate().toString(),
        "dueDate", row.dueDate().toString(),
        "currency", row.total().getCurrencyUnit().getCode(),
        "total", MoneyText.plain(row.total()),
        "open", MoneyText.plain(row.open()),
        "orderReference", row.orderReference(),
        "creditorReference", row.creditorReference(),
        "terms", row.terms().map(Object::toString).orElse(""));
  }

  private static Map<String, Object> customer(CustomerRow row) {
    return fields(
        "customerId", row.customerId(),
        "name", row.name(),
        "parentId", row.parentId(),
        "payerAccounts", row.payerAccounts());
  }

  private static Map<String, Object> fields(Object... namesAndValues) {
    var fields = new LinkedHashMap<String, Object>();
    for (var i = 0; i < namesAndValues.length; i += 2) {
      fields.put((String) namesAndValues[i], namesAndValues[i + 1]);
    }
    return fields;
  }
}
