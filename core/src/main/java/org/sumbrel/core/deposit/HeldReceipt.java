package org.sumbrel.core.deposit;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositRefused.Code;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;

/**
 * A receipt in the pouch.
 *
 * @param from the payer, as far as he is known
 * @param reference the cheque's number, the card batch, or what else is written on it; may be empty
 * @param heldUntil the date of a post-dated cheque, before which it cannot be banked
 */
public record HeldReceipt(
    String id,
    PaidBy method,
    LocalDate receivedOn,
    Money amount,
    String from,
    String reference,
    Optional<LocalDate> heldUntil) {

  public HeldReceipt {
    if (!amount.isPositive()) {
      throw new IllegalArgumentException("a receipt of " + amount + " is no money to us");
    }
  }

  /**
   * A receipt as somebody records it.
   *
   * @param today the day on which it is recorded
   * @throws DepositRefused where it is of no money, came after today, or cannot be dated ahead
   */
  public static HeldReceipt recorded(
      PaidBy method,
      LocalDate receivedOn,
      Money amount,
      String from,
      String reference,
      Optional<LocalDate> heldUntil,
      LocalDate today) {
    if (!amount.isPositive()) {
      throw new DepositRefused(
          Code.NOT_ABOVE_ZERO,
          "A receipt is of an amount above zero, not " + MoneyText.grouped(amount) + ".",
          Map.of("amount", amount));
    }
    if (receivedOn.isAfter(today)) {
      throw new DepositRefused(
          Code.NOT_YET,
          "It cannot have been received on "
              + DayText.of(receivedOn)
              + ", which is after today, "
              + DayText.of(today)
              + ".",
          Map.of("amount", amount));
    }
    var held = heldUntil.filter(receivedOn::isBefore);
    if (held.isPresent() && method != PaidBy.CHEQUE) {
      throw new DepositRefused(
          Code.POST_DATED, "Only a cheque can be dated ahead.", Map.of("amount", amount));
    }
    return new HeldReceipt("new", method, receivedOn, amount, from, reference, held);
  }

  /** Whether this is, as it seems, the same cheque as another: number, amount and payer agree. */
  public boolean seemsToBe(HeldReceipt other) {
    return method == PaidBy.CHEQUE
        && other.method == method
        && !reference.isEmpty()
        && reference.equals(other.reference)
        && amount.equals(other.amount)
        && from.equalsIgnoreCase(other.from);
  }

  /** How it is spoken of: {@code Cheque 2214}, {@code Cash}, {@code Card slip 77}. */
  public String name() {
    var kind =
        switch (method) {
          case CHEQUE -> "Cheque";
          case CASH -> "Cash";
          case CARD -> "Card slip";
          case TRANSFER -> "Transfer";
        };
    return reference.isBlank() ? kind : kind + " " + reference;
  }

  /** Whether it may be banked on a day. */
  public boolean bankable(LocalDate on) {
    return heldUntil.filter(on::isBefore).isEmpty();
  }
}
