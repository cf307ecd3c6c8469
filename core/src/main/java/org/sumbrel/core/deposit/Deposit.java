package org.sumbrel.core.deposit;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositRefused.Code;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;

/**
 * Receipts that are banked together: {@code total = sum of receipts + sum of lines}. Card receipts
 * make a deposit of their own, a batch, which the acquirer pays out.
 *
 * @param on the day it is taken to the bank
 */
public record Deposit(
    String companyId,
    CurrencyUnit currency,
    LocalDate on,
    List<HeldReceipt> receipts,
    List<DepositLine> lines) {

  public Deposit {
    receipts = List.copyOf(receipts);
    lines = List.copyOf(lines);
  }

  /**
   * Makes a deposit that may be taken to the bank.
   *
   * @throws DepositRefused where it is empty or negative, mixes currencies or cards with what is
   *     carried to a counter, holds a receipt twice or before its date, or keeps back more cash
   *     than is in it
   */
  public static Deposit of(
      String companyId,
      CurrencyUnit currency,
      LocalDate on,
      List<HeldReceipt> receipts,
      List<DepositLine> lines) {
    var deposit = new Deposit(companyId, currency, on, receipts, lines);
    deposit.requireWhole();
    return deposit;
  }

  public Money receiptTotal() {
    return MoneySum.of(currency, receipts, HeldReceipt::amount);
  }

  public Money lineTotal() {
    return MoneySum.of(currency, lines, DepositLine::amount);
  }

  public Money total() {
    return receiptTotal().plus(lineTotal());
  }

  /** The cash that is carried to the bank. */
  public Money cash() {
    return MoneySum.of(currency, by(PaidBy.CASH), HeldReceipt::amount)
        .plus(MoneySum.of(currency, with(DepositLine::isCash), DepositLine::amount));
  }

  /** Whether it is a batch of card receipts. */
  public boolean isBatch() {
    return receipts.stream().anyMatch(r -> r.method() == PaidBy.CARD);
  }

  /** Its receipts of one method, in the order given. */
  public List<HeldReceipt> by(PaidBy method) {
    return receipts.stream().filter(r -> r.method() == method).toList();
  }

  private List<DepositLine> with(Predicate<DepositLine> which) {
    return lines.stream().filter(which).toList();
  }

  /**
   * Holds the cash in it against a count.
   *
   * @throws DepositRefused where they differ
   */
  public void requireCounted(CashCount count) {
    if (!count.total().equals(cash())) {
      throw refused(
          Code.COUNT_DIFFERS,
          "The cash in this deposit is "
              + MoneyText.grouped(cash())
              + ", "
              + MoneyText.grouped(count.total())
              + " was counted: "
              + MoneyText.grouped(count.total().minus(cash()).abs())
              + (count.total().isGreaterThan(cash()) ? " more." : " less."),
          Map.of("cash", cash(), "counted", count.total()));
    }
  }

  /**
   * Holds the total against what the paper slip says.
   *
   * @throws DepositRefused where they differ
   */
  public void requireSlip(Money slip) {
    if (!slip.equals(total())) {
      throw refused(
          Code.SLIP_DIFFERS,
          "The slip says "
              + MoneyText.grouped(slip)
              + ", the deposit comes to "
              + MoneyText.grouped(total())
              + ": "
              + MoneyText.grouped(slip.minus(total()).abs())
              + (slip.isGreaterThan(total()) ? " less." : " more."),
          Map.of("slip", slip, "total", total()));
    }
  }

  private void requireWhole() {
    if (receipts.isEmpty() && lines.isEmpty()) {
      throw refused(Code.EMPTY, "Nothing is in this deposit.", Map.of());
    }
    var seen = new HashSet<String>();
    for (var receipt : receipts) {
      if (!receipt.amount().getCurrencyUnit().equals(currency)) {
        throw refused(
            Code.WRONG_CURRENCY,
            receipt.name()
                + " is in "
                + receipt.amount().getCurrencyUnit()
                + ", not "
                + currency
                + ".",
            Map.of("amount", receipt.amount()));
      }
      if (!seen.add(receipt.id())) {
        throw refused(
            Code.TWICE,
            receipt.name() + " of " + MoneyText.grouped(receipt.amount()) + " is in it twice.",
            Map.of("amount", receipt.amount()));
      }
      if (!receipt.bankable(on)) {
        throw refused(
            Code.POST_DATED,
            receipt.name()
                + " of "
                + MoneyText.grouped(receipt.amount())
                + " is dated "
                + DayText.of(receipt.heldUntil().orElseThrow())
                + " and cannot be banked on "
                + DayText.of(on)
                + ".",
            Map.of("amount", receipt.amount()));
      }
    }
    if (isBatch() && receipts.stream().anyMatch(r -> r.method() != PaidBy.CARD)) {
      throw refused(
          Code.MIXED,
          "Card receipts are paid out by the acquirer; they make a batch of their own.",
          Map.of());
    }
    if (cash().isNegative()) {
      throw refused(
          Code.MORE_CASH_THAN_THERE_IS,
          MoneyText.grouped(cash().abs()) + " more cash is kept back than is in the deposit.",
          Map.of("cash", cash()));
    }
    if (!total().isPositive()) {
      throw refused(
          Code.NOTHING_TO_BANK,
          "This deposit comes to " + MoneyText.grouped(total()) + "; there is nothing to bank.",
          Map.of("total", total()));
    }
  }

  private static DepositRefused refused(Code code, String sentence, Map<String, Money> figures) {
    return new DepositRefused(code, sentence, figures);
  }

  /** The cheque or other receipt of it with exactly this amount, if there is one. */
  public Optional<HeldReceipt> worth(Money amount) {
    return receipts.stream().filter(r -> r.amount().equals(amount)).findFirst();
  }
}
