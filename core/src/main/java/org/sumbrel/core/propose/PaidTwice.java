package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.BatchAssigner.Wanting;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Receipt;

/**
 * Of several receipts that name the same items and pay them whole, or are the same in every word,
 * the one that came first settles the items; to the others it is an explanation that they came
 * twice and stay on account.
 */
final class PaidTwice {

  static final String CODE = "amount.paid_twice";

  private static final Comparator<Wanting> EARLIEST_FIRST =
      Comparator.comparing((Wanting w) -> w.receipt().receivedOn())
          .thenComparing(w -> w.receipt().id());

  private PaidTwice() {}

  /** The same receipts in the same order, with that explanation where it fits. */
  static List<Wanting> among(List<Wanting> all) {
    var first = new HashMap<String, Receipt>();
    var before = new HashMap<String, Receipt>();
    for (var wanting : all.stream().sorted(EARLIEST_FIRST).toList()) {
      for (var mark : marks(wanting)) {
        var earlier = first.putIfAbsent(mark, wanting.receipt());
        if (earlier != null) {
          before.put(wanting.receipt().id(), earlier);
        }
      }
    }
    return all.stream()
        .map(w -> before.containsKey(w.receipt().id()) ? again(w, before) : w)
        .toList();
  }

  /**
   * What a receipt may have in common with others that touches what is thought of it: the items it
   * wants, and its words where they may have come twice.
   */
  static Set<String> wants(Wanting wanting) {
    var wants = new HashSet<>(marks(wanting));
    wanting
        .compositions()
        .forEach(c -> c.parts().forEach(p -> wants.add(p.candidate().item().id())));
    return wants;
  }

  /**
   * What another receipt has in common with this one if either is paid twice: the items that the
   * best explanation names outright and takes whole, and the words. Nothing where items are taken
   * in part or none are.
   */
  private static Set<String> marks(Wanting wanting) {
    var parts =
        wanting.compositions().isEmpty() ? List.<Part>of() : wanting.compositions().get(0).parts();
    if (parts.isEmpty() || parts.stream().anyMatch(p -> p.amount() != p.candidate().open())) {
      return Set.of();
    }
    var marks = new HashSet<String>();
    if (parts.stream().allMatch(p -> p.candidate().namedOutright())) {
      parts.forEach(p -> marks.add(p.candidate().item().id()));
    }
    var receipt = wanting.receipt();
    if (!receipt.text().isBlank()) {
      marks.add(
          String.join(
              "\n",
              receipt.amount().toString(),
              receipt.payerName(),
              receipt.payerAccount(),
              receipt.text()));
    }
    return marks;
  }

  private static Wanting again(Wanting wanting, Map<String, Receipt> before) {
    var best = wanting.compositions().get(0);
    var earlier = before.get(wanting.receipt().id());
    var evidence = new ArrayList<Evidence>();
    best.evidence().stream().filter(e -> e.code().startsWith("payer.")).forEach(evidence::add);
    evidence.add(
        new Evidence(
            CODE,
            "the %s of %s names the same and came first; kept on account"
                .formatted(MoneyText.grouped(earlier.amount()), DayText.of(earlier.receivedOn())),
            Weights.PAID_TWICE));
    var twice =
        new Composition(
            best.payer().or(() -> owner(best.parts())),
            List.of(),
            List.of(),
            wanting.receipt().amount().getAmountMinorLong(),
            evidence,
            evidence.stream().mapToDouble(Evidence::weight).sum());
    var more = new ArrayList<>(wanting.compositions());
    more.add(twice);
    more.sort(Composition.BEST_FIRST);
    return new Wanting(wanting.receipt(), more);
  }

  private static Optional<String> owner(List<Part> parts) {
    var owners = parts.stream().map(p -> p.candidate().item().customerId()).distinct().toList();
    return owners.size() == 1 ? Optional.of(owners.get(0)) : Optional.empty();
  }
}
