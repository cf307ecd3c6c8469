package org.sumbrel.core.propose;

import org.joda.money.CurrencyUnit;
import org.sumbrel.core.receivables.OpenItem;

/**
 * A place in a text that names an item.
 *
 * @param start where it begins in the text, or -1 where the text had to be rewritten to read it
 * @param end where it ends
 * @param written as it stands in the text
 * @param weight in log-odds
 * @param mention which place of the text it is, counted from 0: one place names one item, so that
 *     hits of one mention are alternatives
 * @param stated the amount that stands behind it, in minor units without a sign; 0 where none does
 */
record ReferenceHit(
    OpenItem item,
    Form form,
    int start,
    int end,
    String written,
    double weight,
    int mention,
    long stated) {

  /** In which form the item is named. */
  enum Form {
    CREDITOR_REFERENCE("reference.creditor"),
    NUMBER("reference.exact"),
    ORDER("reference.order"),
    DIGITS("reference.digits"),
    ORDER_DIGITS("reference.digits"),
    LISTED("reference.list"),
    IN_RUN("reference.list"),
    ADVISED("reference.advice"),
    REPAIRED("reference.repaired");

    private final String code;

    Form(String code) {
      this.code = code;
    }

    /** Whether the name stands in the text as it is, rather than being read into it. */
    boolean standsThere() {
      return this == CREDITOR_REFERENCE || this == NUMBER || this == ORDER;
    }
  }

  /** Whether the item is in this currency. */
  boolean in(CurrencyUnit currency) {
    return item.open().getCurrencyUnit().equals(currency);
  }

  /** Another item that the same place may have meant before a slip. */
  ReferenceHit mistakenFor(OpenItem meant, double itsWeight) {
    return new ReferenceHit(meant, Form.REPAIRED, start, end, written, itsWeight, mention, stated);
  }

  ReferenceHit stating(long amount) {
    return new ReferenceHit(item, form, start, end, written, weight, mention, amount);
  }

  Evidence evidence() {
    var number = item.number();
    var sentence =
        switch (form) {
          case CREDITOR_REFERENCE ->
              written + " is the reference of " + number + " and its check digits hold";
          case NUMBER -> number + " stands in the text";
          case ORDER -> written + " in the text is the order of " + number;
          case DIGITS -> written + " in the text reads as " + number;
          case ORDER_DIGITS -> written + " in the text may be the order of " + number;
          case ADVISED -> "the advice lists " + number;
          case LISTED -> written + " in the list stands for " + number;
          case IN_RUN -> number + " is one of the run of numbers up to " + written;
          case REPAIRED -> written + " in the text is one slip away from " + number;
        };
    return new Evidence(form.code, sentence, weight);
  }
}
