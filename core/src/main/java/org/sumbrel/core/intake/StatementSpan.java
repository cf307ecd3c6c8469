package org.sumbrel.core.intake;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;

/**
 * What a statement covers, and the balances it claims.
 *
 * @param key by which whoever asks knows it
 * @param from the first day it covers
 * @param until the last day it covers
 * @param daysSaid whether the file says which days; else they are those of its entries
 * @param sequence its running number, where it has one
 * @param opening before its first movement, where it says so
 * @param movements what its movements come to
 * @param closing after its last movement, where it says so
 */
public record StatementSpan(
    long key,
    LocalDate from,
    LocalDate until,
    boolean daysSaid,
    Optional<Integer> sequence,
    Optional<Money> opening,
    Money movements,
    Optional<Money> closing) {

  /**
   * What it opened with, if its closing and its movements are right; where it does not say itself.
   */
  Optional<Money> openingReckoned() {
    return opening.or(() -> closing.map(c -> c.minus(movements)));
  }
}
