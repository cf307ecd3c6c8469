package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;

/**
 * A set of items and adjustments that explains a receipt exactly, in minor units.
 *
 * @param payer whose account what is left goes to
 * @param evidence for and against
 * @param weight the sum that the evidence comes to, in log-odds
 */
record Composition(
    Optional<String> payer,
    List<Part> parts,
    List<Adjustment> adjustments,
    long onAccount,
    List<Evidence> evidence,
    double weight) {

  /** Whether what it might pay is in another currency: somebody has to look. */
  boolean openElsewhere() {
    return evidence.stream().anyMatch(Evidence::openElsewhere);
  }

  /** What it takes of one item: the amount the balance falls by and the discount in it. */
  record Part(Candidate candidate, long amount, long discount) {}

  /** Best first; the order of equals depends on nothing but the items. */
  static final Comparator<Composition> BEST_FIRST =
      Comparator.comparingDouble(Composition::weight).reversed().thenComparing(Composition::key);

  /** Whether it takes the same of the same items as another, for whatever reasons. */
  boolean pays(Composition other) {
    return taken().equals(other.taken());
  }

  private Set<String> taken() {
    return parts.stream()
        .map(p -> p.candidate().item().id() + ":" + p.amount() + ":" + p.discount())
        .collect(Collectors.toSet());
  }

  /** Two compositions with the same key are the same explanation. */
  String key() {
    return taken().stream().sorted().collect(Collectors.joining("|"))
        + "/"
        + adjustments.stream().map(Object::toString).collect(Collectors.joining("|"))
        + "/"
        + onAccount
        + (onAccount == 0 ? "" : payer.orElse(""));
  }

  /**
   * Whether it takes parts of items, or more than all of them, that the text does not name: with
   * any other amount it would be as good.
   */
  boolean fitsAnyAmount() {
    var loose =
        onAccount != 0 && !paidTwice()
            || parts.stream().anyMatch(p -> p.amount() != p.candidate().open());
    return loose && parts.stream().noneMatch(p -> p.candidate().namedOutright());
  }

  /** Whether it says that the same was paid before. */
  boolean paidTwice() {
    return evidence.stream().anyMatch(e -> e.code().equals(PaidTwice.CODE));
  }

  Composition with(Evidence more) {
    var all = new ArrayList<>(evidence);
    all.add(more);
    return new Composition(payer, parts, adjustments, onAccount, all, weight + more.weight());
  }

  Proposal toProposal(CurrencyUnit currency, double probability) {
    var owners = parts.stream().map(p -> p.candidate().item().customerId()).distinct().toList();
    var customer =
        owners.size() == 1
            ? Optional.of(owners.get(0))
            : owners.isEmpty() ? payer : Optional.<String>empty();
    var applications =
        parts.stream()
            .map(
                p ->
                    new Application(
                        p.candidate().item(),
                        Candidate.money(currency, p.amount()),
                        Candidate.money(currency, p.discount())))
            .toList();
    return new Proposal(
        probability,
        customer,
        payer,
        applications,
        adjustments,
        Candidate.money(currency, onAccount),
        evidence);
  }
}
