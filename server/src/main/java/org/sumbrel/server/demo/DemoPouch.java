package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.pouch.PouchHistory;

/**
 * What is in the office on the demo's day: four cheques, the cash of two days, a card batch, and a
 * deposit on its way from which the cash of one day was forgotten.
 */
@Component
class DemoPouch {

  /** So many cheques pay an invoice each. */
  static final int CHEQUES = 6;

  private static final LocalDate TODAY = DemoBooks.TODAY;
  private static final String TILL = "Mill shop";
  private static final String TAX = "SALES6";

  /** What the deposit comes to, 90.00 less than the bank will show for it. */
  private static final int BANKED = 84_200;

  private static final int FORGOTTEN = 9_000;

  private final PouchHistory pouch;
  private final Customers customers;

  DemoPouch(PouchHistory pouch, Customers customers) {
    this.pouch = pouch;
    this.customers = customers;
  }

  void fill(Long company, Long operating, DemoBooks books) {
    var free = books.leftByTheDay();
    var items =
        customers.itemsOf(company).stream()
            .collect(Collectors.toMap(OpenItemEntity::number, Function.identity()));
    var maren = new Actor("maren", Role.CLERK);
    var wednesday = TODAY.minusDays(2);
    var cash = BANKED - free.get(0).cents() - free.get(1).cents();
    var brought =
        List.of(
            cheque(company, wednesday, "3071", free.get(0), items, null, maren),
            cheque(company, wednesday, "884", free.get(1), items, null, maren),
            pouch
                .till(company, TODAY.minusDays(3), TILL, TAX, usd(cash), usd(cash), usd(0), maren)
                .get(0));
    pouch.till(company, wednesday, TILL, TAX, usd(FORGOTTEN), usd(FORGOTTEN), usd(0), maren);
    pouch.deposit(company, operating, wednesday, "0417", brought, maren);
    cheque(company, wednesday, "20119", free.get(2), items, null, maren);
    cheque(company, TODAY.minusDays(1), "5512", free.get(3), items, null, maren);
    cheque(company, TODAY.minusDays(1), "0067", free.get(4), items, null, maren);
    cheque(company, TODAY.minusDays(1), "418", free.get(5), items, TODAY.plusDays(6), maren);
    pouch.till(
        company, TODAY.minusDays(1), TILL, TAX, usd(21_635), usd(21_435), usd(31_540), maren);
  }

  private Long cheque(
      Long company,
      LocalDate on,
      String number,
      DemoInvoice invoice,
      Map<String, OpenItemEntity> items,
      LocalDate heldUntil,
      Actor by) {
    var item = items.get(invoice.number());
    return pouch.cheque(
        company,
        on,
        number,
        item.customerId(),
        usd(invoice.cents()),
        List.of(item.id()),
        heldUntil,
        by);
  }

  private static Money usd(int cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }
}
