package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;

/**
 * One way to treat what is left of a draft.
 *
 * @param kind what would be done
 * @param amount how much it would explain, positive
 * @param refusal why it is not allowed, as a sentence; empty where it is
 */
public record RemainderOption(Kind kind, Money amount, String refusal) {

  /** What can be done with a remainder. */
  public enum Kind {
    TAKE_DISCOUNT,
    BANK_FEE,
    PROCESSING_FEE,
    WRITE_OFF,
    LEAVE_OWING,
    KEEP_ON_ACCOUNT
  }

  public boolean allowed() {
    return refusal.isEmpty();
  }

  /**
   * The ways to treat what is left of {@code draft}, in the order in which they are usual; none
   * where nothing is.
   */
  public static List<RemainderOption> of(Draft draft, Policy policy) {
    var tally = draft.tally();
    if (tally.left().isZero()) {
      return List.of();
    }
    return tally.left().isNegative()
        ? forShortage(draft, tally, policy)
        : forSurplus(draft, tally, policy);
  }

  private static List<RemainderOption> forShortage(Draft draft, Tally tally, Policy policy) {
    var shortage = tally.left().negated();
    var options = new ArrayList<RemainderOption>();
    var discount = draft.discountStillEarned(policy);
    if (discount.isPositive()) {
      options.add(
          new RemainderOption(
              Kind.TAKE_DISCOUNT,
              discount,
              discount.isGreaterThan(shortage)
                  ? "the discount is more than the "
                      + MoneyText.grouped(shortage)
                      + " that is missing"
                  : ""));
    }
    var noInvoice = draft.lastInvoice().isEmpty() ? "no invoice is in the draft" : "";
    options.add(new RemainderOption(Kind.BANK_FEE, shortage, noInvoice));
    options.add(new RemainderOption(Kind.PROCESSING_FEE, shortage, noInvoice));
    options.add(
        new RemainderOption(
            Kind.WRITE_OFF, shortage, policy.smallDifference().refusal(shortage, tally.applied())));
    options.add(new RemainderOption(Kind.LEAVE_OWING, shortage, whyNotOwing(draft, shortage)));
    return options;
  }

  private static String whyNotOwing(Draft draft, Money shortage) {
    return draft
        .lastInvoice()
        .map(draft.applications()::get)
        .map(
            last ->
                last.taken().isGreaterThan(shortage)
                    ? ""
                    : "only "
                        + MoneyText.grouped(last.taken())
                        + " is applied to "
                        + last.item().number())
        .orElse("no invoice is in the draft");
  }

  private static List<RemainderOption> forSurplus(Draft draft, Tally tally, Policy policy) {
    var surplus = tally.left();
    return List.of(
        new RemainderOption(
            Kind.KEEP_ON_ACCOUNT,
            surplus,
            draft.onAccountCustomer().isEmpty() ? "say first on whose account" : ""),
        new RemainderOption(
            Kind.WRITE_OFF,
            surplus,
            draft.applications().isEmpty()
                ? "nothing is applied yet"
                : policy.smallDifference().refusal(surplus.negated(), tally.applied())));
  }

  /**
   * The draft after the option of this kind is taken.
   *
   * @throws SettlementRefused where the option is not there or not allowed
   */
  public static Draft taken(Draft draft, Kind kind, Policy policy) {
    var option =
        of(draft, policy).stream()
            .filter(o -> o.kind() == kind)
            .findFirst()
            .orElseGet(
                () -> new RemainderOption(kind, draft.tally().left(), "nothing is left for it"));
    if (!option.allowed()) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.BEYOND_TOLERANCE,
          "This cannot be done with "
              + MoneyText.grouped(option.amount().abs())
              + ": "
              + option.refusal()
              + ".");
    }
    var tooLittle = draft.tally().left().isNegative();
    return switch (kind) {
      case TAKE_DISCOUNT -> draft.takingDiscounts(policy);
      case BANK_FEE -> draft.adjustedBy(new FeeWithheld(option.amount(), KeptBy.BANK));
      case PROCESSING_FEE -> draft.adjustedBy(new FeeWithheld(option.amount(), KeptBy.PROCESSOR));
      case WRITE_OFF ->
          draft.adjustedBy(
              new SmallWriteOff(tooLittle ? option.amount() : option.amount().negated()));
      case LEAVE_OWING -> draft.leavingOwing(option.amount());
      case KEEP_ON_ACCOUNT -> draft.keepingOnAccount(option.amount());
    };
  }
}
