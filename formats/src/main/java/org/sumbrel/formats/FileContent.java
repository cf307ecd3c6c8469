package org.sumbrel.formats;

import java.util.List;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.formats.rates.RateRow;
import org.sumbrel.formats.receivables.AliasRow;
import org.sumbrel.formats.receivables.CustomerRow;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.formats.receivables.PastPaymentRow;
import org.sumbrel.formats.statement.AccountStatement;

/**
 * What a file holds, whatever its format; the lists that its format does not know are empty.
 *
 * @param profile the name of the profile that it was read by, or empty
 * @param problems where the file contradicts itself, though it can be read
 */
public record FileContent(
    Format format,
    String profile,
    List<AccountStatement> accounts,
    List<InvoiceRow> invoices,
    List<CustomerRow> customers,
    List<AliasRow> aliases,
    List<PastPaymentRow> history,
    List<RemittanceAdvice> remittances,
    List<LockboxBatch> batches,
    List<Payout> payouts,
    List<RateRow> rates,
    List<Problem> problems) {

  public FileContent {
    accounts = List.copyOf(accounts);
    invoices = List.copyOf(invoices);
    customers = List.copyOf(customers);
    aliases = List.copyOf(aliases);
    history = List.copyOf(history);
    remittances = List.copyOf(remittances);
    batches = List.copyOf(batches);
    payouts = List.copyOf(payouts);
    rates = List.copyOf(rates);
    problems = List.copyOf(problems);
  }

  /** The same, read by a profile. */
  public FileContent readBy(String profileName) {
    return new FileContent(
        format,
        profileName,
        accounts,
        invoices,
        customers,
        aliases,
        history,
        remittances,
        batches,
        payouts,
        rates,
        problems);
  }

  public static FileContent ofStatements(
      Format format, List<AccountStatement> accounts, List<Problem> problems) {
    return new FileContent(
        format, "", accounts, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
        List.of(), List.of(), problems);
  }

  public static FileContent ofInvoices(
      Format format, List<InvoiceRow> invoices, List<Problem> problems) {
    return new FileContent(
        format, "", List.of(), invoices, List.of(), List.of(), List.of(), List.of(), List.of(),
        List.of(), List.of(), problems);
  }

  public static FileContent ofCustomers(List<CustomerRow> customers, List<Problem> problems) {
    return new FileContent(
        Format.CUSTOMERS_CSV,
        "",
        List.of(),
        List.of(),
        customers,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        problems);
  }

  public static FileContent ofAliases(List<AliasRow> aliases) {
    return new FileContent(
        Format.ALIASES_CSV,
        "",
        List.of(),
        List.of(),
        List.of(),
        aliases,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  public static FileContent ofHistory(List<PastPaymentRow> history) {
    return new FileContent(
        Format.HISTORY_CSV,
        "",
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        history,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  public static FileContent ofRemittances(
      Format format, List<RemittanceAdvice> remittances, List<Problem> problems) {
    return new FileContent(
        format,
        "",
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        remittances,
        List.of(),
        List.of(),
        List.of(),
        problems);
  }

  public static FileContent ofBatches(
      Format format, List<LockboxBatch> batches, List<Problem> problems) {
    return new FileContent(
        format, "", List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), batches,
        List.of(), List.of(), problems);
  }

  public static FileContent ofPayouts(Format format, List<Payout> payouts, List<Problem> problems) {
    return new FileContent(
        format, "", List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
        payouts, List.of(), problems);
  }

  public static FileContent ofRates(List<RateRow> rates, List<Problem> problems) {
    return new FileContent(
        Format.RATES_CSV,
        "",
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        rates,
        problems);
  }
}
