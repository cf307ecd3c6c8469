package org.sumbrel.core.payout;

import java.util.List;

/** What an item of a payout belongs to. */
public sealed interface Join {

  /** It belongs to nothing but the payout: a fee of the period, a reserve, a transfer. */
  record Nothing() implements Join {}

  /** The sale pays an item that is open. */
  record ToInvoice(String itemId) implements Join {}

  /** The sale is recorded already, as this receipt: it must not be recorded again. */
  record ToReceipt(String receiptId) implements Join {}

  /** It takes back, or charges for, this sale. */
  record ToSale(String saleId) implements Join {}

  /** Nothing is known of the sale: it is recorded from the payout. */
  record NewSale() implements Join {}

  /** It takes back a sale that nobody knows. */
  record Loose() implements Join {}

  /**
   * Somebody has to say what it belongs to.
   *
   * @param candidates what it may be, the likeliest first; never empty
   * @param why in a sentence
   */
  record Asked(List<Join> candidates, String why) implements Join {
    public Asked {
      candidates = List.copyOf(candidates);
    }
  }
}
