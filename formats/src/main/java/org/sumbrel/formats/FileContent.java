package org.sumbrel.formats;

import java.util.List;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.statement.AccountStatement;

/**
 * What a file holds, whatever its format; the lists that its format does not know are empty.
 *
 * @param problems where the file contradicts itself, though it can be read
 */
public record FileContent(
    Format format,
    List<AccountStatement> accounts,
    List<InvoiceRow> invoices,
    List<CustomerRow> customers,
    List<Problem> problems) {

  public FileContent {
    accounts = List.copyOf(accounts);
    invoices = List.copyOf(invoices);
    customers = List.copyOf(customers);
    problems = List.copyOf(problems);
  }

  public static FileContent ofStatements(
      Format format, List<AccountStatement> accounts, List<Problem> problems) {
    return new FileContent(format, accounts, List.of(), List.of(), problems);
  }
}
