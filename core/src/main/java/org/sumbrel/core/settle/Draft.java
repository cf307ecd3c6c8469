package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.Receipt;

/**
 * A settlement that is not posted yet. It moves no balance.
 *
 * @param receipt what arrived
 * @param applications what it pays
 * @param adjustments what explains the difference
 * @param onAccount what stays on a customer's account, zero or positive
 * @param onAccountCustomer whose account that is
 */
public record Draft(
    Receipt receipt,
    List<Application> applications,
    List<Adjustment> adjustments,
    Money onAccount,
    Optional<String> onAccountCustomer) {

  public Draft {
    applications = List.copyOf(applications);
    adjustments = List.copyOf(adjustments);
    if (onAccount.isNegative()) {
      throw new IllegalArgumentException("on account cannot be negative: " + onAccount.getAmount());
    }
  }

  CurrencyUnit currency() {
    return receipt.amount().getCurrencyUnit();
  }

  /**
   * How the draft adds up so far.
   *
   * @throws SettlementRefused where an item is in another currency than the receipt
   */
  public Tally tally() {
    requireOneCurrency();
    var applied = MoneySum.of(currency(), applications, Application::amount);
    var discount = MoneySum.of(currency(), applications, Application::discount);
    var kept = MoneySum.of(currency(), adjustments, Adjustment::amount);
    var explained = applied.minus(discount).minus(kept).plus(onAccount);
    return new Tally(
        receipt.amount(), applied, discount, kept, onAccount, receipt.amount().minus(explained));
  }

  /**
   * The settlement this draft becomes when it is posted.
   *
   * @throws SettlementRefused with the figures, where a money rule or the policy is against it
   */
  public Settlement settle(Policy policy) {
    var tally = tally();
    requireItemsFit();
    requireDiscountsEarned(policy);
    for (var adjustment : adjustments) {
      if (adjustment instanceof SmallWriteOff writeOff) {
        requireWithinTolerance(writeOff, tally, policy);
      }
    }
    if (applications.isEmpty() && onAccount.isZero()) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.NOTHING_EXPLAINED,
          "Nothing of the "
              + MoneyText.grouped(receipt.amount())
              + " is applied or kept on account yet.");
    }
    if (onAccount.isPositive() && onAccountCustomer.isEmpty()) {
      throw SettlementRefused.plain(
          SettlementRefused.Code.NO_CUSTOMER,
          "To keep " + MoneyText.grouped(onAccount) + " on account, say on whose account.");
    }
    if (!tally.left().isZero()) {
      throw SettlementRefused.unbalanced(tally);
    }
    return new Settlement(receipt, applications, adjustments, onAccount, onAccountCustomer);
  }

  private void requireOneCurrency() {
    for (var application : applications) {
      if (!application.amount().getCurrencyUnit().equals(currency())
          || !application.item().open().getCurrencyUnit().equals(currency())) {
        throw SettlementRefused.plain(
            SettlementRefused.Code.WRONG_CURRENCY,
            application.item().number()
                + " is in "
                + application.item().open().getCurrencyUnit()
                + ", the receipt in "
                + currency()
                + ".");
      }
    }
  }

  private void requireItemsFit() {
    var seen = new HashSet<String>();
    for (var application : applications) {
      var item = application.item();
      if (!item.companyId().equals(receipt.companyId())) {
        throw SettlementRefused.plain(
            SettlementRefused.Code.FOREIGN_COMPANY,
            item.number() + " is owed to another company than the one that received the money.");
      }
      if (!seen.add(item.id())) {
        throw SettlementRefused.plain(
            SettlementRefused.Code.TWICE_IN_DRAFT, item.number() + " stands twice in the draft.");
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

  private void requireDiscountsEarned(Policy policy) {
    for (var application : applications) {
      if (application.discount().isZero()) {
        continue;
      }
      var earned = earned(application, policy);
      if (application.discount().isNegative() || application.discount().isGreaterThan(earned)) {
        throw new SettlementRefused(
            SettlementRefused.Code.DISCOUNT_NOT_EARNED,
            "A discount of "
                + MoneyText.grouped(application.discount())
                + " on "
                + application.item().number()
                + " is not earned; by "
                + DayText.of(receipt.receivedOn())
                + " it is "
                + MoneyText.grouped(earned)
                + ".",
            Map.of("discount", application.discount(), "earned", earned));
      }
    }
  }

  private void requireWithinTolerance(SmallWriteOff writeOff, Tally tally, Policy policy) {
    var refusal = policy.smallDifference().refusal(writeOff.amount(), tally.applied());
    if (!refusal.isEmpty()) {
      throw new SettlementRefused(
          SettlementRefused.Code.BEYOND_TOLERANCE,
          MoneyText.grouped(writeOff.amount().abs()) + " cannot be written off: " + refusal + ".",
          Map.of("amount", writeOff.amount()));
    }
  }

  private Money earned(Application application, Policy policy) {
    return application.item() instanceof Invoice invoice
        ? invoice.discountEarned(
            application.amount(), receipt.receivedOn(), policy.discountGraceDays())
        : Money.zero(currency());
  }

  /** The discounts that are earned by the receipt's date and not taken yet, together. */
  Money discountStillEarned(Policy policy) {
    return MoneySum.of(
        currency(),
        applications,
        a -> a.discount().isZero() ? earned(a, policy) : Money.zero(currency()));
  }

  /** The same draft with every earned discount taken. */
  Draft takingDiscounts(Policy policy) {
    var taken = new ArrayList<Application>();
    for (var application : applications) {
      taken.add(
          application.discount().isZero()
              ? new Application(
                  application.item(), application.amount(), earned(application, policy))
              : application);
    }
    return new Draft(receipt, taken, adjustments, onAccount, onAccountCustomer);
  }

  /** The same draft with one more adjustment. */
  Draft adjustedBy(Adjustment adjustment) {
    var more = new ArrayList<>(adjustments);
    more.add(adjustment);
    return new Draft(receipt, applications, more, onAccount, onAccountCustomer);
  }

  /** The same draft with more kept on account. */
  Draft keepingOnAccount(Money more) {
    return new Draft(receipt, applications, adjustments, onAccount.plus(more), onAccountCustomer);
  }

  /** The same draft with its last invoice paid {@code shortage} less. */
  Draft leavingOwing(Money shortage) {
    var fewer = new ArrayList<>(applications);
    var at = lastInvoice().orElseThrow();
    var application = applications.get(at);
    fewer.set(
        at,
        new Application(
            application.item(), application.amount().minus(shortage), application.discount()));
    return new Draft(receipt, fewer, adjustments, onAccount, onAccountCustomer);
  }

  /** Where the invoice stands that was added last. */
  Optional<Integer> lastInvoice() {
    for (var i = applications.size() - 1; i >= 0; i--) {
      if (applications.get(i).item() instanceof Invoice) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }
}
