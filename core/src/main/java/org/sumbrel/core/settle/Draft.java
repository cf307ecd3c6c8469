package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
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
 * @param exchanges what of the receipt counts elsewhere: in other currencies, for other companies
 *     of the group; at most once for each place
 */
public record Draft(
    Receipt receipt,
    List<Application> applications,
    List<Adjustment> adjustments,
    Money onAccount,
    Optional<String> onAccountCustomer,
    List<Exchanged> exchanges) {

  public Draft {
    applications = List.copyOf(applications);
    adjustments = List.copyOf(adjustments);
    exchanges = List.copyOf(exchanges);
    var places =
        new HashSet<Place>(
            Set.of(new Place(receipt.companyId(), receipt.amount().getCurrencyUnit())));
    for (var exchange : exchanges) {
      if (!places.add(exchange.place())
          || !exchange.given().getCurrencyUnit().equals(receipt.amount().getCurrencyUnit())) {
        throw new IllegalArgumentException(
            "each other place counts once, for money of the receipt: " + exchange);
      }
    }
    if (onAccount.isNegative()) {
      throw new IllegalArgumentException("on account cannot be negative: " + onAccount.getAmount());
    }
  }

  /** A draft in the receipt's currency alone. */
  public Draft(
      Receipt receipt,
      List<Application> applications,
      List<Adjustment> adjustments,
      Money onAccount,
      Optional<String> onAccountCustomer) {
    this(receipt, applications, adjustments, onAccount, onAccountCustomer, List.of());
  }

  /** The currency of the receipt. */
  public CurrencyUnit currency() {
    return receipt.amount().getCurrencyUnit();
  }

  /** Where the receipt itself counts. */
  public Place place() {
    return new Place(receipt.companyId(), currency());
  }

  /**
   * The draft by companies and currencies: each in one of both alone, with what counts there as
   * what was received. The receipt's own comes first and names what counts elsewhere.
   *
   * @throws SettlementRefused where something is in a place in which nothing counts
   */
  public List<Draft> parts() {
    DraftRules.of(this).requireCounting();
    if (exchanges.isEmpty()) {
      return List.of(this);
    }
    var parts = new ArrayList<Draft>();
    parts.add(
        new Draft(
            receipt,
            applicationsIn(place()),
            adjustmentsIn(place()),
            onAccount,
            onAccountCustomer,
            exchanges));
    exchanges.forEach(e -> parts.add(counting(e.companyId(), e.counted())));
    return parts;
  }

  /** The part in another place, as if so much of it had been received there. */
  Draft counting(String companyId, Money received) {
    var there = new Place(companyId, received.getCurrencyUnit());
    return new Draft(
        receipt.of(companyId, received),
        applicationsIn(there),
        adjustmentsIn(there),
        Money.zero(there.currency()),
        onAccountCustomer);
  }

  private List<Application> applicationsIn(Place where) {
    return applications.stream().filter(a -> a.place().equals(where)).toList();
  }

  private List<Adjustment> adjustmentsIn(Place where) {
    return adjustments.stream().filter(a -> placeOf(a).equals(where)).map(OfCompany::bare).toList();
  }

  /** Where a difference counts. */
  Place placeOf(Adjustment adjustment) {
    return new Place(
        adjustment instanceof OfCompany of ? of.companyId() : receipt.companyId(),
        adjustment.amount().getCurrencyUnit());
  }

  /** What is applied in the receipt's own currency and company. */
  List<Application> ownApplications() {
    return applicationsIn(place());
  }

  /**
   * How the draft adds up so far in the receipt's currency.
   *
   * @throws SettlementRefused where something is in a place in which nothing counts
   */
  public Tally tally() {
    DraftRules.of(this).requireCounting();
    var own = ownApplications();
    var applied = MoneySum.of(currency(), own, Application::amount);
    var discount = MoneySum.of(currency(), own, Application::discount);
    var exchanged = givenIn(true);
    var forOthers = givenIn(false);
    var kept = sum(a -> !(a instanceof RefundPromised) && !(a instanceof ToAccount));
    var refund = sum(a -> a instanceof RefundPromised).negated();
    var toAccounts = sum(a -> a instanceof ToAccount).negated();
    var explained =
        applied
            .minus(discount)
            .minus(kept)
            .plus(onAccount)
            .plus(refund)
            .plus(toAccounts)
            .plus(exchanged)
            .plus(forOthers);
    return new Tally(
        receipt.amount(),
        applied,
        discount,
        kept,
        onAccount,
        refund,
        toAccounts,
        exchanged,
        forOthers,
        receipt.amount().minus(explained));
  }

  /** What of the receipt counts in other currencies, or in its own for other companies. */
  private Money givenIn(boolean otherCurrencies) {
    return MoneySum.of(
        currency(),
        exchanges.stream().filter(e -> e.reference().isPresent() == otherCurrencies).toList(),
        Exchanged::given);
  }

  /** The adjustments of some kinds in the receipt's currency, together. */
  Money sum(Predicate<Adjustment> which) {
    return MoneySum.of(
        currency(), adjustmentsIn(place()).stream().filter(which).toList(), Adjustment::amount);
  }

  /** What goes to a customer, in one currency. */
  public record Share(String customerId, Money taken) {}

  /**
   * What goes to each customer in each currency, in the order of the applications: for a parent
   * that pays for its branches, or cheques that were banked together.
   */
  public List<Share> byCustomer() {
    var totals = new LinkedHashMap<String, Map<CurrencyUnit, Money>>();
    for (var application : applications) {
      add(totals, application.item().customerId(), application.taken());
    }
    if (onAccount.isPositive()) {
      onAccountCustomer.ifPresent(c -> add(totals, c, onAccount));
    }
    return totals.entrySet().stream()
        .flatMap(of -> of.getValue().values().stream().map(sum -> new Share(of.getKey(), sum)))
        .toList();
  }

  private static void add(
      Map<String, Map<CurrencyUnit, Money>> totals, String customer, Money amount) {
    totals
        .computeIfAbsent(customer, c -> new LinkedHashMap<>())
        .merge(amount.getCurrencyUnit(), amount, Money::plus);
  }

  /** The settlement of a draft in one currency, of one company. */
  public Settlement settle(Policy policy, Authority authority) {
    return settle(
        where -> {
          if (!where.equals(place())) {
            throw new IllegalArgumentException("a policy of " + place() + " is none of " + where);
          }
          return policy;
        },
        authority);
  }

  /**
   * The settlement this draft becomes when it is posted.
   *
   * @param authority on whose say
   * @throws SettlementRefused with the figures, where a money rule or the policy is against it;
   *     with {@link SettlementRefused.Code#NEEDS_APPROVAL} where only the clerk's own limit is
   */
  public Settlement settle(Policies policies, Authority authority) {
    DraftRules.of(this).require(policies, authority);
    return settled();
  }

  /**
   * The settlement this draft becomes where a processor's own statement proves every amount of it:
   * no limit is held against what the statement says. An application against an item's sign opens
   * it again, no further than its total.
   *
   * @throws SettlementRefused with the figures, where a money rule is against it
   */
  public Settlement settleAsReported() {
    DraftRules.of(this).requireReported();
    return settled();
  }

  private Settlement settled() {
    return new Settlement(
        receipt, applications, adjustments, onAccount, onAccountCustomer, exchanges);
  }

  /** Whether something of the receipt counts in a place. */
  boolean counts(Place where) {
    return where.equals(place()) || exchanges.stream().anyMatch(e -> e.place().equals(where));
  }

  /** The discount that is earned on an application by the receipt's date. */
  Money earned(Application application, Policy policy) {
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

  /**
   * The discounts that the terms of the invoices grant but that came too late, and that are not
   * taken yet, together.
   */
  Money discountTooLate(Policy policy) {
    return MoneySum.of(
        currency(),
        applications,
        a ->
            a.item() instanceof Invoice invoice
                    && a.discount().isZero()
                    && earned(a, policy).isZero()
                ? invoice.discountEarned(a.amount(), invoice.issuedOn(), 0)
                : Money.zero(currency()));
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
    return new Draft(receipt, taken, adjustments, onAccount, onAccountCustomer, exchanges);
  }

  /** The same draft with one more adjustment. */
  public Draft adjustedBy(Adjustment adjustment) {
    var more = new ArrayList<>(adjustments);
    more.add(adjustment);
    return new Draft(receipt, applications, more, onAccount, onAccountCustomer, exchanges);
  }

  /** The same draft with what counts in one other place as it is there. */
  Draft exchanging(Exchanged changed) {
    return new Draft(
        receipt,
        applications,
        adjustments,
        onAccount,
        onAccountCustomer,
        exchanges.stream().map(e -> e.place().equals(changed.place()) ? changed : e).toList());
  }

  /**
   * The same draft after something was done in one of its parts.
   *
   * @param before the part as it was
   * @param after the part as it is, with the same items and perhaps more adjustments behind
   */
  Draft with(Draft before, Draft after) {
    var changed = new ArrayList<>(applications);
    for (var application : after.applications()) {
      changed.replaceAll(a -> a.item().id().equals(application.item().id()) ? application : a);
    }
    var more = new ArrayList<>(adjustments);
    var there = after.receipt().companyId();
    after
        .adjustments()
        .subList(before.adjustments().size(), after.adjustments().size())
        .forEach(a -> more.add(there.equals(receipt.companyId()) ? a : new OfCompany(there, a)));
    return new Draft(
        receipt,
        changed,
        more,
        after.place().equals(place()) ? after.onAccount() : onAccount,
        onAccountCustomer,
        exchanges);
  }

  /** The same draft with more kept on account. */
  Draft keepingOnAccount(Money more) {
    return new Draft(
        receipt, applications, adjustments, onAccount.plus(more), onAccountCustomer, exchanges);
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
    return new Draft(receipt, fewer, adjustments, onAccount, onAccountCustomer, exchanges);
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

  /** Who owes what was held back: the customer of the invoice that was added last. */
  Optional<String> debtor() {
    return lastInvoice().map(at -> applications.get(at).item().customerId());
  }
}
