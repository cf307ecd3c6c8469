package org.sumbrel.core.propose;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;

/**
 * Open items that belong together because one payer may have paid for them.
 *
 * @param payer who that is; empty where only the text or the amount points at the items
 * @param why for and against the payer
 * @param candidates oldest first, in the receipt's currency
 * @param elsewhere the other currencies in which something is open
 */
record CandidateGroup(
    Optional<String> payer,
    List<Evidence> why,
    List<Candidate> candidates,
    Set<CurrencyUnit> elsewhere) {

  /** How much speaks for the payer, in log-odds. */
  double support() {
    return why.stream().mapToDouble(Evidence::weight).sum();
  }
}
