package org.sumbrel.core.propose;

/**
 * One reason for or against an explanation.
 *
 * @param code what kind of reason, such as {@code reference.exact}; does not change with the
 *     wording
 * @param text the sentence the clerk reads, with the figures
 * @param weight in log-odds; negative where it speaks against
 */
public record Evidence(String code, String text, double weight) {

  /** The code of what says that something is open in other currencies only. */
  static final String ELSEWHERE = "amount.elsewhere";

  /**
   * Whether it says that what is open is in other currencies. The probability of an explanation
   * that stands on it is one among those in the receipt's own currency, and knows nothing of them.
   */
  public boolean openElsewhere() {
    return code.equals(ELSEWHERE);
  }
}
