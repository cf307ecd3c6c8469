package org.sumbrel.core.deposit;

import org.joda.money.Money;

/**
 * A deposit that was taken to the bank and is not, or not wholly, seen there yet.
 *
 * @param slip the number of its slip; may be empty
 * @param left what the bank has not shown of it
 */
public record InTransit(String id, String slip, Money left, Deposit deposit) {

  /** Whether the bank has shown a part of it. */
  public boolean begun() {
    return !left.equals(deposit.total());
  }
}
