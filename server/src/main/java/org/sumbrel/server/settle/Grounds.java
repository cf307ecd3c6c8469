package org.sumbrel.server.settle;

/**
 * On what a settlement stands that is no receipt.
 *
 * @param treatmentId the house rule that it follows, or null
 * @param treatmentName how that is called
 * @param transferId the number that it shares with what belongs together with it: the other side of
 *     a transfer, or what put a mistake of the bank right; else null
 * @param transferWithId the bank account on which the other side of a transfer is; else null
 */
public record Grounds(
    Long treatmentId, String treatmentName, Long transferId, Long transferWithId) {

  static final Grounds NONE = new Grounds(null, null, null, null);

  public static Grounds treatment(Long id, String name) {
    return new Grounds(id, name, null, null);
  }

  /** A mistake of the bank, or what put it right. */
  public static Grounds putRight(Long id) {
    return new Grounds(null, null, id, null);
  }

  public static Grounds transfer(Long id, Long withBankAccount) {
    return new Grounds(null, null, id, withBankAccount);
  }
}
