package org.sumbrel.core.find;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.PaidBy;

/**
 * What a search line is held against. Texts are in small letters with a line for each, as {@link
 * #text} makes them, so that a hundred thousand things are looked through while somebody types.
 */
public interface Findable {

  /** The payer, the customer. */
  String names();

  /** Numbers, orders, the bank's references. */
  String references();

  /** Everything else that is said of it. */
  String told();

  /**
   * Every amount it may be known by (received, total, open) without its sign, in minor units; the
   * first is the one that a gap is counted from.
   */
  long[] sizes();

  /** How many digits of {@link #sizes} stand after the point. */
  int digits();

  /** Its day. */
  LocalDate on();

  /** How the money came; null where none came. */
  PaidBy paidBy();

  /** The {@link Sketch} of all its texts together. */
  default long sketch() {
    return Sketch.of(names()) | Sketch.of(references()) | Sketch.of(told());
  }

  /** Texts as {@link Findable} has them. */
  static String text(String... texts) {
    return String.join("\n", texts).toLowerCase(Locale.ROOT);
  }

  /** How far its first amount is from a figure, without the sign, in units of the currency. */
  default BigDecimal distance(BigDecimal figure) {
    return BigDecimal.valueOf(sizes()[0], digits()).subtract(figure).abs();
  }

  /** Something to be found, of its parts; the amounts are of one currency. */
  static Findable of(
      List<String> names,
      List<String> references,
      List<String> told,
      List<Money> amounts,
      LocalDate on,
      Optional<PaidBy> paidBy) {
    return new Told(
        joined(names),
        joined(references),
        joined(told),
        amounts.stream().mapToLong(a -> Math.abs(a.getAmountMinorLong())).toArray(),
        amounts.get(0).getScale(),
        on,
        paidBy.orElse(null));
  }

  private static String joined(Collection<String> texts) {
    return text(texts.toArray(String[]::new));
  }

  /** Parts as they were given. */
  record Told(
      String names,
      String references,
      String told,
      long[] sizes,
      int digits,
      LocalDate on,
      PaidBy paidBy)
      implements Findable {

    @Override
    public boolean equals(Object other) {
      return other instanceof Told that
          && names.equals(that.names)
          && references.equals(that.references)
          && told.equals(that.told)
          && Arrays.equals(sizes, that.sizes)
          && digits == that.digits
          && on.equals(that.on)
          && paidBy == that.paidBy;
    }

    @Override
    public int hashCode() {
      return names.hashCode() * 31 + references.hashCode();
    }

    @Override
    public String toString() {
      return names + "; " + references + "; " + told + "; " + Arrays.toString(sizes) + "; " + on;
    }
  }
}
