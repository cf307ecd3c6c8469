package org.sumbrel.formats.receivables;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.EarlyPaymentTerms;

/**
 * An invoice or credit note as a file gives it.
 *
 * @param customerId the customer's number; empty where the file gives only the name
 * @param total positive for both kinds
 * @param open what is left of it, positive for both kinds, at most the total
 * @param cancelled whether the list says that it no longer counts
 */
public record InvoiceRow(
    String number,
    boolean creditNote,
    String customerId,
    String customerName,
    LocalDate issueDate,
    LocalDate dueDate,
    Money total,
    Money open,
    String orderReference,
    String creditorReference,
    Optional<EarlyPaymentTerms> terms,
    boolean cancelled,
    int line) {

  /** The same, of the customer with this number. */
  public InvoiceRow of(String customerNumber) {
    return new InvoiceRow(
        number,
        creditNote,
        customerNumber,
        customerName,
        issueDate,
        dueDate,
        total,
        open,
        orderReference,
        creditorReference,
        terms,
        cancelled,
        line);
  }
}
