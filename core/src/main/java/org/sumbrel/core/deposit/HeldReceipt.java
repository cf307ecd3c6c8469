package org.sumbrel.core.deposit;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;
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
