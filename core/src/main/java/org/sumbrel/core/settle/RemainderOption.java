package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;

/**
 * One way to treat what is left of a draft.
 *
 * @param kind what would be done
 * @param amount how much it would explain, positive
 * @param refusal why it is not allowed, as a sentence with the figures; empty where it is
 * @param approval why somebody else must approve it; empty where nobody must
 * @param note what speaks for it, or empty
 */
public record RemainderOption(
    Kind kind, Money amount, String refusal, String approval, String note) {

  /** What can be done with a remainder. */
  public enum Kind {
    TAKE_DISCOUNT,
    GRANT_DISCOUNT,
    BILL_BACK_DISCOUNT,
    BANK_FEE,
    PROCESSING_FEE,
    ROUNDING,
    WRITE_OFF,
    CLAIM,
    LEAVE_OWING,
    /** The money that is left counts at another rate than the one it is held against. */
    EXCHANGE,
    KEEP_ON_ACCOUNT,
    REFUND
  }

  public boolean allowed() {
    return refusal.isEmpty();
  }

  /**
   * The ways to treat what is left of {@code draft}, in the order in which they are usual; none
   * where nothing is.
   */
  public static List<RemainderOption> of(Draft draft, Policy policy, Authority authority) {
    var tally = draft.tally();
    if (tally.left().isZero()) {
      return List.of();
    }
    var ways = new Ways(draft, tally, policy, authority);
    return tally.left().isNegative() ? ways.forShortage() : ways.forSurplus();
  }

  /**
   * The ways to treat what is left of a draft that counts in several places: each difference where
   * it belongs.
   */
  public static List<RemainderOption> of(Draft draft, Policies policies, Authority authority) {
    return draft.exchanges().isEmpty()
        ? of(draft, policies.of(draft.place()), authority)
        : new ExchangedRemainder(draft, policies, authority).options();
  }

  /** The ways for one draft. */
  private record Ways(Draft draft, Tally tally, Policy policy, Authority authority) {

    List<RemainderOption> forShortage() {
      var shortage = tally.left().negated();
      var options = new ArrayList<RemainderOption>();
      var discount = draft.discountStillEarned(policy);
      if (discount.isPositive()) {
        options.add(plain(Kind.TAKE_DISCOUNT, discount, tooMuch(discount, shortage)));
      }
      var late = draft.discountTooLate(policy);
      if (late.isPositive()) {
        var size = tooMuch(late, shortage);
        options.add(
            size.isEmpty()
                ? limited(
                    Kind.GRANT_DISCOUNT, LimitedKind.UNEARNED_DISCOUNT, late, late, "too late")
                : plain(Kind.GRANT_DISCOUNT, late, size));
        options.add(plain(Kind.BILL_BACK_DISCOUNT, late, size));
      }
      options.add(fee(Kind.BANK_FEE, shortage));
      options.add(fee(Kind.PROCESSING_FEE, shortage));
      if (shortage.isLessThan(policy.roundingStep())) {
        options.add(plain(Kind.ROUNDING, shortage, ""));
      }
      options.add(limited(Kind.WRITE_OFF, LimitedKind.WRITE_OFF, shortage, shortage, ""));
      options.add(plain(Kind.CLAIM, shortage, noDebtor()));
      options.add(plain(Kind.LEAVE_OWING, shortage, whyNotOwing(shortage)));
      return options;
    }

    List<RemainderOption> forSurplus() {
      var surplus = tally.left();
      var nobody = draft.onAccountCustomer().isEmpty() ? "say first on whose account" : "";
      var options = new ArrayList<RemainderOption>();
      options.add(plain(Kind.KEEP_ON_ACCOUNT, surplus, nobody));
      options.add(
          nobody.isEmpty()
              ? limited(Kind.REFUND, LimitedKind.REFUND, surplus, surplus.negated(), "")
              : plain(Kind.REFUND, surplus, nobody));
      if (!draft.applications().isEmpty() && surplus.isLessThan(policy.roundingStep())) {
        options.add(plain(Kind.ROUNDING, surplus, ""));
      }
      options.add(
          draft.applications().isEmpty()
              ? plain(Kind.WRITE_OFF, surplus, "nothing is applied yet")
              : limited(Kind.WRITE_OFF, LimitedKind.WRITE_OFF, surplus, surplus.negated(), ""));
      return options;
    }

    private RemainderOption plain(Kind kind, Money amount, String refusal) {
      return new RemainderOption(kind, amount, refusal, "", "");
    }

    /** An option under a limit: together with what the draft holds of the kind already. */
    private RemainderOption limited(
        Kind kind, LimitedKind limit, Money amount, Money signed, String note) {
      var all = limit.in(draft).plus(signed);
      var own = limit.refusal(all, tally, policy.limits(authority));
      if (own.isEmpty()) {
        return new RemainderOption(kind, amount, "", "", note);
      }
      var supervisors = limit.refusal(all, tally, policy.supervisor());
      return supervisors.isEmpty()
          ? new RemainderOption(kind, amount, "", own, note)
          : new RemainderOption(kind, amount, supervisors, "", note);
    }

    private RemainderOption fee(Kind kind, Money shortage) {
      if (draft.lastInvoice().isEmpty() && draft.exchanges().isEmpty()) {
        return plain(kind, shortage, "no invoice is in the draft");
      }
      return limited(kind, LimitedKind.FEE, shortage, shortage, usual(shortage));
    }

    private String usual(Money fee) {
      return policy.usualFees().stream()
          .filter(terms -> terms.of(tally.applied()).equals(fee))
          .findFirst()
          .map(
              terms ->
                  terms.percent().signum() == 0
                      ? "a usual fee"
                      : terms + " of " + MoneyText.grouped(tally.applied()))
          .orElse("");
    }

    private String noDebtor() {
      return draft.debtor().isEmpty() ? "no invoice is in the draft" : "";
    }

    private String tooMuch(Money discount, Money shortage) {
      return discount.isGreaterThan(shortage)
          ? "only " + MoneyText.grouped(shortage) + " is missing"
          : "";
    }

    private String whyNotOwing(Money shortage) {
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
  }

  /**
   * The draft after the option of this kind is taken.
   *
   * @param reason why a claim is made; any other option does without
   * @throws SettlementRefused where the option is not there or not allowed
   */
  public static Draft taken(
      Draft draft, Kind kind, Optional<ClaimReason> reason, Policy policy, Authority authority) {
    var option = allowed(of(draft, policy, authority), kind, draft);
    var amount = option.amount();
    var signed = draft.tally().left().isNegative() ? amount : amount.negated();
    return switch (kind) {
      case TAKE_DISCOUNT -> draft.takingDiscounts(policy);
      case GRANT_DISCOUNT -> draft.adjustedBy(new UnearnedDiscount(amount));
      case BILL_BACK_DISCOUNT ->
          draft.adjustedBy(claim(draft, amount, ClaimReason.UNEARNED_DISCOUNT));
      case BANK_FEE -> draft.adjustedBy(fee(amount, KeptBy.BANK, policy));
      case PROCESSING_FEE -> draft.adjustedBy(fee(amount, KeptBy.PROCESSOR, policy));
      case ROUNDING -> draft.adjustedBy(new Rounding(signed));
      case WRITE_OFF -> draft.adjustedBy(SmallWriteOff.of(signed));
      case CLAIM -> draft.adjustedBy(claim(draft, amount, reason.orElse(ClaimReason.OTHER)));
      case LEAVE_OWING -> draft.leavingOwing(amount);
      case EXCHANGE -> throw new IllegalStateException("nothing of the draft counts otherwise");
      case KEEP_ON_ACCOUNT -> draft.keepingOnAccount(amount);
      case REFUND ->
          draft.adjustedBy(
              new RefundPromised(amount.negated(), draft.onAccountCustomer().orElseThrow()));
    };
  }

  /** The draft that counts in several places after the option of this kind is taken. */
  public static Draft taken(
      Draft draft,
      Kind kind,
      Optional<ClaimReason> reason,
      Policies policies,
      Authority authority) {
    return draft.exchanges().isEmpty()
        ? taken(draft, kind, reason, policies.of(draft.place()), authority)
        : new ExchangedRemainder(draft, policies, authority).taken(kind, reason);
  }

  /** The option of a kind, where it is there and allowed. */
  static RemainderOption allowed(List<RemainderOption> options, Kind kind, Draft draft) {
    var option =
        options.stream()
            .filter(o -> o.kind() == kind)
            .findFirst()
            .orElseGet(
                () ->
                    new RemainderOption(
                        kind, draft.tally().left(), "nothing is left for it", "", ""));
    if (!option.allowed()) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.BEYOND_TOLERANCE,
          "This cannot be done with "
              + MoneyText.grouped(option.amount().abs())
              + ": "
              + option.refusal()
              + ".");
    }
    return option;
  }

  private static FeeWithheld fee(Money amount, KeptBy keptBy, Policy policy) {
    return new FeeWithheld(amount, keptBy, IncludedTax.in(amount, policy.feeTaxPercent()));
  }

  private static ClaimRaised claim(Draft draft, Money amount, ClaimReason reason) {
    return new ClaimRaised(amount, draft.debtor().orElseThrow(), reason, "");
  }
}
