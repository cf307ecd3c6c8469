package org.sumbrel.core.propose;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Adjustment;

/**
 * Weighs an explanation within its group: payer, references, amount, number of items, due dates.
 */
final class CompositionScore {

  private final Receipt receipt;
  private final CandidateGroup group;
  private final List<Candidate> named;
  private final List<ReferenceHit> settled;
  private final CandidateSelector selector;

  CompositionScore(
      Receipt receipt,
      CandidateGroup group,
      List<Candidate> named,
      List<ReferenceHit> settled,
      CandidateSelector selector) {
    this.receipt = receipt;
    this.group = group;
    this.named = named;
    this.settled = settled;
    this.selector = selector;
  }

  /** Weighs parts item by item. */
  Composition of(
      List<Part> parts, List<Adjustment> adjustments, long onAccount, List<Evidence> amount) {
    var unnamed = parts.stream().filter(p -> !p.candidate().referenced()).count();
    var free = parts.size() > unnamed ? 0 : 1;
    var weight = Math.max(0, unnamed - free) * Weights.EACH_MORE_ITEM;
    if (parts.size() == 1 && unnamed == 1) {
      weight += group.candidates().indexOf(parts.get(0).candidate()) * Weights.EACH_LATER_ITEM;
    }
    return weighed(parts, adjustments, onAccount, amount, weight);
  }

  /** Weighs parts as one idea, however many they are. */
  Composition asOneIdea(List<Part> parts, long onAccount, List<Evidence> why, double extra) {
    return weighed(parts, List.of(), onAccount, why, extra);
  }

  private Composition weighed(
      List<Part> parts,
      List<Adjustment> adjustments,
      long onAccount,
      List<Evidence> amount,
      double weight) {
    var evidence = new ArrayList<Evidence>();
    var total = weight + references(parts, evidence);
    evidence.addAll(amount);
    evidence.addAll(group.why());
    branch(parts).ifPresent(evidence::add);
    due(parts).ifPresent(evidence::add);
    unused(parts).ifPresent(evidence::add);
    settledBefore(parts).ifPresent(evidence::add);
    settledTwin(parts).ifPresent(evidence::add);
    for (var reason : evidence) {
      if (!reason.code().startsWith("reference.") || reason.weight() < 0) {
        total += reason.weight();
      }
    }
    return new Composition(
        group.payer(), List.copyOf(parts), adjustments, onAccount, evidence, total);
  }

  /**
   * The strongest reference counts in full, each further one a little: they come from the same
   * text.
   */
  private double references(List<Part> parts, List<Evidence> evidence) {
    var strongest = 0.0;
    var count = 0;
    for (var part : parts) {
      if (part.candidate().referenced()) {
        evidence.add(part.candidate().hit().evidence());
        strongest = Math.max(strongest, part.candidate().hit().weight());
        count++;
      }
    }
    return count == 0
        ? 0
        : Math.min(Weights.REFERENCES_MOST, strongest + (count - 1) * Weights.EACH_MORE_REFERENCE);
  }

  private Optional<Evidence> branch(List<Part> parts) {
    if (group.payer().isEmpty()) {
      return Optional.empty();
    }
    var payer = group.payer().get();
    var branches =
        parts.stream()
            .map(p -> p.candidate().item().customerId())
            .filter(id -> !id.equals(payer))
            .distinct()
            .map(id -> selector.customer(id).map(Customer::name).orElse(id))
            .toList();
    if (branches.isEmpty()) {
      return Optional.empty();
    }
    var parent = selector.customer(payer).map(Customer::name).orElse(payer);
    var names = branches.size() > 3 ? branches.size() + " branches" : String.join(", ", branches);
    return Optional.of(
        new Evidence("payer.parent", parent + " pays for " + names, Weights.PAYS_FOR_CHILD));
  }

  private Optional<Evidence> due(List<Part> parts) {
    if (parts.isEmpty()) {
      return Optional.empty();
    }
    var latest =
        parts.stream().map(p -> p.candidate().item().dueOn()).max(Comparator.naturalOrder()).get();
    var days = ChronoUnit.DAYS.between(latest, receipt.receivedOn());
    var says =
        days > 0
            ? (parts.size() == 1 ? "" : "all ") + days + (days == 1 ? " day" : " days") + " overdue"
            : days == 0 ? "due on the day" : "due by " + DayText.of(latest);
    return Optional.of(new Evidence("due", says, 0));
  }

  /** The same money may have come before: said where the text does not name what it pays. */
  private Optional<Evidence> settledTwin(List<Part> parts) {
    var told =
        parts.stream()
            .map(Part::candidate)
            .anyMatch(c -> c.referenced() && c.hit().form() != ReferenceHit.Form.REPAIRED);
    if (parts.isEmpty() || told) {
      return Optional.empty();
    }
    return parts.stream()
        .map(p -> p.candidate().item().customerId())
        .distinct()
        .flatMap(id -> selector.settledTwin(id, receipt.amount()).stream())
        .findFirst()
        .map(
            twin ->
                new Evidence(
                    "twin.settled",
                    "but " + twin.number() + " came to the same amount and is settled already",
                    Weights.SETTLED_TWIN));
  }

  private long received() {
    return receipt.amount().getAmountMinorLong();
  }

  private Optional<Evidence> settledBefore(List<Part> parts) {
    if (settled.isEmpty() || parts.isEmpty()) {
      return Optional.empty();
    }
    var total = settled.stream().mapToLong(h -> h.item().total().getAmountMinorLong()).sum();
    return Optional.of(
        new Evidence(
            "reference.settled_unused",
            "but the text names " + settled.get(0).item().number() + ", which is settled already",
            total == received() ? Weights.SETTLED_UNUSED : Weights.SETTLED_OTHER_UNUSED));
  }

  private Optional<Evidence> unused(List<Part> parts) {
    var used = new HashSet<String>();
    parts.forEach(p -> used.add(p.candidate().item().id()));
    var told =
        named.stream()
            .filter(c -> used.contains(c.item().id()))
            .map(c -> c.hit().mention())
            .collect(Collectors.toSet());
    var places = new HashSet<Integer>();
    var unused =
        named.stream()
            .filter(c -> !told.contains(c.hit().mention()) && places.add(c.hit().mention()))
            .toList();
    if (unused.isEmpty()) {
      return Optional.empty();
    }
    var written =
        unused.stream()
            .map(c -> c.hit().written())
            .distinct()
            .limit(3)
            .collect(Collectors.joining(", "));
    var strongest = unused.stream().mapToDouble(c -> c.hit().weight()).max().orElse(0);
    var weight = Math.max(Weights.REFERENCE_UNUSED, -strongest) * Math.min(2, unused.size());
    return Optional.of(
        new Evidence(
            "reference.unused", "but " + written + " in the text would then mean nothing", weight));
  }
}
