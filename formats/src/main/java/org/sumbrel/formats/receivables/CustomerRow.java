package org.sumbrel.formats.receivables;

import java.util.List;

/**
 * A customer as a file gives it.
 *
 * @param parentId the customer that pays for it, or empty
 * @param payerAccounts accounts it pays from
 */
public record CustomerRow(
    String customerId, String name, String parentId, List<String> payerAccounts, int line) {

  public CustomerRow {
    payerAccounts = List.copyOf(payerAccounts);
  }
}
