package org.sumbrel.core.propose;

import org.sumbrel.core.propose.ReferenceHit.Form;

/**
 * How much each kind of evidence counts, in log-odds. These figures are judgement, not fitted: set
 * so that a payer known by name and the amount to the cent are just clear, and either alone is not.
 * Fitted ones replace them.
 */
final class Weights {

  /** That the money is for something the engine cannot see. */
  static final double NONE_OF_THESE = 3.0;

  static final double PAYER_ACCOUNT = 6.0;
  static final double PAYER_ALIAS = 6.0;
  static final double PAYER_NAME = 5.0;

  /** What a name counts less that was cut or has a slip, that is there in part, or only alike. */
  static final double NAME_CUT = 0.2;

  static final double NAME_IN_PART = 1.5;
  static final double NAME_LIKE = 2.5;
  static final double PAYER_HISTORY_MOST = 4.5;

  /** What a choice of before counts, times the logarithm of how often it was made; and at most. */
  static final double CHOICE = 1.5;

  static final double CHOICE_MOST = 3;
  static final double PAYS_FOR_CHILD = -0.5;

  /** A reference to an item of somebody whom the payer is not known to pay for. */
  static final double STRANGE_PAYER = -3.0;

  static final double AMOUNT_EXACT = 4.0;
  static final double AMOUNT_STATED = 3.8;
  static final double AMOUNT_DISCOUNTED = 3.6;
  static final double AMOUNT_LESS_FEE = 2.5;
  static final double AMOUNT_LESS_LITTLE = 1.5;
  static final double AMOUNT_OVER = -2.5;
  static final double AMOUNT_OVER_STATED = -4.0;
  static final double AMOUNT_PART = -2.5;
  static final double AMOUNT_PART_MEANT = -1.5;
  static final double AMOUNT_CLAIMED = -1.5;
  static final double AMOUNT_LATE_DISCOUNT = 2.5;
  static final double DISCOUNT_TOO = -0.7;
  static final double LATE_DISCOUNT_TOO = -1.5;
  static final double OLDEST_FIRST = 3.5;
  static final double WHOLE_ACCOUNT = 0.5;
  static final double ON_ACCOUNT_ONLY = -3.5;
  static final double PAID_TWICE = 2.0;
  static final double SETTLED_NAMED = -1.0;
  static final double PAID_AHEAD = -2.5;
  static final double SETTLED_TWIN = -0.5;

  /** What the payer himself says in an advice goes before all that is read into a text. */
  static final double ADVISED = 40.0;

  /** What he says of the whole amount, in log-odds of being right; judgement. */
  static final double ADVISED_WHOLE_ODDS = 7.0;

  /** The same where it explains the amount in part, or with a difference. */
  static final double ADVISED_PART_ODDS = 1.5;

  static final double EACH_MORE_ITEM = -0.7;
  static final double EACH_LATER_ITEM = -0.05;
  static final double EACH_LATER_IN_SET = -0.01;
  static final double DISCOUNT_IN_SET = -0.1;
  static final double REFERENCE_UNUSED = -3.0;
  static final double SETTLED_UNUSED = -5.0;
  static final double SETTLED_OTHER_UNUSED = -2.0;
  static final double REFERENCES_MOST = 10.0;
  static final double EACH_MORE_REFERENCE = 1.5;

  private Weights() {}

  static double of(Form form, int length) {
    return switch (form) {
      case CREDITOR_REFERENCE -> 9.0;
      case ADVISED -> 8.0;
      case NUMBER -> 7.0;
      case ORDER -> 5.5;
      case DIGITS, ORDER_DIGITS -> 4.5;
      case LISTED, IN_RUN -> 4.0;
      case REPAIRED -> length <= 5 ? 2.0 : 3.5;
    };
  }
}
