package org.sumbrel.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.propose.PastPayer;
import org.sumbrel.core.propose.Snapshot;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.formats.receivables.AliasRow;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.receivables.PastPaymentRow;
import org.sumbrel.formats.statement.StatementEntry;

/** The rows of the input files as the values the engine works on. */
final class BooksFromFiles {

  private static final String COMPANY = "company";

  private final List<InvoiceRow> invoices;
  private final List<Customer> customers;
  private final List<Alias> aliases;
  private final List<PastPayer> history;

  BooksFromFiles(
      List<InvoiceRow> invoices,
      List<CustomerRow> customers,
      List<AliasRow> aliases,
      List<PastPaymentRow> history) {
    this.invoices = invoices;
    this.customers = customers(invoices, customers);
    this.aliases = aliases.stream().map(a -> Alias.ofText(a.payerText(), a.customerId())).toList();
    this.history =
        history.stream()
            .map(h -> new PastPayer(h.payerName(), h.payerAccount(), h.customerId()))
            .toList();
  }

  /** What the engine knows in one currency. */
  Snapshot in(CurrencyUnit currency, Policy policy) {
    var items =
        invoices.stream()
            .filter(row -> row.total().getCurrencyUnit().equals(currency))
            .map(BooksFromFiles::item)
            .toList();
    return new Snapshot(items, Map.of(), customers, aliases, history, policy);
  }

  private static List<Customer> customers(List<InvoiceRow> invoices, List<CustomerRow> rows) {
    var customers = new LinkedHashMap<String, Customer>();
    for (var row : rows) {
      var parent = Optional.of(row.parentId()).filter(p -> !p.isEmpty());
      customers.put(
          row.customerId(),
          new Customer(row.customerId(), COMPANY, row.name(), parent, row.payerAccounts(), false));
    }
    for (var row : invoices) {
      customers.computeIfAbsent(
          row.customerId(),
          id -> new Customer(id, COMPANY, row.customerName(), Optional.empty(), List.of(), false));
    }
    return new ArrayList<>(customers.values());
  }

  private static OpenItem item(InvoiceRow row) {
    return row.creditNote()
        ? new CreditNote(
            row.number(),
            COMPANY,
            row.customerId(),
            row.number(),
            row.issueDate(),
            row.dueDate(),
            row.total().negated(),
            row.open().negated())
        : new Invoice(
            row.number(),
            COMPANY,
            row.customerId(),
            row.number(),
            row.issueDate(),
            row.dueDate(),
            row.total(),
            row.open(),
            row.orderReference(),
            row.creditorReference(),
            row.terms());
  }

  /** A credit as a receipt; what the bank wrote beside the remittance is read with it. */
  static Receipt receipt(StatementEntry entry, String id) {
    var text = String.join(" ", entry.words(), entry.bankReference(), entry.checkNumber()).strip();
    return new Receipt(
        id,
        COMPANY,
        entry.bookingDate(),
        entry.amount(),
        entry.payerName(),
        entry.payerAccount(),
        text);
  }
}
