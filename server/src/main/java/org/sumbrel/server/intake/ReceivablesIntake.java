package org.sumbrel.server.intake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.customers.CustomerEntity;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.journal.Journal;

/**
 * Takes customers, invoices and credit notes in. What is known stays as it is until somebody
 * accepts what the list says otherwise.
 */
@Component
class ReceivablesIntake {

  private static final int CHUNK = 500;

  private final Customers customers;
  private final Journal journal;
  private final ItemUpdates updates;
  private final IntakeRecords records;

  ReceivablesIntake(
      Customers customers, Journal journal, ItemUpdates updates, IntakeRecords records) {
    this.records = records;
    this.customers = customers;
    this.journal = journal;
    this.updates = updates;
  }

  Outcome takeCustomers(CompanyEntity company, Long intakeId, List<CustomerRow> rows)
      throws BrokenFile {
    var fresh = 0;
    var byNumber = new HashMap<String, CustomerEntity>();
    for (var row : rows) {
      var known = customers.numbered(company.id(), row.customerId());
      var customer =
          known.orElseGet(
              () -> customers.add(company.id(), row.customerId(), row.name(), intakeId));
      customers.update(customer, row.name(), row.payerAccounts(), row.terms(), row.oldestFirst());
      byNumber.put(row.customerId(), customer);
      fresh += known.isPresent() ? 0 : 1;
    }
    var problems = new ArrayList<Problem>();
    for (var row : rows) {
      if (!row.parentId().isEmpty()) {
        var parent = byNumber.get(row.parentId());
        if (parent == null || row.parentId().equals(row.customerId())) {
          problems.add(
              new Problem(row.line(), "parent " + row.parentId() + " is no other customer"));
        } else {
          customers.paidBy(byNumber.get(row.customerId()), parent);
        }
      }
    }
    if (!problems.isEmpty()) {
      throw new BrokenFile(problems);
    }
    return new Outcome(rows.size(), fresh, rows.size() - fresh, 0, List.of());
  }

  Outcome takeInvoices(
      CompanyEntity company, Long intakeId, List<InvoiceRow> rows, String by, IntakeWatch watch)
      throws BrokenFile {
    requireDistinct(rows);
    var outcome = Outcome.none();
    var owners = customers.byNumber(company.id());
    rows = withNumbers(rows, owners.values());
    for (var from = 0; from < rows.size(); from += CHUNK) {
      var chunk = rows.subList(from, Math.min(rows.size(), from + CHUNK));
      watch.kept(from, rows.size());
      outcome = outcome.plus(takeChunk(company, intakeId, chunk, by, owners));
    }
    return outcome;
  }

  /** Where a file gives a customer's name only, the one who is called so. */
  private static List<InvoiceRow> withNumbers(
      List<InvoiceRow> rows, Collection<CustomerEntity> owners) throws BrokenFile {
    if (rows.stream().noneMatch(r -> r.customerId().isEmpty())) {
      return rows;
    }
    var named = new HashMap<String, List<String>>();
    for (var owner : owners) {
      named
          .computeIfAbsent(owner.name().toLowerCase(Locale.ROOT), n -> new ArrayList<>())
          .add(owner.number());
    }
    var numbered = new ArrayList<InvoiceRow>();
    var problems = new ArrayList<Problem>();
    for (var row : rows) {
      var found =
          row.customerId().isEmpty()
              ? named.getOrDefault(row.customerName().toLowerCase(Locale.ROOT), List.of())
              : List.of(row.customerId());
      if (found.size() == 1) {
        numbered.add(row.of(found.get(0)));
      } else {
        problems.add(
            new Problem(
                row.line(),
                found.isEmpty()
                    ? "the file gives no customer's number, and nobody is called \""
                        + row.customerName()
                        + "\"; take the customer in first"
                    : "the file gives no customer's number, and "
                        + String.join(", ", found)
                        + " are all called \""
                        + row.customerName()
                        + "\""));
      }
    }
    if (!problems.isEmpty()) {
      throw new BrokenFile(problems);
    }
    return numbered;
  }

  private static void requireDistinct(List<InvoiceRow> rows) throws BrokenFile {
    var seen = new HashSet<String>();
    var twice = new ArrayList<Problem>();
    for (var row : rows) {
      if (!seen.add(row.number())) {
        twice.add(new Problem(row.line(), "number " + row.number() + " stands twice in the file"));
      }
    }
    if (!twice.isEmpty()) {
      throw new BrokenFile(twice);
    }
  }

  private Outcome takeChunk(
      CompanyEntity company,
      Long intakeId,
      List<InvoiceRow> rows,
      String by,
      Map<String, CustomerEntity> owners) {
    var known = new HashMap<String, OpenItemEntity>();
    customers
        .itemsNumbered(company.id(), rows.stream().map(InvoiceRow::number).toList())
        .forEach(i -> known.put(i.number(), i));
    var fresh = new ArrayList<OpenItem>();
    var entries = new ArrayList<JournalEntry>();
    var problems = new ArrayList<String>();
    var met = new ArrayList<ItemUpdates.Met>();
    var passedOver = 0;
    for (var row : rows) {
      var twin = known.get(row.number());
      if (twin == null && row.cancelled()) {
        passedOver++;
      } else if (twin == null) {
        var item = toItem(company, row, owner(company, intakeId, row, owners));
        fresh.add(item);
        Posting.entryFor(item).ifPresent(entries::add);
      } else if (!twin.total().abs().equals(row.total())) {
        problems.add(
            "line "
                + row.line()
                + ": "
                + row.number()
                + " is known with the total "
                + MoneyText.grouped(twin.total().abs())
                + ", here it has "
                + MoneyText.grouped(row.total())
                + "; the known one stays");
      } else {
        met.add(new ItemUpdates.Met(row, twin));
      }
    }
    if (passedOver > 0) {
      problems.add(
          (passedOver == 1 ? "1 item is" : passedOver + " items are")
              + " cancelled and not known, so not taken in");
    }
    customers.addAll(fresh, intakeId);
    journal.writeAll(entries, by);
    records.knewItems(intakeId, known.values().stream().map(OpenItemEntity::id).toList());
    var asked = updates.ask(intakeId, met);
    if (asked > 0) {
      problems.add(
          (asked == 1 ? "1 known item is" : asked + " things about known items are")
              + " told otherwise here; decide under Differences to decide");
    }
    return new Outcome(rows.size(), fresh.size(), known.size(), passedOver, problems);
  }

  private CustomerEntity owner(
      CompanyEntity company, Long intakeId, InvoiceRow row, Map<String, CustomerEntity> owners) {
    return owners.computeIfAbsent(
        row.customerId(),
        number ->
            customers.add(
                company.id(),
                number,
                row.customerName().isEmpty() ? number : row.customerName(),
                intakeId));
  }

  private static OpenItem toItem(CompanyEntity company, InvoiceRow row, CustomerEntity owner) {
    var companyId = company.id().toString();
    var customerId = owner.id().toString();
    return row.creditNote()
        ? new CreditNote(
            row.number(),
            companyId,
            customerId,
            row.number(),
            row.issueDate(),
            row.dueDate(),
            row.total().negated(),
            row.open().negated())
        : new Invoice(
            row.number(),
            companyId,
            customerId,
            row.number(),
            row.issueDate(),
            row.dueDate(),
            row.total(),
            row.open(),
            row.orderReference(),
            row.creditorReference(),
            row.terms().or(owner::terms));
  }
}
