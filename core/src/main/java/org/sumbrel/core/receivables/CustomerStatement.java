package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * What moved on a customer's account between two days, with the balance after each: {@code opening
 * + Σ amounts = closing}. A charge (invoice) is positive, what lowers the debt (receipt, credit
 * note) negative.
 *
 * @param from the first day
 * @param until the last day
 * @param opening the balance before the first day
 * @param lines in the order of their days
 * @param closing the balance after the last day
 */
public record CustomerStatement(
    LocalDate from, LocalDate until, Money opening, List<Line> lines, Money closing) {

  /**
   * One movement.
   *
   * @param on the day on which it counts for the customer
   * @param text what it was
   * @param amount never zero
   * @param settlementId what settled, where it was a settlement or its reversal; else null
   */
  public record Movement(LocalDate on, String text, Money amount, Long settlementId) {

    /**
     * A movement as the books have it: a receipt counts for the customer on the day on which it
     * came, all else on the day on which it was written.
     *
     * @param receivedOn null where no money came
     */
    public static Movement of(
        LocalDate receivedOn, LocalDate writtenOn, String text, Money amount, Long settlementId) {
      return new Movement(receivedOn == null ? writtenOn : receivedOn, text, amount, settlementId);
    }
  }

  /** A movement with the balance after it. */
  public record Line(Movement movement, Money balance) {}

  /**
   * The statement of an account.
   *
   * @param all every movement of the account that there ever was, in the order in which they were
   *     written; those of one day stay in it
   */
  public static CustomerStatement of(
      CurrencyUnit currency, Collection<Movement> all, LocalDate from, LocalDate until) {
    var ordered = new ArrayList<>(all);
    ordered.sort(Comparator.comparing(Movement::on));
    var balance = Money.zero(currency);
    var opening = balance;
    var lines = new ArrayList<Line>();
    for (var movement : ordered) {
      if (movement.on().isAfter(until)) {
        break;
      }
      balance = balance.plus(movement.amount());
      if (movement.on().isBefore(from)) {
        opening = balance;
      } else {
        lines.add(new Line(movement, balance));
      }
    }
    return new CustomerStatement(from, until, opening, List.copyOf(lines), balance);
  }

  /** What was charged between the two days. */
  public Money charged() {
    return sum(true);
  }

  /** What lowered the debt between the two days, positive. */
  public Money credited() {
    return sum(false).negated();
  }

  private Money sum(boolean charges) {
    var sum = Money.zero(opening.getCurrencyUnit());
    for (var line : lines) {
      if (line.movement().amount().isPositive() == charges) {
        sum = sum.plus(line.movement().amount());
      }
    }
    return sum;
  }
}
