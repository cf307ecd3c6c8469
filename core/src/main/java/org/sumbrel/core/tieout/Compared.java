package org.sumbrel.core.tieout;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Way;

/** What a bank entry, a deposit or a refund leads to in a tie-out. */
public final class Compared {

  private Compared() {}

  /**
   * A movement of the bank beside what the books have of it.
   *
   * @param on the day on which the bank booked it
   * @param amount as the bank booked it
   * @param shows what of it shows deposits or refunds, which are compared themselves
   * @param inBooks what explanations of it had put into the books by the day
   * @param ever what they have put there up to now
   */
  public record OfBank(
      String id, LocalDate on, String words, Money amount, Money shows, Money inBooks, Money ever) {

    /** What it leads to at the end of a day; empty where bank and books agree. */
    public Optional<Way> at(LocalDate asOf) {
      var booked = !on.isAfter(asOf);
      var rest = amount.minus(shows);
      if (!booked) {
        return inBooks.isZero()
            ? Optional.empty()
            : Optional.of(new Way(Kind.IN_TRANSIT, id, on, words, inBooks));
      }
      var missing = rest.minus(inBooks);
      if (missing.isZero()) {
        return Optional.empty();
      }
      var kind = ever.equals(rest) ? Kind.BOOKED_LATER : Kind.UNEXPLAINED;
      return Optional.of(new Way(kind, id, on, words, missing));
    }
  }

  /**
   * A deposit or a refund beside what the bank has shown of it.
   *
   * @param on the day on which it was made
   * @param inBooks what it had put into the books by the day: positive for a deposit
   * @param shown what the bank had booked of it by the day
   */
  public record OfBooks(String id, LocalDate on, String words, Money inBooks, Money shown) {

    /** What it leads to; empty where bank and books agree. */
    public Optional<Way> way() {
      var under = inBooks.minus(shown);
      if (under.isZero()) {
        return Optional.empty();
      }
      if (inBooks.isZero()) {
        return Optional.of(new Way(Kind.BOOKED_LATER, id, on, words, shown));
      }
      var kind = inBooks.isNegative() ? Kind.REFUND_OUTSTANDING : Kind.IN_TRANSIT;
      return Optional.of(new Way(kind, id, on, words, under));
    }
  }
}
