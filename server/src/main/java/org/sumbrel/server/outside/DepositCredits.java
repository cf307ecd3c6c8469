package org.sumbrel.server.outside;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * How the simulated bank credits a deposit on the day after it was brought: mostly whole, now and
 * then in two parts, less a fee, or short of what its cash was counted as. The acquirer of cards
 * keeps his percentage. The same deposit always fares the same.
 */
final class DepositCredits {

  /** What the acquirer of cards keeps, in per cent. */
  static final BigDecimal ACQUIRER_PERCENT = new BigDecimal("2.4");

  private static final long COUNTER_FEE = 1_500;
  private static final long MISCOUNT = 2_000;

  private DepositCredits() {}

  /**
   * A deposit that was brought.
   *
   * @param cash what of it is cash
   * @param cards whether it is a batch of card receipts
   * @param credited what the bank has credited of it before
   */
  record Brought(
      Long id, String slip, LocalDate on, Money total, Money cash, boolean cards, Money credited) {}

  /** One credit, for a line of the statement. */
  record Credit(Long depositId, Money amount, String text) {}

  /** What is credited of these on a day. */
  static List<Credit> on(LocalDate day, List<Brought> brought) {
    var credits = new ArrayList<Credit>();
    for (var deposit : brought) {
      if (deposit.on().isBefore(day)) {
        credits.add(credit(deposit));
      }
    }
    return credits;
  }

  private static Credit credit(Brought deposit) {
    if (deposit.credited().isPositive()) {
      return new Credit(
          deposit.id(),
          deposit.total().minus(deposit.credited()),
          "COUNTER DEPOSIT " + deposit.slip() + " REST");
    }
    if (deposit.cards()) {
      var kept =
          deposit.total().multipliedBy(ACQUIRER_PERCENT.movePointLeft(2), RoundingMode.HALF_UP);
      return new Credit(
          deposit.id(), deposit.total().minus(kept), "CARD ACQUIRER BATCH " + deposit.slip());
    }
    var random = new Random(deposit.id() * 7_919);
    return switch (random.nextInt(10)) {
      case 6, 7 -> {
        var cents = deposit.total().getAmountMinorLong();
        var part = Money.ofMinor(currency(deposit), cents * (40 + random.nextInt(30)) / 100);
        yield part.isPositive()
            ? new Credit(deposit.id(), part, "COUNTER DEPOSIT " + deposit.slip() + " PART")
            : whole(deposit, 0);
      }
      case 8 -> whole(deposit, COUNTER_FEE);
      case 9 -> whole(deposit, deposit.cash().isPositive() ? MISCOUNT : 0);
      default -> whole(deposit, 0);
    };
  }

  private static Credit whole(Brought deposit, long less) {
    var lessened = deposit.total().minus(Money.ofMinor(currency(deposit), less));
    return new Credit(
        deposit.id(),
        lessened.isPositive() ? lessened : deposit.total(),
        "COUNTER DEPOSIT " + deposit.slip());
  }

  private static CurrencyUnit currency(Brought deposit) {
    return deposit.total().getCurrencyUnit();
  }
}
