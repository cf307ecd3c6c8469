package org.sumbrel.core.receivables;

/** Why a customer held something back that we still want. */
public enum ClaimReason {
  SHORT_DELIVERY("short delivery"),
  DAMAGED("damaged goods"),
  PRICE("price in dispute"),
  RETURNED("goods returned"),
  FREIGHT("freight charged back"),
  UNEARNED_DISCOUNT("unearned discount"),
  CHARGEBACK("chargeback"),
  OTHER("another reason");

  private final String words;

  ClaimReason(String words) {
    this.words = words;
  }

  /** The reason in the clerk's words. */
  public String words() {
    return words;
  }
}
