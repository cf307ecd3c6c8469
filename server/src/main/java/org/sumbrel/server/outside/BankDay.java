package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.outside.DepositCredits.Credit;

/**
 * What happens on an account in one made-up day: customers pay some of what they owe, now in one
 * way, now in another, and the bank takes its charges. The same day of the same account is always
 * the same.
 */
final class BankDay {

  /** An invoice that may be paid. */
  record Payable(String number, String order, String customer, Money open) {}

  private static final int MOST_PAYMENTS = 6;
  private static final long BANK_FEE = 1_500;
  private static final long CHARGES = 1_250;

  private final LocalDate day;
  private final CurrencyUnit currency;
  private final Random random;
  private final List<StatementEntry> entries = new ArrayList<>();

  private BankDay(LocalDate day, CurrencyUnit currency, long account) {
    this.day = day;
    this.currency = currency;
    this.random = new Random(day.toEpochDay() * 31 + account);
  }

  /**
   * The day's entries.
   *
   * @param payable what customers owe, oldest first
   * @param deposits what is credited of deposits that were brought
   */
  static List<StatementEntry> of(
      LocalDate day,
      CurrencyUnit currency,
      long account,
      List<Payable> payable,
      List<Credit> deposits) {
    var bank = new BankDay(day, currency, account);
    deposits.forEach(credit -> bank.add(credit.amount(), "", credit.text()));
    bank.fill(new ArrayList<>(payable));
    return bank.entries;
  }

  private void fill(List<Payable> left) {
    var payments = 3 + random.nextInt(MOST_PAYMENTS - 2);
    for (var n = 0; n < payments && !left.isEmpty(); n++) {
      pay(left);
    }
    add(Money.ofMinor(currency, -CHARGES), "", "MONTHLY CHARGES");
  }

  private void pay(List<Payable> left) {
    var one = left.remove(random.nextInt(Math.min(left.size(), 3 * MOST_PAYMENTS)));
    switch (random.nextInt(5)) {
      case 0 -> add(one.open(), one.customer(), "INV " + one.number());
      case 1 -> add(one.open(), one.customer(), one.order().isEmpty() ? "FLOUR" : one.order());
      case 2 -> {
        var other = left.stream().filter(o -> o.customer().equals(one.customer())).findFirst();
        other.ifPresent(left::remove);
        add(
            other.map(o -> one.open().plus(o.open())).orElse(one.open()),
            one.customer(),
            one.number() + other.map(o -> " " + o.number()).orElse(""));
      }
      case 3 -> {
        var fee = Money.ofMinor(currency, BANK_FEE);
        var paid = one.open().isGreaterThan(fee) ? one.open().minus(fee) : one.open();
        add(paid, one.customer(), "INV " + one.number());
      }
      default -> add(one.open(), one.customer(), "");
    }
  }

  private void add(Money amount, String payer, String text) {
    entries.add(
        new StatementEntry(
            "SIM" + day.toString().replace("-", "") + (entries.size() + 1),
            day,
            day,
            amount,
            payer,
            "",
            text,
            "",
            "",
            "",
            EntryStatus.BOOKED,
            false,
            Money.zero(currency),
            List.of(),
            0));
  }
}
