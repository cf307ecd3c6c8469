package org.sumbrel.core.payout;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.WrittenForm;

/**
 * Finds what the items of a payout belong to. What is recorded already comes first, so that no sale
 * is counted twice; what is doubtful is asked, never guessed.
 */
public final class PayoutJoining {

  /** A receipt without a word is the same sale only if it is of about the same day. */
  private static final long DAYS_APART = 3;

  private final Map<String, List<Invoice>> invoices = new HashMap<>();
  private final Map<String, List<CreditNote>> credits = new HashMap<>();
  private final Map<String, Money> open = new HashMap<>();
  private final Map<String, List<RecordedSale>> recorded = new HashMap<>();
  private final Map<Money, List<RecordedSale>> recordedOf = new HashMap<>();
  private final Map<String, List<KnownSale>> byKey = new HashMap<>();
  private final Map<String, List<KnownSale>> byReference = new HashMap<>();
  private final Map<String, Money> left = new HashMap<>();
  private final Set<String> taken = new HashSet<>();

  private PayoutJoining() {}

  /**
   * Ready to join.
   *
   * @param invoices those that may be meant, open or settled
   * @param credits credit notes that are open: a refund that names one pays it out
   * @param recorded what is recorded and not paid out yet
   * @param earlier the sales of earlier payouts of the same processor
   */
  public static PayoutJoining among(
      Collection<Invoice> invoices,
      Collection<CreditNote> credits,
      Collection<RecordedSale> recorded,
      Collection<KnownSale> earlier) {
    var joining = new PayoutJoining();
    for (var invoice : invoices) {
      joining.open.put(invoice.id(), invoice.open());
      Stream.of(invoice.number(), invoice.orderReference(), invoice.creditorReference())
          .map(WrittenForm::compact)
          .filter(form -> !form.isEmpty())
          .distinct()
          .forEach(form -> add(joining.invoices, form, invoice));
    }
    for (var credit : credits) {
      joining.open.put(credit.id(), credit.open());
      add(joining.credits, WrittenForm.compact(credit.number()), credit);
    }
    for (var sale : recorded) {
      add(joining.recordedOf, sale.amount(), sale);
      sale.references().stream()
          .map(WrittenForm::compact)
          .filter(form -> !form.isEmpty())
          .distinct()
          .forEach(form -> add(joining.recorded, form, sale));
    }
    earlier.forEach(joining::knows);
    return joining;
  }

  private static <K, V> void add(Map<K, List<V>> in, K key, V value) {
    in.computeIfAbsent(key, k -> new ArrayList<>(1)).add(value);
  }

  private void knows(KnownSale sale) {
    left.put(sale.id(), sale.left());
    if (!sale.key().isEmpty()) {
      add(byKey, sale.key(), sale);
    }
    var form = WrittenForm.compact(sale.reference());
    if (!form.isEmpty()) {
      add(byReference, form, sale);
    }
  }

  /**
   * What each item belongs to, in their order. A sale of the payout is known to what comes before
   * or after it.
   *
   * @param ids of the items, as whoever refers to a sale of this payout names it
   */
  public List<Join> join(List<PayoutItem> items, List<String> ids) {
    for (var n = 0; n < items.size(); n++) {
      var item = items.get(n);
      if (item.type() == PayoutItemType.SALE) {
        knows(new KnownSale(ids.get(n), item.id(), item.reference(), item.gross()));
      }
    }
    return items.stream().map(this::join).toList();
  }

  private Join join(PayoutItem item) {
    return switch (item.type()) {
      case SALE -> item.gross().isPositive() ? sale(item) : new Join.NewSale();
      case REFUND -> credit(item).orElseGet(() -> takingBack(item));
      case CHARGEBACK, CHARGEBACK_REVERSAL -> takingBack(item);
      case FEE, FEE_REFUND, ADJUSTMENT, UNKNOWN -> taking(item).orElseGet(Join.Nothing::new);
      case RESERVE_HELD, RESERVE_RELEASED, CONVERSION, TRANSFER -> new Join.Nothing();
    };
  }

  private Join takingBack(PayoutItem item) {
    return taking(item).map(join -> taken(join, item)).orElseGet(Join.Loose::new);
  }

  /** A refund that names a credit note which is open with at least as much pays it out. */
  private Optional<Join> credit(PayoutItem item) {
    return credits.getOrDefault(WrittenForm.compact(item.reference()), List.of()).stream()
        .filter(c -> !item.gross().isZero() && !open.get(c.id()).isGreaterThan(item.gross()))
        .findFirst()
        .map(
            c -> {
              open.merge(c.id(), item.gross(), Money::minus);
              return new Join.ToInvoice(c.id());
            });
  }

  private Join sale(PayoutItem item) {
    var form = WrittenForm.compact(item.reference());
    var told = form.isEmpty() ? List.<RecordedSale>of() : free(recorded.get(form), item.gross());
    if (!told.isEmpty()) {
      taken.add(told.get(0).id());
      return new Join.ToReceipt(told.get(0).id());
    }
    var meant = form.isEmpty() ? List.<Invoice>of() : invoices.getOrDefault(form, List.of());
    var exact = meant.stream().filter(i -> open.get(i.id()).equals(item.gross())).findFirst();
    if (exact.isPresent()) {
      open.put(exact.get().id(), Money.zero(item.gross().getCurrencyUnit()));
      return new Join.ToInvoice(exact.get().id());
    }
    var silent = silent(item);
    if (!meant.isEmpty()) {
      return ofInvoices(item, meant, silent);
    }
    return silent.isEmpty()
        ? new Join.NewSale()
        : new Join.Asked(
            Stream.concat(silent.stream().map(PayoutJoining::of), Stream.of(new Join.NewSale()))
                .toList(),
            "A receipt of the same amount was recorded on "
                + DayText.of(silent.get(0).on())
                + "; it may be this sale.");
  }

  private static Join of(RecordedSale sale) {
    return new Join.ToReceipt(sale.id());
  }

  private List<RecordedSale> free(List<RecordedSale> sales, Money amount) {
    return sales == null
        ? List.of()
        : sales.stream().filter(s -> s.amount().equals(amount) && !taken.contains(s.id())).toList();
  }

  /** Receipts of the same amount and about the same day that say nothing that speaks against it. */
  private List<RecordedSale> silent(PayoutItem item) {
    return free(recordedOf.get(item.gross()), item.gross()).stream()
        .filter(
            s ->
                item.reference().isEmpty()
                    || s.references().stream().allMatch(r -> WrittenForm.compact(r).isEmpty()))
        .filter(
            s ->
                item.on().isEmpty()
                    || Math.abs(ChronoUnit.DAYS.between(s.on(), item.on().get())) <= DAYS_APART)
        .toList();
  }

  /** The reference names invoices, but none is open with just this amount. */
  private Join ofInvoices(PayoutItem item, List<Invoice> meant, List<RecordedSale> silent) {
    var candidates = new ArrayList<Join>();
    silent.forEach(s -> candidates.add(of(s)));
    meant.stream()
        .filter(i -> open.get(i.id()).isGreaterThan(item.gross()))
        .forEach(i -> candidates.add(new Join.ToInvoice(i.id())));
    candidates.add(new Join.NewSale());
    var first = meant.get(0);
    var balance = open.get(first.id());
    return new Join.Asked(
        candidates,
        balance.isZero()
            ? first.number() + " is settled already; this may be the same sale a second time."
            : "Of "
                + first.number()
                + " "
                + MoneyText.grouped(balance)
                + " are open, the sale is of "
                + MoneyText.grouped(item.gross())
                + ".");
  }

  /** The sale that an item says it is about. */
  private Optional<Join> taking(PayoutItem item) {
    if (!item.related().isEmpty()) {
      var named = byKey.getOrDefault(item.related(), List.of());
      if (!named.isEmpty()) {
        return Optional.of(new Join.ToSale(named.get(0).id()));
      }
    }
    var form = WrittenForm.compact(item.reference());
    var meant = form.isEmpty() ? List.<KnownSale>of() : byReference.getOrDefault(form, List.of());
    var able = meant.stream().filter(s -> !left(s).isLessThan(item.gross().abs())).toList();
    if (able.isEmpty()) {
      return Optional.empty();
    }
    var whole = able.stream().filter(s -> left(s).equals(item.gross().abs())).toList();
    var likely = whole.isEmpty() ? able : whole;
    if (likely.size() == 1 || item.gross().isZero()) {
      return Optional.of(new Join.ToSale(likely.get(0).id()));
    }
    Function<KnownSale, Join> sale = s -> new Join.ToSale(s.id());
    return Optional.of(
        new Join.Asked(
            likely.stream().map(sale).toList(),
            likely.size() + " sales have the reference " + item.reference() + "."));
  }

  /** What is taken back of a sale cannot be taken back again. */
  private Join taken(Join join, PayoutItem item) {
    if (join instanceof Join.ToSale sale) {
      left.merge(sale.saleId(), item.gross(), Money::plus);
    }
    return join;
  }

  private Money left(KnownSale sale) {
    return left.get(sale.id());
  }
}
