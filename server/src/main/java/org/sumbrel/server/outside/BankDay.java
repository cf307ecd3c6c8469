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

  /** What a processor sent. */
  record Sent(String payer, Money amount, String text) {}

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
   * @param sent by processors
   */
  static List<StatementEntry> of(
      LocalDate day,
      CurrencyUnit currency,
      long account,
      List<Owed> payable,
      List<Credit> deposits,
      List<Sent> sent) {
    var bank = new BankDay(day, currency, account);
    deposits.forEach(credit -> bank.add(credit.amount(), "", credit.text()));
    sent.forEach(one -> bank.add(one.amount(), one.payer(), one.text()));
    bank.fill(new ArrayList<>(payable));
    return bank.entries;
  }

  private void fill(List<Owed> left) {
    var payments = 3 + random.nextInt(MOST_PAYMENTS - 2);
    for (var n = 0; n < payments && !left.isEmpty(); n++) {
      pay(left);
    }
    add(Money.ofMinor(currency, -CHARGES), "", "MONTHLY CHARGES");
  }

  private void pay(List<Owed> left) {
    var one = left.remove(random.nextInt(Math.min(left.size(), 3 * MOST_PAYMENTS)));
    switch (random.nextInt(5)) {
      case 0 -> add(one.open(), one.name(), "INV " + one.number());
      case 1 -> add(one.open(), one.name(), one.order().isEmpty() ? "FLOUR" : one.order());
      case 2 -> {
        var other = left.stream().filter(o -> o.customer().equals(one.customer())).findFirst();
        other.ifPresent(left::remove);
        add(
            other.map(o -> one.open().plus(o.open())).orElse(one.open()),
            one.name(),
            one.number() + other.map(o -> " " + o.number()).orElse(""));
      }
      case 3 -> {
        var fee = Money.ofMinor(currency, BANK_FEE);
        var paid = one.open().isGreaterThan(fee) ? one.open().minus(fee) : one.open();
        add(paid, one.name(), "INV " + one.number());
      }
      default -> add(one.open(), one.name(), "");
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
