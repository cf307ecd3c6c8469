package org.sumbrel.core.payout;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.JournalLine;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.payout.PayoutBooking.Joined;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;

/** Payouts that are booked in tests, and what stands in the books then. */
final class BookedPayouts {

  private BookedPayouts() {}

  static final LocalDate DAY = LocalDate.of(2026, 5, 28);
  static final PayoutAccounts ACCOUNTS =
      new PayoutAccounts(
          "clearing",
          "reserve",
          "sales",
          "refunds",
          "chargebacks",
          "fees",
          "adjustments",
          "exchange");

  /** How a sale of the payout is known: by an invoice, as a sale on the spot, or not at all. */
  enum Known {
    INVOICED,
    RECORDED,
    NEW
  }

  record Made(PayoutItem item, Known known) {}

  static Money cents(long cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  static PayoutItem item(
      PayoutItemType type, long gross, long fee, long tax, long feeTax, int day) {
    return new PayoutItem(
        1,
        "",
        type,
        type.name(),
        "",
        "",
        Optional.of(DAY.minusDays(day)),
        cents(type.isFee() ? 0 : gross),
        cents(fee),
        cents(type.isFee() ? 0 : tax),
        cents(feeTax),
        "",
        "",
        "");
  }

  static Payout payout(List<Made> made, long previous) {
    return new Payout(
        "Chipfold",
        "P",
        CurrencyUnit.USD,
        Optional.empty(),
        Optional.empty(),
        Optional.of(DAY),
        cents(previous),
        Optional.empty(),
        made.stream().map(Made::item).toList());
  }

  /** What stands on each account; the clearing account is one, by whichever rule it is reached. */
  static final class Books {
    final Map<String, Money> balances = new HashMap<>();

    void write(JournalEntry entry) {
      entry.lines().forEach(line -> balances.merge(account(line), line.amount(), Money::plus));
      balances.values().removeIf(Money::isZero);
    }

    static String account(JournalLine line) {
      if (line.role() == AccountRole.PROCESSOR_CLEARING) {
        return "clearing";
      }
      if (line.role() == AccountRole.PROCESSING_FEES) {
        return "fees";
      }
      return line.accountId().orElseGet(() -> line.role().name());
    }

    Money of(String account) {
      return balances.getOrDefault(account, cents(0));
    }
  }

  static Invoice invoice(int n, Money total) {
    return new Invoice(
        "i" + n, "1", "c" + n, "INV-" + n, DAY, DAY, total, total, "", "", Optional.empty());
  }

  static Claim claim(int n, Money total) {
    return new Claim("i" + n, "1", "c" + n, "CL-" + n, DAY, total, total, ClaimReason.CHARGEBACK);
  }

  static PayoutBooking book(
      boolean eachSale, Map<String, ? extends OpenItem> items, Joined... joined) {
    var made = Stream.of(joined).map(j -> new Made(j.item(), Known.NEW)).toList();
    return PayoutBooking.of(
        "1", payout(made, 0), List.of(joined), items::get, ACCOUNTS, eachSale, DAY);
  }

  static Map<String, Money> booked(PayoutBooking booking) {
    var books = new Books();
    books.write(Posting.entryFor(booking.draft().settleAsReported(), DAY, "payout"));
    return books.balances;
  }
}
