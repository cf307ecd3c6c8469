package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.sums.ExactSets;

/**
 * Fourth stage: the sets of items and adjustments that explain the amount. It weighs what the text
 * names, each item alone, every set that adds up, the account as a whole, and the oldest first for
 * customers who are set so.
 */
final class CompositionSolver {

  private static final int MOST_CHOICES = 64;
  private static final int MOST_LEFT_OUT = 60;
  private static final int MOST_SETS = 10;
  private static final long MOST_STEPS = 10_000;
  private static final int MOST_ITEMS = 12;

  /** Further explanations are nobody's first, second or fifth; keeping them takes memory. */
  private static final int MOST_KEPT = 60;

  /** A payer who is supported by so much less than another is not thought of in sets. */
  private static final double UNLIKELY = 2;

  private static final double ACCIDENTS = 2;
  private static final int LATEST = 30;

  private final CandidateSelector selector;
  private final Policy policy;
  private final UsualDifferences usual;

  CompositionSolver(CandidateSelector selector, Policy policy) {
    this.selector = selector;
    this.policy = policy;
    this.usual = new UsualDifferences(policy);
  }

  /** What was found for one receipt, best first, and whether every set was weighed. */
  record Solved(List<Composition> compositions, boolean exhaustive) {

    /** The same with one that goes before all others; what is the same as it is no other. */
    Solved ledBy(Composition first) {
      var all = new ArrayList<Composition>();
      all.add(first);
      compositions.stream().filter(c -> !c.pays(first)).forEach(all::add);
      return new Solved(all, exhaustive);
    }
  }

  Solved solve(Receipt receipt, List<CandidateGroup> groups, List<ReferenceHit> hits) {
    var best = new LinkedHashMap<String, Composition>();
    var exhaustive = true;
    var strongest = groups.stream().mapToDouble(CandidateGroup::support).max().orElse(0);
    var words = TextWords.of(receipt.text());
    for (var group : groups) {
      var likely = group.support() > strongest - UNLIKELY;
      var search = new Search(receipt, words, group, hits, likely);
      for (var found : search.run(hits)) {
        best.merge(found.key(), found, (a, b) -> a.weight() >= b.weight() ? a : b);
      }
      exhaustive &= search.exhaustive;
    }
    return new Solved(
        best.values().stream().sorted(Composition.BEST_FIRST).limit(MOST_KEPT).toList(),
        exhaustive);
  }

  /** Where others take all that would explain it: the money of the likeliest payer, if any. */
  static List<Composition> nothingLeft(Receipt receipt, List<PayerLead> leads) {
    return leads.stream()
        .limit(1)
        .map(
            lead -> {
              var why =
                  new Evidence(
                      "amount.on_account",
                      "nothing that is open is left for it; kept on account",
                      Weights.ON_ACCOUNT_ONLY);
              return new Composition(
                  Optional.of(lead.customerId()),
                  List.of(),
                  List.of(),
                  receipt.amount().getAmountMinorLong(),
                  List.of(why, lead.evidence()),
                  why.weight() + lead.weight());
            })
        .toList();
  }

  /** The search in one group. */
  private final class Search {
    private final Receipt receipt;
    private final TextWords words;
    private final CandidateGroup group;

    /** Whether sets of items that nothing names are worth looking for. */
    private final boolean likely;

    private final long received;
    private final List<Candidate> candidates;
    private final Set<CurrencyUnit> elsewhere;
    private final List<Candidate> named;
    private final CompositionScore score;
    private final List<Composition> found = new ArrayList<>();
    private boolean exhaustive = true;

    Search(
        Receipt receipt,
        TextWords words,
        CandidateGroup group,
        List<ReferenceHit> hits,
        boolean likely) {
      this.likely = likely;
      this.words = words;
      this.receipt = receipt;
      this.group = group;
      this.received = receipt.amount().getAmountMinorLong();
      this.candidates = group.candidates();
      this.elsewhere = group.elsewhere();
      this.named = candidates.stream().filter(Candidate::referenced).toList();
      this.score =
          new CompositionScore(
              receipt, group, named, settled(hits, receipt.amount().getCurrencyUnit()), selector);
    }

    List<Composition> run(List<ReferenceHit> hits) {
      for (var choice : choices()) {
        weighNamed(choice);
      }
      for (var candidate : candidates) {
        weigh(List.of(candidate), false);
      }
      if (likely && !explainedByText()) {
        weighSets();
      }
      if (group.payer().isPresent()) {
        if (candidates.size() > 2) {
          weighWholeAccount();
        }
        weighOldestFirst();
        weighOnAccountOnly(hits);
      }
      return found;
    }

    /**
     * Whether what the text names outright explains the amount, however, or what it may name comes
     * to it: then nobody need look for sets of others.
     */
    private boolean explainedByText() {
      return found.stream()
          .filter(c -> !c.parts().isEmpty())
          .map(Composition::parts)
          .anyMatch(
              parts ->
                  parts.stream().allMatch(p -> p.candidate().namedOutright())
                      || parts.stream()
                          .allMatch(
                              p ->
                                  p.candidate().referenced()
                                      && p.amount() == p.candidate().open()));
    }

    /**
     * What the text may name, all of it together: of every place one item. A place that several
     * items fit is read each way, as far as that stays a few ways in all.
     */
    private List<List<Candidate>> choices() {
      var byMention = new TreeMap<Integer, List<Candidate>>();
      for (var candidate : named) {
        byMention.computeIfAbsent(candidate.hit().mention(), m -> new ArrayList<>()).add(candidate);
      }
      List<List<Candidate>> choices = new ArrayList<>();
      if (named.isEmpty()) {
        return choices;
      }
      choices.add(new ArrayList<>());
      for (var alternatives : byMention.values()) {
        choices = longer(choices, alternatives);
      }
      return choices;
    }

    private static List<List<Candidate>> longer(
        List<List<Candidate>> choices, List<Candidate> alternatives) {
      if (alternatives.size() == 1) {
        choices.forEach(choice -> choice.add(alternatives.get(0)));
        return choices;
      }
      var longer = new ArrayList<List<Candidate>>();
      for (var choice : choices) {
        for (var candidate : alternatives) {
          if (longer.size() < MOST_CHOICES) {
            var one = new ArrayList<>(choice);
            one.add(candidate);
            longer.add(one);
          }
        }
      }
      return longer;
    }

    private void weighNamed(List<Candidate> choice) {
      weigh(choice, true);
      weighStated(choice);
      if (choice.size() > 1 && choice.size() <= MOST_LEFT_OUT) {
        for (var left : choice) {
          weigh(List.of(left), true);
          weigh(choice.stream().filter(c -> c != left).toList(), false);
        }
      }
      var open = choice.stream().mapToLong(Candidate::open).sum();
      var discount = choice.stream().mapToLong(Candidate::discount).sum();
      for (var other : candidates) {
        var missing = open + other.open() - received;
        var exact = missing == 0 || missing == discount + other.discount();
        if (!other.referenced() && (exact || missing > 0 && choice.size() <= MOST_LEFT_OUT)) {
          var more = new ArrayList<>(choice);
          more.add(other);
          weighExact(more);
        }
      }
    }

    /** Where the text states an amount for each of several items, that is what is paid of each. */
    private void weighStated(List<Candidate> choice) {
      var sum = 0L;
      var parts = new ArrayList<Part>();
      for (var candidate : choice) {
        var stated = candidate.hit().stated() * Long.signum(candidate.open());
        if (stated == 0 || Math.abs(stated) > Math.abs(candidate.open())) {
          return;
        }
        var discount = stated == candidate.net() ? candidate.discount() : 0;
        parts.add(new Part(candidate, stated + discount, discount));
        sum += stated;
      }
      if (parts.size() > 1 && sum == received) {
        var why =
            new Evidence(
                "amount.stated",
                "the amounts that the text gives for the " + parts.size() + " add up to the cent",
                Weights.AMOUNT_STATED);
        found.add(score.of(parts, List.of(), 0, List.of(why)));
      }
    }

    /**
     * Adds the set where it comes to the amount to the cent, with its discounts or without, or less
     * a usual fee.
     */
    private void weighExact(List<Candidate> set) {
      var open = set.stream().mapToLong(Candidate::open).sum();
      var discount = set.stream().mapToLong(Candidate::discount).sum();
      if (open >= received) {
        new AmountFit(receipt, policy, usual, words, set, open, discount)
            .whole().stream()
                .filter(fit -> fit.adjustments().stream().allMatch(FeeWithheld.class::isInstance))
                .forEach(
                    fit -> found.add(score.of(fit.parts(), fit.adjustments(), 0, fit.evidence())));
      }
    }

    /**
     * The sets that come to the amount to the cent and are worth most: of few items, named ones
     * before others, older ones before later ones; each item as it is or less the discount earned.
     */
    private void weighSets() {
      // a discount is an amount of its own, of use only together with its item
      var discounted =
          IntStream.range(0, candidates.size())
              .filter(i -> candidates.get(i).discount() > 0)
              .toArray();
      var amounts = new long[candidates.size() + discounted.length];
      var values = new double[amounts.length];
      for (var i = 0; i < candidates.size(); i++) {
        var candidate = candidates.get(i);
        amounts[i] = candidate.open();
        values[i] =
            candidate.referenced()
                ? Weights.EACH_MORE_REFERENCE
                : Weights.EACH_MORE_ITEM + Math.min(LATEST, i) * Weights.EACH_LATER_IN_SET;
      }
      for (var d = 0; d < discounted.length; d++) {
        amounts[candidates.size() + d] = -candidates.get(discounted[d]).discount();
        values[candidates.size() + d] = Weights.DISCOUNT_IN_SET;
      }
      var sets = ExactSets.find(amounts, values, received, MOST_SETS, worstSet(), MOST_STEPS);
      exhaustive &= sets.exhaustive();
      for (var set : sets.sets()) {
        parts(set.indices(), discounted)
            .ifPresent(parts -> found.add(score.of(parts, List.of(), 0, AmountFit.addUp(parts))));
      }
    }

    /**
     * What a set must be worth to mean something: so many items out of so many come to any amount
     * by accident. Counted are the sets of a size against the amounts that they can come to.
     */
    private double worstSet() {
      var largest = candidates.stream().mapToLong(c -> Math.abs(c.open())).max().orElse(1);
      var sets = 1.0;
      var size = 1;
      while (size < MOST_ITEMS && size < candidates.size()) {
        sets *= (candidates.size() - size + 1.0) / size;
        if (sets > ACCIDENTS * largest) {
          break;
        }
        size++;
      }
      return size * (Weights.EACH_MORE_ITEM + LATEST * Weights.EACH_LATER_IN_SET);
    }

    /** The parts of a set; empty where it has a discount without its item. */
    private Optional<List<Part>> parts(int[] set, int[] discounted) {
      var discounts = new HashMap<Candidate, Long>();
      for (var index : set) {
        if (index >= candidates.size()) {
          var candidate = candidates.get(discounted[index - candidates.size()]);
          discounts.put(candidate, candidate.discount());
        }
      }
      var parts = new ArrayList<Part>();
      for (var index : set) {
        if (index < candidates.size()) {
          var candidate = candidates.get(index);
          var discount = discounts.remove(candidate);
          parts.add(new Part(candidate, candidate.open(), discount == null ? 0 : discount));
        }
      }
      return discounts.isEmpty() ? Optional.of(parts) : Optional.empty();
    }

    /**
     * Adds every way in which these items, taken whole, explain the amount; with parts and rests
     * where {@code loose}.
     */
    private void weigh(List<Candidate> set, boolean loose) {
      var open = set.stream().mapToLong(Candidate::open).sum();
      var discount = set.stream().mapToLong(Candidate::discount).sum();
      var amounts = new AmountFit(receipt, policy, usual, words, set, open, discount);
      for (var fit : amounts.whole()) {
        found.add(score.of(fit.parts(), fit.adjustments(), fit.onAccount(), fit.evidence()));
      }
      if (loose) {
        for (var fit : amounts.loose()) {
          found.add(score.of(fit.parts(), fit.adjustments(), fit.onAccount(), fit.evidence()));
        }
      }
    }

    private void weighWholeAccount() {
      var own =
          candidates.stream()
              .filter(c -> c.item().customerId().equals(group.payer().orElseThrow()))
              .toList();
      if (own.size() > 2
          && own.size() < candidates.size()
          && own.stream().mapToLong(Candidate::open).sum() == received) {
        idea(own, "everything that is open on the payer's own account, to the cent");
      }
      var open = candidates.stream().mapToLong(Candidate::open).sum();
      if (open == received) {
        idea(candidates, "everything that is open on the account, to the cent");
      }
      var due =
          candidates.stream().filter(c -> !c.item().dueOn().isAfter(receipt.receivedOn())).toList();
      if (due.size() > 1
          && due.size() < candidates.size()
          && !interchangeable(due)
          && due.stream().mapToLong(Candidate::open).sum() == received) {
        idea(due, "everything that is due, to the cent");
      }
      var sum = 0L;
      for (var n = 0; n < candidates.size() - 1; n++) {
        sum += candidates.get(n).open();
        if (sum == received && n > 1 && !interchangeable(candidates.subList(0, n + 1))) {
          idea(candidates.subList(0, n + 1), "the " + (n + 1) + " oldest, to the cent");
        }
      }
    }

    /** Whether one that is left out has the amount of one that is not: then either may be meant. */
    private boolean interchangeable(List<Candidate> items) {
      var amounts = items.stream().map(Candidate::open).collect(Collectors.toSet());
      var inside = new HashSet<>(items);
      return candidates.stream().anyMatch(c -> !inside.contains(c) && amounts.contains(c.open()));
    }

    /** The items are not counted one by one: together they are one idea. */
    private void idea(List<Candidate> items, String says) {
      var parts = items.stream().map(c -> new Part(c, c.open(), 0)).toList();
      var why = new Evidence("amount.whole_account", says, Weights.AMOUNT_EXACT);
      found.add(score.asOneIdea(parts, 0, List.of(why), Weights.WHOLE_ACCOUNT));
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
              // whoever names what he pays means that
              named.stream().anyMatch(Candidate::namedOutright) ? 0 : Weights.OLDEST_FIRST));
      if (left > 0) {
        why.add(
            new Evidence(
                "amount.over",
                inWords(left) + " more than all that is due; kept on account",
                Weights.AMOUNT_OVER));
      }
      found.add(score.asOneIdea(parts, left, why, 0));
    }

    /** Where the text names what is settled already, as it stands or in a list. */
    private static List<ReferenceHit> settled(List<ReferenceHit> hits, CurrencyUnit currency) {
      return hits.stream()
          .filter(h -> h.item().settled() && h.in(currency))
          .filter(h -> h.form() != ReferenceHit.Form.REPAIRED)
          .filter(
              h -> hits.stream().noneMatch(o -> o.mention() == h.mention() && !o.item().settled()))
          .toList();
    }

    private void weighOnAccountOnly(List<ReferenceHit> hits) {
      var before = settled(hits, receipt.amount().getCurrencyUnit());
      var total = before.stream().mapToLong(h -> h.item().total().getAmountMinorLong()).sum();
      if (!before.isEmpty() && total == received) {
        onAccount(
            PaidTwice.CODE,
            "what the text names came to the same amount and is settled already",
            Weights.PAID_TWICE);
      } else if (!before.isEmpty()) {
        onAccount(
            "amount.settled_named",
            "what the text names is settled already, with another amount",
            Weights.SETTLED_NAMED);
      } else if (candidates.isEmpty() && !elsewhere.isEmpty()) {
        var units =
            elsewhere.stream().map(CurrencyUnit::getCode).collect(Collectors.joining(" and "));
        onAccount(Evidence.ELSEWHERE, "what is open is in " + units, Weights.ON_ACCOUNT_ONLY);
      } else if (candidates.isEmpty()) {
        onAccount("amount.ahead", "nothing is open", Weights.PAID_AHEAD);
      } else if (found.isEmpty()) {
        onAccount(
            "amount.on_account", "nothing open fits " + inWords(received), Weights.ON_ACCOUNT_ONLY);
      }
    }

    private void onAccount(String code, String says, double weight) {
      var why = new Evidence(code, says + "; kept on account", weight);
      found.add(score.of(List.of(), List.of(), received, List.of(why)));
    }

    private String inWords(long minor) {
      return MoneyText.grouped(Candidate.money(receipt.amount().getCurrencyUnit(), minor));
    }
  }
}
