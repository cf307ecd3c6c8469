package org.sumbrel.core.propose;

/** A customer who may be the payer, and why. */
record PayerLead(String customerId, Evidence evidence) {

  double weight() {
    return evidence.weight();
  }
}
