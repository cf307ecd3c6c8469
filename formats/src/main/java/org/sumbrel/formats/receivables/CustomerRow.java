package org.sumbrel.formats.receivables;

import java.util.List;
import java.util.Optional;
import org.sumbrel.core.receivables.EarlyPaymentTerms;

/**
 * A customer as a file gives it.
 *
 * @param parentId the customer that pays for it, or empty
 * @param payerAccounts accounts it pays from
 * @param terms that count for its invoices where they say none; empty where the file is silent
 * @param oldestFirst whether its money without a word goes to the oldest; empty where the file is
 *     silent
 */
public record CustomerRow(
    String customerId,
    String name,
    String parentId,
    List<String> payerAccounts,
    Optional<EarlyPaymentTerms> terms,
    Optional<Boolean> oldestFirst,
    int line) {

  public CustomerRow {
    payerAccounts = List.copyOf(payerAccounts);
  }
}
