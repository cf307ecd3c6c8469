package org.sumbrel.server.demo;

/**
 * A made-up customer and how it behaves.
 *
 * @param parent the number of the customer that pays for it, or empty
 * @param account the account it pays from, or empty
 * @param everyDays days between its orders
 * @param usualCents the amount of its standing order, 0 where orders differ
 * @param terms early-payment terms, or empty
 * @param bankName how its bank writes it on a statement
 */
record DemoCustomer(
    String number,
    String name,
    String parent,
    String account,
    int everyDays,
    int usualCents,
    String terms,
    boolean oldestFirst,
    String bankName) {

  /** Whoever sends the money for it. */
  String payerNumber() {
    return parent.isEmpty() ? number : parent;
  }
}
