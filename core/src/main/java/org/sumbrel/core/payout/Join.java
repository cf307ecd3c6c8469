package org.sumbrel.core.payout;

import java.util.List;

/** What an item of a payout belongs to. */
public sealed interface Join {

  /** It belongs to nothing but the payout: a fee of the period, a reserve, a transfer. */
  record Nothing() implements Join {}

  /** A sale pays an item that is open; a refund pays out a credit note that is open. */
  record ToInvoice(String itemId) implements Join {}

  /** The sale is recorded already, as this receipt: it must not be recorded again. */
  record ToReceipt(String receiptId) implements Join {}

  /**
   * It takes back, or charges for, this sale.
   *
   * @param reopens whether a chargeback opens the invoice again that the sale paid; else it becomes
   *     a claim
   */
  record ToSale(String saleId, boolean reopens) implements Join {
    public ToSale(String saleId) {
      this(saleId, false);
    }
  }

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
