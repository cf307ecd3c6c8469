package org.sumbrel.core.deposit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositRefused.Code;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;

/**
 * Deposits and the bank entries that show them, to the cent: {@code left in transit + lines = sum
 * of entries}. One deposit may be shown in parts, and several as one.
 *
 * @param lines what explains a difference; they become lines of the first deposit
 */
public record DepositTie(
    List<InTransit> deposits, List<BankCredit> entries, List<DepositLine> lines, List<Part> parts) {

  /** What one entry shows of one deposit. */
  public record Part(String depositId, String entryId, Money amount) {}

  /**
   * Ties deposits to entries.
   *
   * @throws DepositRefused where the sums differ; a single deposit may be shown in part, where no
   *     lines explain a difference
   */
  public static DepositTie of(
      List<InTransit> deposits, List<BankCredit> entries, List<DepositLine> lines) {
    if (deposits.isEmpty() || entries.isEmpty()) {
      throw new DepositRefused(
          Code.EMPTY, "A deposit and an entry of the bank are needed.", Map.of());
    }
    var currency = deposits.get(0).left().getCurrencyUnit();
    requireCurrency(currency, deposits, entries);
    var explained = MoneySum.of(currency, lines, DepositLine::amount);
    var banked = MoneySum.of(currency, deposits, InTransit::left).plus(explained);
    var shown = MoneySum.of(currency, entries, BankCredit::amount);
    var partly = deposits.size() == 1 && lines.isEmpty() && shown.isLessThan(banked);
    if (!partly && !shown.equals(banked)) {
      throw differs(deposits.size(), banked, shown);
    }
    return new DepositTie(deposits, entries, lines, parts(deposits, entries, explained));
  }

  private static void requireCurrency(
      CurrencyUnit currency, List<InTransit> deposits, List<BankCredit> entries) {
    var same =
        deposits.stream().allMatch(d -> d.left().getCurrencyUnit().equals(currency))
            && entries.stream().allMatch(e -> e.amount().getCurrencyUnit().equals(currency));
    if (!same) {
      throw new DepositRefused(
          Code.WRONG_CURRENCY, "Deposit and bank entry are of different currencies.", Map.of());
    }
  }

  private static DepositRefused differs(int deposits, Money banked, Money shown) {
    var gap = shown.minus(banked);
    return new DepositRefused(
        Code.DOES_NOT_AGREE,
        "The bank shows "
            + MoneyText.grouped(shown)
            + ", the "
            + (deposits == 1 ? "deposit comes" : deposits + " deposits come")
            + " to "
            + MoneyText.grouped(banked)
            + ": "
            + MoneyText.grouped(gap.abs())
            + (gap.isPositive() ? " more" : " less")
            + " at the bank, which nothing explains.",
        Map.of("shown", shown, "deposited", banked, "gap", gap));
  }

  /** Entries fill the deposits one after the other. */
  private static List<Part> parts(
      List<InTransit> deposits, List<BankCredit> entries, Money explained) {
    var parts = new ArrayList<Part>();
    var at = 0;
    var left = deposits.get(0).left().plus(explained);
    for (var entry : entries) {
      var open = entry.amount();
      while (open.isPositive()) {
        while (!left.isPositive() && at + 1 < deposits.size()) {
          at++;
          left = deposits.get(at).left();
        }
        var amount = open.isGreaterThan(left) ? left : open;
        parts.add(new Part(deposits.get(at).id(), entry.id(), amount));
        open = open.minus(amount);
        left = left.minus(amount);
      }
    }
    return parts;
  }

  /** What these entries show of a deposit. */
  public Money of(String depositId) {
    return MoneySum.of(
        deposits.get(0).left().getCurrencyUnit(),
        parts.stream().filter(p -> p.depositId().equals(depositId)).toList(),
        Part::amount);
  }
}
