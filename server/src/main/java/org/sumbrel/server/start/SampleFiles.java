package org.sumbrel.server.start;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/**
 * Made-up invoices and the statement that pays some of them, in any currency: one by its number,
 * two together, one less a bank's fee, one from a payer whom nobody knows.
 */
final class SampleFiles {

  private record Invoice(String number, String customer, String name, int daysAgo, long amount) {}

  private static final List<Invoice> INVOICES =
      List.of(
          new Invoice("SAMPLE-101", "S1", "Sample Bakehouse", 40, 420),
          new Invoice("SAMPLE-102", "S1", "Sample Bakehouse", 20, 385),
          new Invoice("SAMPLE-103", "S2", "Sample Café", 32, 1_250),
          new Invoice("SAMPLE-104", "S2", "Sample Café", 9, 96),
          new Invoice("SAMPLE-105", "S3", "Sample School Kitchen", 15, 640),
          new Invoice("SAMPLE-106", "S3", "Sample School Kitchen", 3, 310));

  private final CurrencyUnit currency;
  private final LocalDate today;

  SampleFiles(CurrencyUnit currency, LocalDate today) {
    this.currency = currency;
    this.today = today;
  }

  private String money(long units) {
    return MoneyText.plain(Money.ofMajor(currency, units));
  }

  String invoices() {
    var csv =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n");
    for (var i : INVOICES) {
      var issued = today.minusDays(i.daysAgo());
      csv.append(
          String.join(
              ",",
              i.number(),
              "invoice",
              i.customer(),
              i.name(),
              issued.toString(),
              issued.plusDays(30).toString(),
              currency.getCode(),
              money(i.amount()),
              money(i.amount())));
      csv.append('\n');
    }
    return csv.toString();
  }

  String statement() {
    return "entry_id,booking_date,amount,currency,payer_name,remittance\n"
        + entry(1, 420, "SAMPLE BAKEHOUSE", "INVOICE SAMPLE-101")
        + entry(2, 1_346, "SAMPLE CAFE", "SAMPLE-103 AND SAMPLE-104")
        + entry(3, 625, "SAMPLE SCHOOL KITCHEN", "SAMPLE-105 LESS BANK CHARGE")
        + entry(4, 310, "UNKNOWN PAYER", "LUNCHES")
        + entry(5, -12, "THE BANK", "ACCOUNT FEE");
  }

  private String entry(int n, long amount, String payer, String text) {
    return String.join(
            ",", "SAMPLE-" + n, today.toString(), money(amount), currency.getCode(), payer, text)
        + "\n";
  }
}
