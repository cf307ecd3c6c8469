package org.sumbrel.core.deposit;

import java.util.Map;
import org.joda.money.Money;

/** A deposit that cannot be made or tied, with the sentence for the clerk and the figures. */
public final class DepositRefused extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /** Why, in a form that does not change with the wording. */
  public enum Code {
    EMPTY,
    NOTHING_TO_BANK,
    WRONG_CURRENCY,
    TWICE,
    MIXED,
    POST_DATED,
    MORE_CASH_THAN_THERE_IS,
    COUNT_DIFFERS,
    SLIP_DIFFERS,
    NOT_ABOVE_ZERO,
    NOT_YET,
    DOES_NOT_AGREE,
    TAX_NOT_CONTAINED
  }

  private final Code code;
  private final transient Map<String, Money> figures;

  DepositRefused(Code code, String sentence, Map<String, Money> figures) {
    super(sentence);
    this.code = code;
    this.figures = Map.copyOf(figures);
  }

  public Code code() {
    return code;
  }

  /** The amounts that the sentence speaks of, by what they are. */
  public Map<String, Money> figures() {
    return figures;
  }
}
