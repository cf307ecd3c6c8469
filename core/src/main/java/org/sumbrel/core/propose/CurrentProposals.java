package org.sumbrel.core.propose;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.sumbrel.core.propose.BatchAssigner.Wanting;
import org.sumbrel.core.propose.ProposalEngine.Thought;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RemittanceAdvice;

/**
 * Proposals for all that waits, kept current: after a change only what it touches is thought about
 * again, and the result is the same as if everything were.
 *
 * <p>Each thought has noted the questions it asked. A change tells which questions have another
 * answer now; who asked none of them would think the same again. Who may have paid is asked apart
 * from the rest, since it is cheap to ask again and seldom comes to anything else. Then the
 * receipts that want items in common with those thought about, now or before, are assigned anew.
 *
 * <p>Not for two threads at once.
 */
public final class CurrentProposals {

  /** So many questions are looked up one by one in what was asked, else what was asked in them. */
  private static final int FEW = 200;

  private final ProposalEngine engine;
  private final Map<String, OpenItem> items;
  private final Map<String, Held> held = new LinkedHashMap<>();

  /** Who wants an item or says the same words. */
  private final Map<String, Set<Held>> wantedBy = new HashMap<>();

  private CurrentProposals(Snapshot snapshot, Map<String, RemittanceAdvice> advices) {
    this.engine = ProposalEngine.over(snapshot, advices);
    this.items =
        snapshot.items().stream().collect(Collectors.toMap(OpenItem::id, Function.identity()));
  }

  /** What is held of a receipt that waits. */
  private static final class Held {
    private final Receipt receipt;
    private Thought thought;
    private int[] askedOfPayers = {};
    private int[] asked = {};
    private Set<String> wants = Set.of();
    private ReceiptProposals result;

    Held(Receipt receipt) {
      this.receipt = receipt;
    }
  }

  /**
   * Of a snapshot, with nothing waiting yet.
   *
   * @param advices by the receipt's id, of receipts that will wait
   */
  public static CurrentProposals over(Snapshot snapshot, Map<String, RemittanceAdvice> advices) {
    return new CurrentProposals(snapshot, advices);
  }

  /** What is thought of each receipt that waits. */
  public List<ReceiptProposals> all() {
    return held.values().stream().map(h -> h.result).toList();
  }

  /**
   * What would be thought otherwise of what waits if an alias were held to; nothing is other for
   * having asked.
   *
   * @param alias one that is not held to
   */
  public List<ReceiptProposals> ifKnown(Alias alias) {
    var results = take(new Change().alias(alias));
    take(new Change().aliasGone(alias));
    return results;
  }

  /**
   * What would be thought of a receipt if it came now; nothing is other for having asked.
   *
   * @param receipt one that does not wait
   */
  public ReceiptProposals ifCame(Receipt receipt) {
    var results = take(new Change().receipt(receipt));
    take(new Change().receiptGone(receipt.id()));
    return results.stream()
        .filter(r -> r.receiptId().equals(receipt.id()))
        .findFirst()
        .orElseThrow();
  }

  /** The same as {@link #take(Change, IntConsumer)}, for a short change. */
  public List<ReceiptProposals> take(Change change) {
    return take(change, done -> {});
  }

  /**
   * Takes up what happened.
   *
   * @param progress hears how many of the receipts that came have been thought about, from several
   *     threads
   * @return what is thought of receipts that wait and is not what was thought before
   */
  public List<ReceiptProposals> take(Change change, IntConsumer progress) {
    var questions = learned(change);
    var again = new LinkedHashSet<Held>();
    gone(change).forEach(gone -> again.addAll(letGo(gone)));
    var came = change.receipts().stream().map(Held::new).toList();
    came.forEach(one -> held.put(one.receipt.id(), one));
    var done = new AtomicInteger();
    var moved =
        List.copyOf(held.values()).parallelStream()
            .map(
                one -> {
                  var other = thought(one, questions);
                  if (one.thought == null) {
                    progress.accept(done.incrementAndGet());
                  }
                  return other;
                })
            .filter(Objects::nonNull)
            .toList();
    for (var one : moved) {
      again.addAll(letGo(one.of()));
      one.of().thought = one.thought();
      want(one.of());
      again.add(one.of());
    }
    again.removeIf(one -> held.get(one.receipt.id()) != one);
    return assigned(together(again));
  }

  private int[] learned(Change change) {
    var before = new HashMap<String, OpenItem>();
    for (var item : change.items()) {
      var old = items.put(item.id(), item);
      if (old != null) {
        before.put(old.id(), old);
      }
    }
    for (var id : change.itemsGone()) {
      var old = items.remove(id);
      if (old != null) {
        before.put(id, old);
      }
    }
    var questions = new HashSet<Integer>();
    engine.learn(change, before, questions::add);
    return questions.stream().mapToInt(Integer::intValue).sorted().toArray();
  }

  private List<Held> gone(Change change) {
    var ids = new LinkedHashSet<>(change.receiptsGone());
    change.receipts().forEach(receipt -> ids.add(receipt.id()));
    return ids.stream().map(held::remove).filter(Objects::nonNull).toList();
  }

  /** A thought that is not what it was. */
  private record Moved(Held of, Thought thought) {}

  /** Thinks of a receipt again where it asked one of these; null where nothing is new. */
  private Moved thought(Held one, int[] questions) {
    var fresh = one.thought == null;
    var payers = fresh || anyOf(questions, one.askedOfPayers);
    var rest = fresh || anyOf(questions, one.asked);
    if (!payers && !rest) {
      return null;
    }
    var leads = fresh ? List.<PayerLead>of() : one.thought.leads();
    if (payers) {
      var asked = new Asked();
      leads = engine.leads(one.receipt, asked);
      one.askedOfPayers = asked.distinct();
    }
    if (!rest && leads.equals(one.thought.leads())) {
      return null;
    }
    var asked = new Asked();
    var thought = engine.think(one.receipt, leads, asked);
    one.asked = asked.distinct();
    return new Moved(one, thought);
  }

  /** Whether two sorted lists have one in common. */
  private static boolean anyOf(int[] questions, int[] asked) {
    var few = questions.length < FEW ? questions : asked;
    var many = few == questions ? asked : questions;
    for (var question : few) {
      if (Arrays.binarySearch(many, question) >= 0) {
        return true;
      }
    }
    return false;
  }

  /** Takes back what a receipt wants; those who want some of it too are told. */
  private Set<Held> letGo(Held one) {
    var others = new LinkedHashSet<Held>();
    for (var wanted : one.wants) {
      var by = wantedBy.get(wanted);
      by.remove(one);
      others.addAll(by);
    }
    one.wants = Set.of();
    return others;
  }

  private void want(Held one) {
    one.wants = PaidTwice.wants(one.thought.wanting());
    one.wants.forEach(
        wanted -> wantedBy.computeIfAbsent(wanted, w -> new LinkedHashSet<>()).add(one));
  }

  /** These and all who want something in common with them, directly or through others. */
  private Collection<Held> together(Set<Held> some) {
    var all = new LinkedHashSet<>(some);
    var next = new ArrayDeque<>(some);
    var looked = new HashSet<String>();
    while (!next.isEmpty()) {
      for (var wanted : next.remove().wants) {
        if (looked.add(wanted)) {
          for (var other : wantedBy.get(wanted)) {
            if (all.add(other)) {
              next.add(other);
            }
          }
        }
      }
    }
    return all;
  }

  private List<ReceiptProposals> assigned(Collection<Held> some) {
    var wantings = new ArrayList<Wanting>(some.size());
    some.forEach(one -> wantings.add(one.thought.wanting()));
    var assigned = BatchAssigner.assign(PaidTwice.among(wantings));
    return List.copyOf(some).parallelStream()
        .map(
            one -> {
              var result = engine.result(one.thought, assigned.get(one.receipt.id()), false);
              var other = !result.equals(one.result);
              one.result = result;
              return other ? result : null;
            })
        .filter(Objects::nonNull)
        .toList();
  }
}
