package org.sumbrel.core.propose;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Draft;

/**
 * One explanation of a receipt. It adds up to the receipt, to the cent.
 *
 * @param probability from 0 to 1
 * @param customerId whose items it pays; empty where they belong to several customers
 * @param payerId who sent the money; empty where that is not known
 * @param evidence the reasons, strongest first
 */
public record Proposal(
    double probability,
    Optional<String> customerId,
    Optional<String> payerId,
    List<Application> applications,
    List<Adjustment> adjustments,
    Money onAccount,
    List<Evidence> evidence) {

  public Proposal {
    applications = List.copyOf(applications);
    adjustments = List.copyOf(adjustments);
    evidence = List.copyOf(evidence);
  }

  /**
   * On whose account what is left over is kept: the payer's, whose money it is; without a known
   * payer that of the customer whose items are paid.
   */
  public Optional<String> onAccountCustomerId() {
    return payerId.or(() -> customerId);
  }

  /** The explanation as a draft for its receipt. */
  public Draft draftFor(Receipt receipt) {
    return new Draft(receipt, applications, adjustments, onAccount, onAccountCustomerId());
  }
}
