package org.sumbrel.core.treat;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.WrittenForm;

/**
 * Which entries a treatment takes: those that fit all that is said. Texts are compared in letters
 * and digits only, capitals and small ones alike.
 *
 * @param words each stands somewhere in the counterparty, the text or the bank's words
 * @param counterparty the whole name; empty where any
 * @param counterpartyAccount the whole account; empty where any
 * @param bankAccountId on which the entry is booked; empty where on any
 * @param direction whose money it is
 * @param least of the amount without its sign; empty where any
 * @param most of the amount without its sign; empty where any
 */
public record Condition(
    List<String> words,
    String counterparty,
    String counterpartyAccount,
    Optional<String> bankAccountId,
    Direction direction,
    Optional<Money> least,
    Optional<Money> most) {

  /** Whether money comes or goes. */
  public enum Direction {
    TO_US,
    FROM_US,
    EITHER
  }

  /**
   * @throws IllegalArgumentException where nothing is said by which an entry would be known again,
   *     or the amounts contradict each other
   */
  public Condition {
    words = words.stream().map(String::strip).filter(w -> !compact(w).isEmpty()).toList();
    if (words.isEmpty()
        && compact(counterparty).isEmpty()
        && compact(counterpartyAccount).isEmpty()) {
      throw new IllegalArgumentException(
          "Say a word of the text, a counterparty or its account; amount and direction alone fit too much.");
    }
    if (least.isPresent() && most.isPresent() && least.get().isGreaterThan(most.get())) {
      throw new IllegalArgumentException(
          "An amount of at least "
              + least.get().getAmount()
              + " is never at most "
              + most.get().getAmount()
              + ".");
    }
  }

  private static String compact(String text) {
    return WrittenForm.compact(text);
  }

  /** Whether an entry fits all of it. */
  public boolean fits(Treatable entry) {
    return fitsDirection(entry.amount())
        && fitsAmount(entry.amount().abs())
        && bankAccountId.filter(id -> !id.equals(entry.bankAccountId())).isEmpty()
        && (compact(counterparty).isEmpty()
            || compact(counterparty).equals(compact(entry.counterparty())))
        && (compact(counterpartyAccount).isEmpty()
            || compact(counterpartyAccount).equals(compact(entry.counterpartyAccount())))
        && saysAll(entry);
  }

  private boolean saysAll(Treatable entry) {
    // apart, so that no word is found across the end of the one and the beginning of the other
    var said =
        List.of(compact(entry.counterparty()), compact(entry.text()), compact(entry.bankText()));
    return words.stream().allMatch(w -> said.stream().anyMatch(s -> s.contains(compact(w))));
  }

  private boolean fitsDirection(Money amount) {
    return switch (direction) {
      case TO_US -> amount.isPositive();
      case FROM_US -> amount.isNegative();
      case EITHER -> !amount.isZero();
    };
  }

  private boolean fitsAmount(Money size) {
    return least.filter(l -> !within(l, size)).isEmpty()
        && most.filter(m -> !within(size, m)).isEmpty();
  }

  /** An amount of another currency fits no bound. */
  private static boolean within(Money smaller, Money larger) {
    return smaller.getCurrencyUnit().equals(larger.getCurrencyUnit())
        && !smaller.isGreaterThan(larger);
  }
}
