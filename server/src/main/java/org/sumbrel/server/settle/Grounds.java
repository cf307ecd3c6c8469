package org.sumbrel.server.settle;

/**
 * On what a settlement stands that is no receipt.
 *
 * @param treatmentId the house rule that it follows, or null
 * @param treatmentName how that is called
 * @param transferId the transfer between own accounts of which it is one side, or null
 * @param transferWithId the bank account on which the other side is
 */
public record Grounds(
    Long treatmentId, String treatmentName, Long transferId, Long transferWithId) {

  static final Grounds NONE = new Grounds(null, null, null, null);

  public static Grounds treatment(Long id, String name) {
    return new Grounds(id, name, null, null);
  }

  public static Grounds transfer(Long id, Long withBankAccount) {
    return new Grounds(null, null, id, withBankAccount);
  }
}
