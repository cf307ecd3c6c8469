package org.sumbrel.server.demo;

import java.time.LocalDate;

/**
 * A made-up invoice or credit note.
 *
 * @param cents what it is for, positive for both kinds
 */
record DemoInvoice(
    String number,
    boolean creditNote,
    DemoCustomer customer,
    LocalDate issuedOn,
    LocalDate dueOn,
    int cents,
    String order) {

  /** The discount for paying in time, 2 % rounded half-up, where the customer has such terms. */
  int discountCents() {
    return customer.terms().isEmpty() ? 0 : (cents * 2 + 50) / 100;
  }
}
