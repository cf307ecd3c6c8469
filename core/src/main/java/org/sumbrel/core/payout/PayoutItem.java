package org.sumbrel.core.payout;

import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.Money;

/**
 * One item of a payout.
 *
 * @param line where it stands in the file, counted from 1; a record may be told over several lines
 * @param id the processor's own number of it; may be empty
 * @param word what the file calls its type
 * @param reference the order or invoice it is for; may be empty
 * @param related the processor's number of the sale that a refund, fee or chargeback belongs to;
 *     may be empty
 * @param on the day of it, where the file tells it
 * @param gross before the fee: positive for money to us; zero for a fee
 * @param fee what the processor keeps of it, its tax included: positive; negative where a fee comes
 *     back
 * @param tax the tax contained in the gross, in its sign
 * @param feeTax the tax contained in the fee, in its sign
 * @param method how it was paid, as the file says; may be empty
 * @param payer who paid, as the file says; may be empty
 * @param text what else the file says of it
 */
public record PayoutItem(
    int line,
    String id,
    PayoutItemType type,
    String word,
    String reference,
    String related,
    Optional<LocalDate> on,
    Money gross,
    Money fee,
    Money tax,
    Money feeTax,
    String method,
    String payer,
    String text) {

  public PayoutItem {
    if (type.isFee() && !gross.isZero()) {
      throw new IllegalArgumentException("a fee with a gross of " + gross);
    }
    requireWithin("gross", tax, gross);
    requireWithin("fee", feeTax, fee);
  }

  private static void requireWithin(String name, Money tax, Money whole) {
    if (!tax.isZero()
        && (tax.isNegative() != whole.isNegative() || !tax.abs().isLessThan(whole.abs()))) {
      throw new IllegalArgumentException(
          "a tax of " + tax.getAmount() + " is not contained in a " + name + " of " + whole);
    }
  }

  /**
   * The same item, where somebody says what it is: what it comes to stays; a fee is nothing but a
   * fee. A tax in it is not known then.
   *
   * @throws IllegalArgumentException where its sign is against that
   */
  public PayoutItem as(PayoutItemType other) {
    var zero = Money.zero(gross.getCurrencyUnit());
    var keptOf = other.isFee() ? net().negated() : type.isFee() ? zero : fee;
    var whole = other.isFee() ? zero : net().plus(keptOf);
    if (whole.getAmount().signum() * other.sign() < 0) {
      throw new IllegalArgumentException(
          "an amount of " + whole.getAmount() + " cannot be " + other + ": its sign is against it");
    }
    return new PayoutItem(
        line, id, other, word, reference, related, on, whole, keptOf, zero, zero, method, payer,
        text);
  }

  /** What it adds to the payout, or takes from it. */
  public Money net() {
    return gross.minus(fee);
  }
}
