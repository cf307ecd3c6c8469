package org.sumbrel.core.settle;

import java.util.HashSet;
import java.util.Map;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;

/** What a draft must fulfil before it is posted. */
record DraftRules(Draft draft) {

  static DraftRules of(Draft draft) {
    return new DraftRules(draft);
  }

  /**
   * All rules and the limits of whoever posts it.
   *
   * @throws SettlementRefused with the figures
   */
  void require(Policies policies, Authority authority) {
    var parts = draft.parts();
    requireItemsFit(false);
    parts.forEach(part -> requireDiscountsEarned(part, policies.of(part.place())));
    requireSomething();
    if (draft.onAccount().isPositive() && draft.onAccountCustomer().isEmpty()) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.NO_CUSTOMER,
          "To keep " + MoneyText.grouped(draft.onAccount()) + " on account, say on whose account.");
    }
    parts.forEach(DraftRules::requireBalanced);
    for (var part : parts) {
      var policy = policies.of(part.place());
      requireRoundingSmall(part, policy);
      requireWithinLimits(part, policy, authority);
    }
  }

  /** The money rules alone, where a statement proves every amount. */
  void requireReported() {
    var parts = draft.parts();
    requireItemsFit(true);
    requireSomething();
    parts.forEach(DraftRules::requireBalanced);
  }

  private static void requireBalanced(Draft part) {
    var tally = part.tally();
    if (!tally.left().isZero()) {
      throw SettlementRefused.unbalanced(tally);
    }
  }

  private void requireSomething() {
    var explainsAlone =
        draft.adjustments().stream()
            .anyMatch(a -> a instanceof ToAccount || a instanceof RefundPromised);
    if (draft.applications().isEmpty() && draft.onAccount().isZero() && !explainsAlone) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.NOTHING_EXPLAINED,
          draft.receipt().amount().isZero()
              ? "Nothing is applied yet."
              : "Nothing of the "
                  + MoneyText.grouped(draft.receipt().amount())
                  + " is applied or kept on account yet.");
    }
  }

  private static void requireRoundingSmall(Draft part, Policy policy) {
    var rounded = part.sum(a -> a instanceof Rounding);
    if (!rounded.isZero() && !rounded.abs().isLessThan(policy.roundingStep())) {
      throw new SettlementRefused(
          SettlementRefused.Code.ROUNDING_TOO_LARGE,
          MoneyText.grouped(rounded.abs())
              + " is no rounding: the smallest coin is "
              + MoneyText.grouped(policy.roundingStep())
              + ".",
          Map.of("amount", rounded, "step", policy.roundingStep()));
    }
  }

  private static void requireWithinLimits(Draft part, Policy policy, Authority authority) {
    var tally = part.tally();
    for (var kind : LimitedKind.values()) {
      var amount = kind.in(part);
      if (amount.isZero()) {
        continue;
      }
      var own = kind.refusal(amount, tally, policy.limits(authority));
      if (!own.isEmpty()) {
        throw SettlementRefused.beyondLimit(
            kind, amount, own, kind.refusal(amount, tally, policy.supervisor()).isEmpty());
      }
    }
  }

  /** That everything is in a place in which something of the receipt counts. */
  void requireCounting() {
    for (var application : draft.applications()) {
      var item = application.item();
      if (!application.amount().getCurrencyUnit().equals(item.open().getCurrencyUnit())) {
        throw SettlementRefused.plain(
            SettlementRefused.Code.WRONG_CURRENCY,
            item.number()
                + " is in "
                + item.open().getCurrencyUnit()
                + ", not in what was applied.");
      }
      if (!draft.counts(application.place())) {
        requireOwn(item);
        throw SettlementRefused.plain(
            SettlementRefused.Code.WRONG_CURRENCY,
            item.number()
                + " is in "
                + item.open().getCurrencyUnit()
                + ", the receipt in "
                + draft.currency()
                + ", and it is not said what counts there.");
      }
    }
    for (var adjustment : draft.adjustments()) {
      if (!draft.counts(draft.placeOf(adjustment))) {
        throw SettlementRefused.plain(
            SettlementRefused.Code.WRONG_CURRENCY,
            MoneyText.grouped(adjustment.amount())
                + " is in "
                + adjustment.amount().getCurrencyUnit()
                + ", in which nothing counts.");
      }
    }
  }

  private void requireOwn(OpenItem item) {
    if (!item.companyId().equals(draft.receipt().companyId())) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.FOREIGN_COMPANY,
          item.number()
              + " is owed to another company than the one that received the money, and it is not"
              + " said what counts there.");
    }
  }

  private void requireItemsFit(boolean reported) {
    var seen = new HashSet<String>();
    for (var application : draft.applications()) {
      var item = application.item();
      if (!seen.add(item.id())) {
        throw SettlementRefused.plain(
            SettlementRefused.Code.TWICE_IN_DRAFT, item.number() + " stands twice in the draft.");
      }
      if (reported && application.reopens()) {
        if (item.open().minus(application.amount()).abs().isGreaterThan(item.total().abs())) {
          throw SettlementRefused.reopenedTooFar(application);
        }
        continue;
      }
      if (item.settled()) {
        throw SettlementRefused.alreadySettled(application);
      }
      var sameSign = application.amount().getAmount().signum() == item.open().getAmount().signum();
      if (!sameSign || application.amount().abs().isGreaterThan(item.open().abs())) {
        throw SettlementRefused.overApplied(application);
      }
    }
  }

  private static void requireDiscountsEarned(Draft part, Policy policy) {
    for (var application : part.applications()) {
      if (application.discount().isZero()) {
        continue;
      }
      var earned = part.earned(application, policy);
      if (application.discount().isNegative() || application.discount().isGreaterThan(earned)) {
        throw new SettlementRefused(
            SettlementRefused.Code.DISCOUNT_NOT_EARNED,
            "A discount of "
                + MoneyText.grouped(application.discount())
                + " on "
                + application.item().number()
                + " is not earned; by "
                + DayText.of(part.receipt().receivedOn())
                + " it is "
                + MoneyText.grouped(earned)
                + ".",
            Map.of("discount", application.discount(), "earned", earned));
      }
    }
  }
}
