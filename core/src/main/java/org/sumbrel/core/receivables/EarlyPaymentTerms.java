package org.sumbrel.core.receivables;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.regex.Pattern;
import org.joda.money.Money;

/**
 * Terms that grant a discount for paying early, such as {@code 2/10 net 30}.
 *
 * @param percent discount on the discountable amount, in per cent, above 0 and below 100
 * @param discountDays days after the issue date during which the discount is earned
 * @param netDays days after the issue date at which the invoice is due
 */
public record EarlyPaymentTerms(BigDecimal percent, int discountDays, int netDays) {

  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
  private static final Pattern WRITTEN =
      Pattern.compile(
          "\\s*(\\d{1,2}(?:\\.\\d{1,4})?)\\s*/\\s*(\\d{1,3})\\s*,?\\s*(?i:net|n/?)\\s*(\\d{1,3})\\s*");

  public EarlyPaymentTerms {
    if (percent.signum() <= 0 || percent.compareTo(HUNDRED) >= 0) {
      throw new IllegalArgumentException("discount of " + percent + " % is not between 0 and 100");
    }
    if (discountDays < 0 || discountDays > netDays) {
      throw new IllegalArgumentException(
          "discount for " + discountDays + " days outlives net " + netDays);
    }
  }

  /**
   * Reads {@code 2/10 net 30}; {@code 2/10, n/30} means the same.
   *
   * @throws IllegalArgumentException where the text is not of that form or its figures contradict
   *     each other
   */
  public static EarlyPaymentTerms parse(String text) {
    var parts = WRITTEN.matcher(text);
    if (!parts.matches()) {
      throw new IllegalArgumentException("terms \"" + text + "\" are not written like 2/10 net 30");
    }
    return new EarlyPaymentTerms(
        new BigDecimal(parts.group(1)),
        Integer.parseInt(parts.group(2)),
        Integer.parseInt(parts.group(3)));
  }

  /** The last day on which the discount is earned, days of grace included. */
  public LocalDate lastDay(LocalDate issuedOn, int graceDays) {
    return issuedOn.plusDays((long) discountDays + graceDays);
  }

  /**
   * The discount earned by paying {@code discountable} on {@code paidOn}; zero when late. Rounded
   * half-up to the currency's digits.
   */
  public Money earned(Money discountable, LocalDate issuedOn, LocalDate paidOn, int graceDays) {
    if (paidOn.isAfter(lastDay(issuedOn, graceDays))) {
      return Money.zero(discountable.getCurrencyUnit());
    }
    return discountable.multipliedBy(percent.movePointLeft(2), RoundingMode.HALF_UP);
  }

  /**
   * What it costs in per cent a year not to take the discount: p / (100 − p) × year / (net days −
   * discount days), to one decimal, half-up. The formula of the textbooks on short-term finance,
   * which count 360 or 365 days to a year.
   *
   * @throws IllegalStateException where discount and net date are the same day
   */
  public BigDecimal yearlyCostOfNotTaking(int daysInYear) {
    if (netDays == discountDays) {
      throw new IllegalStateException("discount and net date are the same day");
    }
    return percent
        .multiply(BigDecimal.valueOf(100L * daysInYear))
        .divide(
            HUNDRED.subtract(percent).multiply(BigDecimal.valueOf((long) netDays - discountDays)),
            1,
            RoundingMode.HALF_UP);
  }

  /** As it is written, such as {@code 2/10 net 30}. */
  @Override
  public String toString() {
    return percent.stripTrailingZeros().toPlainString() + "/" + discountDays + " net " + netDays;
  }
}
