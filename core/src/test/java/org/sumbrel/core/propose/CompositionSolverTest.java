package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.withTerms;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** Compared with brute force over all items and all pairs, written without a look at the solver. */
class CompositionSolverTest {

  private static List<OpenItem> account(Random random, int size) {
    var items = new ArrayList<OpenItem>();
    for (var n = 0; n < size; n++) {
      var amount = MoneyText.plain(Money.ofMinor(USD, 500L * (1 + random.nextInt(30))));
      if (random.nextInt(5) == 0) {
        items.add(creditNote("CN-" + n, "a", "-" + amount));
      } else {
        var item = invoice("LM-" + n, "a", amount, TODAY.plusDays(random.nextInt(60) - 30L));
        items.add(random.nextInt(3) == 0 ? withTerms(item, "2/10 net 30") : item);
      }
    }
    return items;
  }

  private static List<Composition> solve(List<OpenItem> items, Receipt receipt) {
    var snapshot =
        new Snapshot(
            items,
            Map.of(),
            List.of(customer("a", "Piazza Forno")),
            List.of(),
            List.of(),
            policy());
    var selector = CandidateSelector.over(snapshot);
    var leads = PayerResolver.over(snapshot).resolve(receipt, Asked.NOT_NOTED);
    return new CompositionSolver(selector, snapshot.policy())
        .solve(receipt, selector.select(receipt, List.of(), leads, Asked.NOT_NOTED), List.of())
        .compositions();
  }

  /**
   * What can be taken of an item in full: its balance, or its balance less the discount that is
   * earned in time.
   */
  private static Set<Long> takes(OpenItem item) {
    var takes = new HashSet<Long>();
    takes.add(item.open().getAmountMinorLong());
    if (item instanceof Invoice i) {
      takes.add(i.open().minus(i.discountEarned(i.open(), TODAY, 3)).getAmountMinorLong());
    }
    return takes;
  }

  private static Set<Set<String>> byBruteForce(List<OpenItem> items, long received) {
    var found = new HashSet<Set<String>>();
    for (var i = 0; i < items.size(); i++) {
      for (var one : takes(items.get(i))) {
        if (one == received) {
          found.add(Set.of(items.get(i).id()));
        }
        for (var j = i + 1; j < items.size(); j++) {
          for (var other : takes(items.get(j))) {
            if (one + other == received) {
              found.add(Set.of(items.get(i).id(), items.get(j).id()));
            }
          }
        }
      }
    }
    return found;
  }

  private static Set<String> ids(Composition composition) {
    return composition.parts().stream()
        .map(p -> p.candidate().item().id())
        .collect(Collectors.toSet());
  }

  @Property(tries = 300)
  void findsEveryItemAndEveryPairThatComesToTheAmount(
      @ForAll Random random,
      @ForAll @IntRange(min = 1, max = 14) int size,
      @ForAll @IntRange(min = 1, max = 40) int half) {
    var items = account(random, size);
    var received = 500L * half;
    var receipt = receipt(MoneyText.plain(Money.ofMinor(USD, received)), "Piazza Forno", "");

    var solved = solve(items, receipt);

    var exact =
        solved.stream()
            .filter(c -> c.adjustments().isEmpty() && c.onAccount() == 0 && c.parts().size() <= 2)
            .filter(c -> c.parts().stream().allMatch(p -> p.amount() == p.candidate().open()))
            .map(CompositionSolverTest::ids)
            .collect(Collectors.toSet());
    assertThat(exact).isEqualTo(byBruteForce(items, received));
  }

  @Property(tries = 300)
  void explainsTheAmountToTheCentBestFirst(
      @ForAll Random random,
      @ForAll @IntRange(min = 0, max = 14) int size,
      @ForAll @IntRange(min = 1, max = 9000) int cents) {
    var receipt = receipt(MoneyText.plain(Money.ofMinor(USD, cents)), "Piazza Forno", "");
    var before = Double.POSITIVE_INFINITY;
    for (var composition : solve(account(random, size), receipt)) {
      var taken = composition.parts().stream().mapToLong(p -> p.amount() - p.discount()).sum();
      var kept =
          composition.adjustments().stream().mapToLong(a -> a.amount().getAmountMinorLong()).sum();
      assertThat(taken - kept + composition.onAccount()).isEqualTo(cents);
      assertThat(composition.weight()).isLessThanOrEqualTo(before);
      before = composition.weight();
    }
  }
}
