package org.sumbrel.core.payout;

/** Why a payout cannot be booked yet, as a sentence. */
public final class PayoutRefused extends RuntimeException {

  private static final long serialVersionUID = 1L;

  public PayoutRefused(String sentence) {
    super(sentence);
  }
}
