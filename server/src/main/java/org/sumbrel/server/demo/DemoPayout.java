package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.sumbrel.server.outside.ProcessorFile;

/**
 * The week's payout of the card processor Chipfold: invoices paid on-line, sales of the mill's web
 * shop, a day's cards of the till that is recorded already, a refund whose fee comes back in part,
 * a chargeback, a reserve held and one released, and the fee of the month.
 */
final class DemoPayout {

  /** What the statement of the day shows for it. */
  static final int NET = 418_766;

  /** So many open invoices were paid through it. */
  static final int INVOICES = 3;

  /** The till's cards of 28 May stand in the pouch. */
  private static final int TILL = 31_540;

  private static final LocalDate TODAY = DemoBooks.TODAY;

  private final ProcessorFile file =
      new ProcessorFile("CF-2026-22", TODAY, CurrencyUnit.USD, 70_411);

  private DemoPayout() {}

  static String file(DemoBooks books) {
    var payout = new DemoPayout();
    payout.fill(books);
    return payout.file.text();
  }

  private void fill(DemoBooks books) {
    for (var invoice : free(books).subList(0, INVOICES)) {
      sale(invoice.number(), 5, invoice.customer().name(), "card", invoice.cents(), 0);
    }
    var bread = sale("WEB-3107", 6, "A Corwin", "card", 21_200, 1_200);
    sale("WEB-3108", 5, "The Pye Shop", "card", 10_600, 600);
    var disputed = sale("WEB-3110", 4, "J Sallow", "card", 8_480, 480);
    sale("WEB-3111", 2, "Hearth & Heath", "wallet", 42_400, 2_400);
    sale("", 1, "", "till", TILL, 0);
    item("Refund", bread, "WEB-3107", 3, "A Corwin", -4_240, -240, -73, 0);
    item("Chargeback", disputed, "WEB-3110", 2, "J Sallow", -8_480, -480, 0, 0);
    item("Fee", disputed, "", 2, "", 0, 0, 1_500, 0);
    item("Reserve held", "", "", 1, "", -20_000, 0, 0, 0);
    item("Reserve released", "", "", 1, "", 15_000, 0, 0, 0);
    item("Fee", "", "", 1, "", 0, 0, 1_272, 72);
    rest();
  }

  /** Invoices that nothing else of the day pays; the first few are paid through this processor. */
  static List<DemoInvoice> free(DemoBooks books) {
    var mailed =
        DemoLockbox.seen(books).stream()
            .flatMap(s -> s.pays().stream())
            .collect(Collectors.toSet());
    var free = new ArrayList<>(books.leftByDayAndPouch());
    free.removeIf(i -> mailed.contains(i.number()) || i.cents() > 90_000);
    return free;
  }

  /** One more sale brings the payout to what the bank shows; the odd cent is an adjustment. */
  private void rest() {
    var missing = NET - file.net();
    var gross = missing;
    while (gross - file.fee(gross) < missing) {
      gross++;
    }
    sale("WEB-3112", 1, "Copper Kettle Rooms", "card", gross, 0);
    if (file.net() != NET) {
      item("Adjustment", "", "", 1, "", NET - file.net(), 0, 0, 0);
    }
  }

  private String sale(
      String order, int daysAgo, String buyer, String method, long gross, long tax) {
    return file.sale(order, TODAY.minusDays(daysAgo), buyer, method, gross, tax);
  }

  private void item(
      String type,
      String related,
      String order,
      int daysAgo,
      String buyer,
      long gross,
      long tax,
      long fee,
      long feeTax) {
    file.item(type, related, order, TODAY.minusDays(daysAgo), buyer, gross, tax, fee, feeTax);
  }
}
