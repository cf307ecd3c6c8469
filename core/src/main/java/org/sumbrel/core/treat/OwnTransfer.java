package org.sumbrel.core.treat;

import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.sumbrel.core.receivables.WrittenForm;

/** Money that only moves between a company's own bank accounts: what left one comes to another. */
public final class OwnTransfer {

  /** How many days the two sides may be apart: a weekend, a holiday and a slow bank. */
  public static final int DAYS = 5;

  private OwnTransfer() {}

  /**
   * What may be the other side of an entry.
   *
   * @param days how many later it was booked; negative where earlier
   * @param named whether one of the two speaks of the other's account, or of a transfer
   */
  public record OtherSide(Treatable entry, int days, boolean named) {}

  /**
   * The entries that may be the other side, likeliest first: of the same amount with the other
   * sign, on another account, at most {@link #DAYS} apart.
   *
   * @param names how the company's bank accounts are called and numbered, by the account's id
   */
  public static List<OtherSide> of(
      Treatable entry, List<Treatable> others, Map<String, List<String>> names) {
    return others.stream()
        .filter(other -> !other.bankAccountId().equals(entry.bankAccountId()))
        .filter(other -> other.amount().equals(entry.amount().negated()))
        .map(
            other ->
                new OtherSide(
                    other,
                    (int) ChronoUnit.DAYS.between(entry.on(), other.on()),
                    speaksOf(entry, names.getOrDefault(other.bankAccountId(), List.of()))
                        || speaksOf(other, names.getOrDefault(entry.bankAccountId(), List.of()))))
        .filter(side -> Math.abs(side.days()) <= DAYS)
        .sorted(
            Comparator.comparing((OtherSide side) -> !side.named())
                .thenComparing(side -> Math.abs(side.days()))
                .thenComparing(side -> side.entry().on())
                .thenComparing(side -> side.entry().id()))
        .toList();
  }

  /** The accounts, by their ids, of which an entry speaks. */
  public static List<String> named(Treatable entry, Map<String, List<String>> names) {
    return names.entrySet().stream()
        .filter(one -> !one.getKey().equals(entry.bankAccountId()))
        .filter(one -> speaksOf(entry, one.getValue()))
        .map(Map.Entry::getKey)
        .sorted()
        .toList();
  }

  private static boolean speaksOf(Treatable entry, List<String> names) {
    var account = WrittenForm.compact(entry.counterpartyAccount());
    var said =
        List.of(
            account, WrittenForm.compact(entry.counterparty()), WrittenForm.compact(entry.text()));
    return names.stream()
        .map(WrittenForm::compact)
        .filter(name -> name.length() >= 6)
        .anyMatch(name -> said.stream().anyMatch(s -> s.contains(name)));
  }
}
