package org.sumbrel.core.settle;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
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

  Settlement(
      Receipt receipt,
      List<Application> applications,
      List<Adjustment> adjustments,
      Money onAccount,
      Optional<String> onAccountCustomer) {
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
  public static Settlement readBack(
      Receipt receipt,
      List<Application> applications,
      List<Adjustment> adjustments,
      Money onAccount,
      Optional<String> onAccountCustomer) {
    var left =
        new Draft(receipt, applications, adjustments, onAccount, onAccountCustomer).tally().left();
    if (!left.isZero()) {
      throw new IllegalArgumentException(
          "the settlement of " + receipt.amount() + " is off by " + left);
    }
    return new Settlement(
        receipt, List.copyOf(applications), List.copyOf(adjustments), onAccount, onAccountCustomer);
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

  /** The items as they stand once this is posted. */
  public List<OpenItem> itemsAfter() {
    var after = new ArrayList<OpenItem>();
    for (var application : applications) {
      after.add(application.item().withOpen(application.item().open().minus(application.amount())));
    }
    return after;
  }

  /**
   * The items as they stand once this is taken back, given how they stand now.
   *
   * @param now the items this settled, by id, as they stand today
   * @param keptOnAccount the item this made for the money on account, as it stands today, if it
   *     made one
   * @throws SettlementRefused where money kept on account has been used since
   */
  public List<OpenItem> itemsAfterReversal(
      Map<String, OpenItem> now, Optional<OpenItem> keptOnAccount) {
    keptOnAccount.ifPresent(
        kept -> {
          if (!kept.open().equals(kept.total())) {
            var used = kept.total().minus(kept.open()).abs();
            throw new SettlementRefused(
                Code.ON_ACCOUNT_USED,
                MoneyText.grouped(used)
                    + " of the "
                    + MoneyText.grouped(kept.total().abs())
                    + " kept on account has been applied since; reverse that first.",
                Map.of("kept", kept.total().abs(), "used", used));
          }
        });
    var after = new ArrayList<OpenItem>();
    for (var application : applications) {
      var item = now.get(application.item().id());
      after.add(item.withOpen(item.open().plus(application.amount())));
    }
    keptOnAccount.ifPresent(
        kept -> after.add(kept.withOpen(Money.zero(kept.open().getCurrencyUnit()))));
    return after;
  }
}
