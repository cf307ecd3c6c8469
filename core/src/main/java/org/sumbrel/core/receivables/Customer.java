package org.sumbrel.core.receivables;

import java.util.List;
import java.util.Optional;

/**
 * A debtor.
 *
 * @param id what the rest of the system knows it by
 * @param companyId the company it owes
 * @param name as it stands on its invoices
 * @param parentId the customer that pays for this one, if any
 * @param accounts bank accounts it is known to pay from, without blanks; IBANs or plain account
 *     numbers
 * @param oldestFirst whether money without a word is applied down the due dates
 */
public record Customer(
    String id,
    String companyId,
    String name,
    Optional<String> parentId,
    List<String> accounts,
    boolean oldestFirst) {

  public Customer {
    accounts = List.copyOf(accounts);
  }
}
