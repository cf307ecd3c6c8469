package org.sumbrel.core.settle;

import java.util.LinkedHashMap;
import java.util.Map;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/** A draft that cannot be posted, with the sentence for the clerk and the figures behind it. */
public final class SettlementRefused extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /** Why, in a form that does not change with the wording. */
  public enum Code {
    UNBALANCED,
    OVER_APPLIED,
    ALREADY_SETTLED,
    FOREIGN_COMPANY,
    WRONG_CURRENCY,
    TWICE_IN_DRAFT,
    DISCOUNT_NOT_EARNED,
    BEYOND_TOLERANCE,
    NEEDS_APPROVAL,
    ROUNDING_TOO_LARGE,
    NO_CUSTOMER,
    NOTHING_EXPLAINED,
    ON_ACCOUNT_USED
  }

  private final Code code;
  private final transient Map<String, Money> figures;

  SettlementRefused(Code code, String sentence, Map<String, Money> figures) {
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

  static SettlementRefused unbalanced(Tally tally) {
    var figures = new LinkedHashMap<String, Money>();
    figures.put("received", tally.received());
    figures.put("explained", tally.received().minus(tally.left()));
    figures.put("left", tally.left());
    var explained = MoneyText.grouped(tally.received().minus(tally.left()));
    var gap = MoneyText.grouped(tally.left().abs());
    return new SettlementRefused(
        Code.UNBALANCED,
        "Received "
            + MoneyText.grouped(tally.received())
            + ", but the draft explains "
            + explained
            + ": "
            + gap
            + (tally.left().isPositive() ? " is left." : " is more than received."),
        figures);
  }

  static SettlementRefused overApplied(Application application) {
    return new SettlementRefused(
        Code.OVER_APPLIED,
        application.item().number()
            + " has "
            + MoneyText.grouped(application.item().open())
            + " open; "
            + MoneyText.grouped(application.amount())
            + " cannot be applied to it.",
        Map.of("open", application.item().open(), "amount", application.amount()));
  }

  static SettlementRefused reopenedTooFar(Application application) {
    var item = application.item();
    var settled = item.total().minus(item.open());
    return new SettlementRefused(
        Code.OVER_APPLIED,
        "Of "
            + item.number()
            + " "
            + MoneyText.grouped(settled)
            + " are settled; "
            + MoneyText.grouped(application.amount().abs())
            + " of it cannot be opened again.",
        Map.of("settled", settled, "amount", application.amount()));
  }

  static SettlementRefused alreadySettled(Application application) {
    return new SettlementRefused(
        Code.ALREADY_SETTLED,
        application.item().number()
            + " of "
            + MoneyText.grouped(application.item().total())
            + " is settled already; nothing of it is open.",
        Map.of("total", application.item().total(), "amount", application.amount()));
  }

  static SettlementRefused beyondLimit(
      LimitedKind kind, Money amount, String refusal, boolean approvable) {
    var what = MoneyText.grouped(amount.abs()) + " cannot be " + kind.done();
    return new SettlementRefused(
        approvable ? Code.NEEDS_APPROVAL : Code.BEYOND_TOLERANCE,
        approvable
            ? what + " without a supervisor: for you " + refusal + "."
            : what + ": " + refusal + ".",
        Map.of("amount", amount));
  }

  static SettlementRefused plain(Code code, String sentence) {
    return new SettlementRefused(code, sentence, Map.of());
  }
}
