package org.sumbrel.core.find;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.sumbrel.core.receivables.PaidBy;

/** One part of a search line; what is found fits all of them. */
public sealed interface Term {

  /** Text that stands somewhere: in a name, a reference, the bank's words. In small letters. */
  record Word(String text) implements Term {}

  /** Text that stands nowhere. In small letters. */
  record Without(String text) implements Term {}

  /** A figure: an amount, whatever its sign, or a part of a reference. */
  record Figure(String text, BigDecimal amount) implements Term {}

  /**
   * An amount between two, both included, whatever its sign.
   *
   * @param from null where it has no lower end
   * @param until null where it has no upper end
   */
  record Between(BigDecimal from, BigDecimal until) implements Term {}

  /** Nothing is left out; what is nearest to the amount comes first. */
  record Near(BigDecimal amount) implements Term {}

  /**
   * A day between two, both included.
   *
   * @param from null where it has no beginning
   * @param until null where it has no end
   */
  record Days(LocalDate from, LocalDate until) implements Term {}

  /** Text in the payer's or the customer's name. In small letters. */
  record Payer(String text) implements Term {}

  /** Text in a number or a reference. In small letters. */
  record Reference(String text) implements Term {}

  /** How the money came. */
  record Paid(PaidBy by) implements Term {}
}
