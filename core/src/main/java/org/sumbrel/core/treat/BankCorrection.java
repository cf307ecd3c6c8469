package org.sumbrel.core.treat;

import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import org.sumbrel.core.receivables.WrittenForm;

/** What the bank booked by mistake and put right itself: twice the same amount, once each way. */
public final class BankCorrection {

  /** How many days the bank may take to notice. */
  public static final int DAYS = 30;

  private BankCorrection() {}

  /**
   * What may put an entry right, or what it may put right.
   *
   * @param days how many later it was booked; negative where earlier
   * @param alike whether both name the same counterparty or say the same
   */
  public record Counterpart(Treatable entry, int days, boolean alike) {}

  /**
   * The entries that may be the other half of a mistake, likeliest first: of the same amount with
   * the other sign, on the same account, at most {@link #DAYS} apart.
   */
  public static List<Counterpart> of(Treatable entry, List<Treatable> others) {
    return others.stream()
        .filter(other -> other.bankAccountId().equals(entry.bankAccountId()))
        .filter(other -> other.amount().equals(entry.amount().negated()))
        .map(
            other ->
                new Counterpart(
                    other,
                    (int) ChronoUnit.DAYS.between(entry.on(), other.on()),
                    same(entry.counterparty(), other.counterparty())
                        || same(entry.text(), other.text())))
        .filter(counterpart -> Math.abs(counterpart.days()) <= DAYS)
        .sorted(
            Comparator.comparing((Counterpart counterpart) -> !counterpart.alike())
                .thenComparing(counterpart -> Math.abs(counterpart.days()))
                .thenComparing(counterpart -> counterpart.entry().id()))
        .toList();
  }

  private static boolean same(String one, String other) {
    var compact = WrittenForm.compact(one);
    return !compact.isEmpty() && compact.equals(WrittenForm.compact(other));
  }
}
