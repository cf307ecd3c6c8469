package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Policy;

/**
 * Fourth stage: the sets of items and adjustments that explain the amount. This first version
 * weighs what the text names together, each item alone, every two that add up, the whole account,
 * and the oldest first for customers who are set so.
 */
final class CompositionSolver {

  private static final int MOST_PAIRS = 200;

  private final CandidateSelector selector;
  private final Policy policy;

  CompositionSolver(CandidateSelector selector, Policy policy) {
    this.selector = selector;
    this.policy = policy;
  }

  /** What was found for one receipt, best first, and whether every set was weighed. */
  record Solved(List<Composition> compositions, boolean exhaustive) {}

  Solved solve(Receipt receipt, List<CandidateGroup> groups, List<ReferenceHit> hits) {
    var best = new LinkedHashMap<String, Composition>();
    var exhaustive = true;
    for (var group : groups) {
      var search = new Search(receipt, group);
      for (var found : search.run(hits)) {
        best.merge(found.key(), found, (a, b) -> a.weight() >= b.weight() ? a : b);
      }
      exhaustive &= group.candidates().size() <= 2 || group.payer().isEmpty();
    }
    return new Solved(best.values().stream().sorted(Composition.BEST_FIRST).toList(), exhaustive);
  }

  /** The search in one group. */
  private final class Search {
    private final Receipt receipt;
    private final CandidateGroup group;
    private final long received;
    private final List<Candidate> candidates;
    private final List<Candidate> named;
    private final CompositionScore score;
    private final List<Composition> found = new ArrayList<>();

    Search(Receipt receipt, CandidateGroup group) {
      this.receipt = receipt;
      this.group = group;
      this.received = receipt.amount().getAmountMinorLong();
      this.candidates = group.candidates();
      this.named = candidates.stream().filter(Candidate::referenced).toList();
      this.score = new CompositionScore(receipt, group, named, selector);
    }

    List<Composition> run(List<ReferenceHit> hits) {
      if (!named.isEmpty()) {
        weighNamed();
      }
      for (var candidate : candidates) {
        weigh(List.of(candidate), false);
      }
      weighPairs();
      if (group.payer().isPresent()) {
        if (candidates.size() > 2) {
          weighWholeAccount();
        }
        weighOldestFirst();
        weighOnAccountOnly(hits);
      }
      return found;
    }

    private void weighNamed() {
      weigh(named, true);
      if (named.size() > 1) {
        for (var single : named) {
          weigh(List.of(single), true);
        }
        for (var other : candidates) {
          if (!other.referenced()) {
            var more = new ArrayList<>(named);
            more.add(other);
            weigh(more, false);
          }
        }
      }
    }

    /**
     * Adds every way in which these items, taken whole, explain the amount; with parts and rests
     * where {@code loose}.
     */
    private void weigh(List<Candidate> set, boolean loose) {
      var open = set.stream().mapToLong(Candidate::open).sum();
      var discount = set.stream().mapToLong(Candidate::discount).sum();
      var amounts = new AmountFit(receipt, policy, set, open, discount);
      for (var fit : amounts.whole()) {
        found.add(score.of(fit.parts(), fit.adjustment(), fit.onAccount(), fit.evidence()));
      }
      if (loose) {
        for (var fit : amounts.loose()) {
          found.add(score.of(fit.parts(), fit.adjustment(), fit.onAccount(), fit.evidence()));
        }
      }
    }

    /**
     * Every two items that add up to the amount, each with or without its discount; linear in the
     * candidates.
     */
    private void weighPairs() {
      Map<Long, List<Part>> seen = new HashMap<>();
      var pairs = 0;
      for (var candidate : candidates) {
        var ways = ways(candidate);
        for (var way : ways) {
          for (var other : seen.getOrDefault(received - taken(way), List.of())) {
            if (pairs++ < MOST_PAIRS) {
              found.add(
                  score.of(
                      List.of(other, way),
                      Optional.empty(),
                      0,
                      AmountFit.addUp(List.of(other, way))));
            }
          }
        }
        for (var way : ways) {
          seen.computeIfAbsent(taken(way), v -> new ArrayList<>(1)).add(way);
        }
      }
    }

    private List<Part> ways(Candidate candidate) {
      var whole = new Part(candidate, candidate.open(), 0);
      return candidate.discount() == 0
          ? List.of(whole)
          : List.of(new Part(candidate, candidate.open(), candidate.discount()), whole);
    }

    private long taken(Part part) {
      return part.amount() - part.discount();
    }

    private void weighWholeAccount() {
      var open = candidates.stream().mapToLong(Candidate::open).sum();
      if (open == received) {
        var parts = candidates.stream().map(c -> new Part(c, c.open(), 0)).toList();
        var all =
            new Evidence(
                "amount.whole_account",
                "everything that is open on the account, to the cent",
                Weights.AMOUNT_EXACT);
        // the items are not counted one by one: the account as a whole is one idea
        found.add(score.asOneIdea(parts, 0, List.of(all), Weights.WHOLE_ACCOUNT));
      }
    }

    private void weighOldestFirst() {
      var payer = selector.customer(group.payer().orElseThrow());
      if (payer.isEmpty() || !payer.get().oldestFirst()) {
        return;
      }
      var parts = new ArrayList<Part>();
      var left = received;
      for (var candidate : candidates) {
        if (left > 0 && candidate.open() > 0) {
          var amount = Math.min(left, candidate.open());
          parts.add(new Part(candidate, amount, 0));
          left -= amount;
        }
      }
      if (parts.isEmpty()) {
        return;
      }
      var why = new ArrayList<Evidence>();
      why.add(
          new Evidence(
              "habit.oldest_first",
              payer.get().name() + " is set to pay oldest first",
              Weights.OLDEST_FIRST));
      if (left > 0) {
        why.add(
            new Evidence(
                "amount.over",
                words(left) + " more than all that is due; kept on account",
                Weights.AMOUNT_OVER));
      }
      found.add(score.asOneIdea(parts, left, why, 0));
    }

    private void weighOnAccountOnly(List<ReferenceHit> hits) {
      var paidBefore = hits.stream().anyMatch(h -> h.item().settled());
      var why =
          paidBefore
              ? new Evidence(
                  "amount.paid_twice",
                  "what the text names is settled already; kept on account",
                  Weights.PAID_TWICE)
              : new Evidence(
                  "amount.on_account",
                  "nothing open fits " + words(received) + "; kept on account",
                  Weights.ON_ACCOUNT_ONLY);
      if (paidBefore || found.isEmpty()) {
        found.add(score.of(List.of(), Optional.empty(), received, List.of(why)));
      }
    }

    private String words(long minor) {
      return MoneyText.grouped(Candidate.money(receipt.amount().getCurrencyUnit(), minor));
    }
  }
}
