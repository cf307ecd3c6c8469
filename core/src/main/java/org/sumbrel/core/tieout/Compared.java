package org.sumbrel.core.tieout;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Way;

/**
 * One thing as the bank and the books have it at the end of a day.
 *
 * @param knownBy who told of it first: an entry is the bank's, a deposit or a refund is ours
 * @param on the day on which it was booked or made
 * @param bank what the bank had booked of it by the day
 * @param books what the books had of it by the day
 * @param agreeNow whether bank and books have the same of it by now
 */
public record Compared(
    KnownBy knownBy,
    String id,
    LocalDate on,
    String words,
    Money bank,
    Money books,
    boolean agreeNow) {

  /** Who told of something first. */
  public enum KnownBy {
    BANK,
    /** A deposit of ours; negative where a processor takes more than it pays. */
    DEPOSIT,
    /** A refund that we sent. */
    REFUND
  }

  /** What it leads to in the tie-out; empty where bank and books agree. */
  public Optional<Way> way() {
    var missing = bank.minus(books);
    if (missing.isZero()) {
      return Optional.empty();
    }
    if (knownBy != KnownBy.BANK && !books.isZero()) {
      var kind = knownBy == KnownBy.REFUND ? Kind.REFUND_OUTSTANDING : Kind.IN_TRANSIT;
      return Optional.of(new Way(kind, id, on, words, missing.negated()));
    }
    if (bank.isZero()) {
      return Optional.of(new Way(Kind.IN_TRANSIT, id, on, words, books));
    }
    var later = knownBy != KnownBy.BANK || agreeNow;
    return Optional.of(
        new Way(later ? Kind.BOOKED_LATER : Kind.UNEXPLAINED, id, on, words, missing));
  }
}
