package org.sumbrel.core.settle;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.Receipt;

/**
 * A receipt that the bank took back: a cheque without cover, a recalled transfer. What the bank
 * took beyond the receipt is its fee.
 */
public final class ReturnedReceipt {

  /** So long after a receipt the bank may still take it back. */
  public static final int DAYS = 120;

  /** A return may cost so much of the receipt, or {@link #FEE_AT_MOST}, whichever is more. */
  private static final int FEE_PERCENT = 10;

  /** In units of the currency; common practice, no source. */
  private static final int FEE_AT_MOST = 100;

  private ReturnedReceipt() {}

  /** Money that left the account, as the bank tells of it. */
  public record Debit(Long key, LocalDate bookedOn, Money amount, String told) {}

  /**
   * What the bank kept for the return.
   *
   * @param received what had arrived, positive
   * @param takenBack the debit that took it back, negative
   * @param fee a debit of its own for the fee, negative; zero where there is none
   * @return zero or positive
   * @throws SettlementRefused where less was taken back than had arrived
   */
  public static Money fee(Money received, Money takenBack, Money fee) {
    var kept = takenBack.plus(fee).plus(received).negated();
    if (takenBack.abs().isLessThan(received) || !takenBack.isNegative()) {
      throw new SettlementRefused(
          SettlementRefused.Code.UNBALANCED,
          "The bank took "
              + MoneyText.grouped(takenBack.abs())
              + ", but "
              + MoneyText.grouped(received)
              + " had arrived: "
              + MoneyText.grouped(received.minus(takenBack.abs()))
              + " of it is still here, so this is no return of it.",
          Map.of("received", received, "taken", takenBack.abs()));
    }
    return kept;
  }

  /**
   * The item by which a customer owes what the return cost; due at once. It has no id yet.
   *
   * @param fee positive
   */
  public static Invoice chargedOn(Receipt receipt, Money fee, String customerId, LocalDate on) {
    return new Invoice(
        "new",
        receipt.companyId(),
        customerId,
        "FEE-" + receipt.id(),
        on,
        on,
        fee,
        fee,
        "",
        "",
        Optional.empty());
  }

  /** Those debits that may be the return of a receipt, likeliest first. */
  public static List<Debit> candidates(Receipt receipt, String checkNumber, List<Debit> debits) {
    var least = receipt.amount();
    var unit = least.getCurrencyUnit();
    var tenth = least.getAmountMinorLong() * FEE_PERCENT / 100;
    var fixed = Money.ofMajor(unit, FEE_AT_MOST).getAmountMinorLong();
    var most = least.plusMinor(Math.max(tenth, fixed));
    return debits.stream()
        .filter(d -> d.amount().isNegative() && d.amount().getCurrencyUnit().equals(unit))
        .filter(d -> !d.amount().abs().isLessThan(least) && !d.amount().abs().isGreaterThan(most))
        .filter(d -> !d.bookedOn().isBefore(receipt.receivedOn()))
        .filter(d -> !d.bookedOn().isAfter(receipt.receivedOn().plusDays(DAYS)))
        .sorted(
            Comparator.comparing((Debit d) -> !d.amount().abs().isEqual(least))
                .thenComparing(d -> !mentions(d, receipt, checkNumber))
                .thenComparing(Debit::bookedOn)
                .thenComparing(Debit::key))
        .toList();
  }

  /** A receipt that was here, and the number of the cheque where it was one. */
  public record Taken(Receipt receipt, String checkNumber) {}

  /**
   * The least that a receipt can have been whose return, fee included, is of an amount.
   *
   * @param takenBack what the bank took, positive
   */
  public static Money least(Money takenBack) {
    var minor = takenBack.getAmountMinorLong();
    var fixed = Money.ofMajor(takenBack.getCurrencyUnit(), FEE_AT_MOST).getAmountMinorLong();
    return Money.ofMinor(
        takenBack.getCurrencyUnit(),
        Math.max(1, Math.min(minor - fixed, minor * 100 / (100 + FEE_PERCENT))));
  }

  /**
   * Those receipts that a debit may have taken back, likeliest first: of its amount, or named in
   * its text and of a little less.
   */
  public static List<Taken> takenBackBy(Debit debit, List<Taken> receipts) {
    return receipts.stream()
        .filter(t -> !candidates(t.receipt(), t.checkNumber(), List.of(debit)).isEmpty())
        .filter(
            t ->
                debit.amount().abs().isEqual(t.receipt().amount())
                    || mentions(debit, t.receipt(), t.checkNumber()))
        .sorted(
            Comparator.comparing((Taken t) -> !mentions(debit, t.receipt(), t.checkNumber()))
                .thenComparing(t -> !debit.amount().abs().isEqual(t.receipt().amount()))
                .thenComparing(t -> t.receipt().receivedOn(), Comparator.reverseOrder())
                .thenComparing(t -> t.receipt().id()))
        .toList();
  }

  /** Those debits that may be the fee of a return booked on a day: of that day or the next ones. */
  public static List<Debit> fees(LocalDate returnedOn, List<Debit> debits) {
    return debits.stream()
        .filter(d -> d.amount().isNegative())
        .filter(
            d ->
                !d.amount()
                    .abs()
                    .isGreaterThan(Money.ofMajor(d.amount().getCurrencyUnit(), FEE_AT_MOST)))
        .filter(
            d ->
                !d.bookedOn().isBefore(returnedOn) && !d.bookedOn().isAfter(returnedOn.plusDays(5)))
        .sorted(Comparator.comparing(Debit::bookedOn).thenComparing(Debit::key))
        .toList();
  }

  private static boolean mentions(Debit debit, Receipt receipt, String checkNumber) {
    var told = debit.told().toUpperCase(Locale.ROOT);
    if (!checkNumber.isBlank() && told.contains(checkNumber.strip())) {
      return true;
    }
    return List.of(receipt.payerName().toUpperCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")).stream()
        .anyMatch(word -> word.length() > 3 && told.contains(word));
  }
}
