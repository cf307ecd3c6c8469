package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyShare;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.OnAccount;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.RefundDue;
import org.sumbrel.core.settle.SettlementRefused.Code;

/**
 * The posted result for one receipt: {@code receipt = Σ (application − discount) − Σ adjustments +
 * on account}, to the cent. Only {@link Draft#settle} makes one.
 */
public final class Settlement {

  private final Receipt receipt;
  private final List<Application> applications;
  private final List<Adjustment> adjustments;
  private final Money onAccount;
  private final Optional<String> onAccountCustomer;
  private final List<Exchanged> exchanges;

  Settlement(
      Receipt receipt,
      List<Application> applications,
      List<Adjustment> adjustments,
      Money onAccount,
      Optional<String> onAccountCustomer,
      List<Exchanged> exchanges) {
    this.exchanges = exchanges;
    this.receipt = receipt;
    this.applications = applications;
    this.adjustments = adjustments;
    this.onAccount = onAccount;
    this.onAccountCustomer = onAccountCustomer;
  }

  /**
   * A settlement as it was posted, read back from where it is kept.
   *
   * @throws IllegalArgumentException where it does not add up, so that damage is noticed before it
   *     spreads
   */
  public static Settlement readBack(Draft posted) {
    for (var part : posted.parts()) {
      var left = part.tally().left();
      if (!left.isZero()) {
        throw new IllegalArgumentException(
            "the settlement of " + posted.receipt().amount() + " is off by " + left);
      }
    }
    return new Settlement(
        posted.receipt(),
        posted.applications(),
        posted.adjustments(),
        posted.onAccount(),
        posted.onAccountCustomer(),
        posted.exchanges());
  }

  /** The settlement by companies and currencies, as the draft was. */
  public List<Draft> parts() {
    return again().parts();
  }

  public Receipt receipt() {
    return receipt;
  }

  public List<Application> applications() {
    return applications;
  }

  public List<Adjustment> adjustments() {
    return adjustments;
  }

  /** What stays on {@link #onAccountCustomer()}'s account, zero or positive. */
  public Money onAccount() {
    return onAccount;
  }

  public Optional<String> onAccountCustomer() {
    return onAccountCustomer;
  }

  /** What of the receipt counts elsewhere. */
  public List<Exchanged> exchanges() {
    return exchanges;
  }

  /** The items as they stand once this is posted. */
  public List<OpenItem> itemsAfter() {
    var after = new ArrayList<OpenItem>();
    for (var application : applications) {
      after.add(application.item().withOpen(application.item().open().minus(application.amount())));
    }
    return after;
  }

  /**
   * The items that posting makes: money kept on account, claims, refunds that are due. They have no
   * id yet.
   *
   * @param number the number of the nth of them, by its prefix
   */
  public List<OpenItem> itemsMade(UnaryOperator<String> number) {
    var made = new ArrayList<OpenItem>();
    var company = receipt.companyId();
    var on = receipt.receivedOn();
    if (!onAccount.isZero()) {
      var kept = onAccount.negated();
      made.add(
          new OnAccount(
              "new", company, onAccountCustomer.orElseThrow(), number.apply("OA"), on, kept, kept));
    }
    for (var adjustment : adjustments) {
      var whose = adjustment instanceof OfCompany of ? of.companyId() : company;
      var bare = OfCompany.bare(adjustment);
      if (bare instanceof ClaimRaised claim) {
        made.add(
            new Claim(
                "new",
                whose,
                claim.customerId(),
                number.apply("CL"),
                on,
                claim.amount(),
                claim.amount(),
                claim.reason()));
      } else if (bare instanceof RefundPromised refund) {
        made.add(
            new RefundDue(
                "new",
                whose,
                refund.customerId(),
                number.apply("RF"),
                on,
                refund.amount(),
                refund.amount()));
      }
    }
    return made;
  }

  /**
   * What is to be posted in place of this so that one item is as it was before: the same without
   * it, and the money that it took stays on a customer's account.
   *
   * @param customerId on whose account, where nothing of this was kept on one yet
   * @throws SettlementRefused where the item was a credit whose amount the rest needs, or is
   *     another company's, whose customer has no account where the money is
   */
  public Draft without(String itemId, String customerId) {
    var taken =
        applications.stream()
            .filter(a -> a.item().id().equals(itemId))
            .findFirst()
            .orElseThrow(
                () -> new IllegalArgumentException("item " + itemId + " is not in the settlement"));
    if (onAccount.isZero() && !taken.item().companyId().equals(receipt.companyId())) {
      throw SettlementRefused.plain(
          Code.NO_CUSTOMER,
          taken.item().number()
              + " is another company's: nobody has an account here on which its money could stay;"
              + " reverse and redo the whole instead.");
    }
    var kept = onAccount.plus(ofReceipt(taken));
    if (kept.isNegative()) {
      throw new SettlementRefused(
          Code.UNBALANCED,
          "Without "
              + taken.item().number()
              + " the rest takes "
              + MoneyText.grouped(kept.abs())
              + " more than was received; reverse and redo the whole instead.",
          Map.of("short", kept.abs()));
    }
    return new Draft(
        receipt,
        applications.stream().filter(a -> !a.item().id().equals(itemId)).toList(),
        adjustmentsWithout(taken),
        kept,
        onAccount.isZero() ? Optional.of(customerId) : onAccountCustomer,
        exchangesWithout(taken));
  }

  private Optional<Exchanged> exchangeOf(Application taken) {
    return exchanges.stream().filter(e -> e.place().equals(taken.place())).findFirst();
  }

  /** What of the receipt an application takes up; of what counts otherwise its share. */
  private Money ofReceipt(Application taken) {
    return exchangeOf(taken)
        .map(e -> alone(taken) ? e.given() : share(e, taken))
        .orElse(taken.taken());
  }

  /** Whether nothing else is settled where it is. */
  private boolean alone(Application taken) {
    return applications.stream().noneMatch(a -> a != taken && a.place().equals(taken.place()));
  }

  private static Money share(Exchanged exchange, Application taken) {
    return MoneyShare.of(exchange.given(), taken.taken(), exchange.counted());
  }

  private List<Exchanged> exchangesWithout(Application taken) {
    var left = new ArrayList<>(exchanges);
    exchangeOf(taken)
        .ifPresent(
            e -> {
              left.remove(e);
              if (!alone(taken)) {
                left.add(
                    new Exchanged(
                        e.companyId(),
                        e.given().minus(share(e, taken)),
                        e.counted().minus(taken.taken()),
                        e.reference()));
              }
            });
    return left;
  }

  /** Differences where nothing is settled any more go with the item. */
  private List<Adjustment> adjustmentsWithout(Application taken) {
    var goes = exchangeOf(taken).isPresent() && alone(taken);
    var draft = again();
    return adjustments.stream()
        .filter(a -> !goes || !draft.placeOf(a).equals(taken.place()))
        .toList();
  }

  /**
   * What is to be posted in place of this where the money is another customer's: all of it stays on
   * his account. What a bank or a processor kept was kept whoever paid; all other differences were
   * those of the first customer and go.
   */
  public Draft movedTo(String customerId) {
    var unit = receipt.amount().getCurrencyUnit();
    var fees =
        adjustments.stream()
            .filter(a -> a instanceof FeeWithheld && a.amount().getCurrencyUnit().equals(unit))
            .toList();
    var kept = MoneySum.of(unit, fees, Adjustment::amount);
    return new Draft(
        receipt, List.of(), fees, receipt.amount().plus(kept), Optional.of(customerId));
  }

  /** The same as a draft again, for whoever redoes it after a reversal. */
  public Draft again() {
    return new Draft(receipt, applications, adjustments, onAccount, onAccountCustomer, exchanges);
  }

  /**
   * The items as they stand once this is taken back, given how they stand now.
   *
   * @param now the items this settled, by id, as they stand today
   * @param made the items that posting made, as they stand today
   * @throws SettlementRefused where one of those has been used since
   */
  public List<OpenItem> itemsAfterReversal(Map<String, OpenItem> now, List<OpenItem> made) {
    for (var item : made) {
      if (!item.open().equals(item.total())) {
        var used = item.total().minus(item.open()).abs();
        throw new SettlementRefused(
            Code.ON_ACCOUNT_USED,
            MoneyText.grouped(used)
                + " of the "
                + MoneyText.grouped(item.total().abs())
                + (item instanceof OnAccount
                    ? " kept on account"
                    : " that stand as " + item.number())
                + " has been applied since; reverse that first.",
            Map.of("kept", item.total().abs(), "used", used));
      }
    }
    var after = new ArrayList<OpenItem>();
    for (var application : applications) {
      var item = now.get(application.item().id());
      var open = item.open().plus(application.amount());
      if (application.reopens()
          && open.getAmount().signum() * item.total().getAmount().signum() < 0) {
        throw new SettlementRefused(
            Code.ON_ACCOUNT_USED,
            MoneyText.grouped(open.abs())
                + " of the "
                + MoneyText.grouped(application.amount().abs())
                + " that were opened again of "
                + item.number()
                + " has been settled since; reverse that first.",
            Map.of("kept", application.amount().abs(), "used", open.abs()));
      }
      after.add(item.withOpen(open));
    }
    for (var item : made) {
      after.add(item.withOpen(Money.zero(item.open().getCurrencyUnit())));
    }
    return after;
  }
}
