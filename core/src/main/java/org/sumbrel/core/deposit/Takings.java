package org.sumbrel.core.deposit;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.DepositRefused.Code;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.PaidBy;

/**
 * What was sold on the spot, without an invoice, and how it was paid: the report of a till for a
 * day, or a single sale. {@code sales = cash by the till + cheques + cards}, and what was counted
 * more or less than the till says is a cash difference.
 *
 * @param on the day of the sales
 * @param name how it is spoken of: {@code Till 1}
 * @param sales by account
 * @param tillCash the cash that there should be by the till; zero where nobody paid in cash
 * @param receipts cash as it was counted, each cheque, each card batch
 */
public record Takings(
    String companyId,
    CurrencyUnit currency,
    LocalDate on,
    String name,
    List<Sale> sales,
    Money tillCash,
    List<HeldReceipt> receipts) {

  /**
   * Sales that go to one account.
   *
   * @param accountId the ledger account; empty where it is the company's account of sales
   * @param amount its tax included; negative where more was taken back than sold
   * @param tax the tax contained in it, in its sign
   */
  public record Sale(Optional<String> accountId, Money amount, Money tax) {

    public Money net() {
      return amount.minus(tax);
    }
  }

  public Takings {
    sales = List.copyOf(sales);
    receipts = List.copyOf(receipts);
  }

  /**
   * Takings that may be booked.
   *
   * @throws DepositRefused where nothing was sold or received, a tax is not contained in its sales,
   *     what was paid is not what was sold, or money came by another way than over the counter
   */
  public static Takings of(
      String companyId,
      CurrencyUnit currency,
      LocalDate on,
      String name,
      List<Sale> sales,
      Money tillCash,
      List<HeldReceipt> receipts) {
    var takings = new Takings(companyId, currency, on, name, sales, tillCash, receipts);
    takings.requireWhole();
    return takings;
  }

  /** What was sold, tax included. */
  public Money sold() {
    return MoneySum.of(currency, sales, Sale::amount);
  }

  public Money tax() {
    return MoneySum.of(currency, sales, Sale::tax);
  }

  /** What is in the office or with the acquirer now. */
  public Money received() {
    return MoneySum.of(currency, receipts, HeldReceipt::amount);
  }

  /** The cash as it was counted. */
  public Money cash() {
    return by(PaidBy.CASH);
  }

  /** Cash counted more (positive) or less than there should be. */
  public Money difference() {
    return cash().minus(tillCash);
  }

  private Money by(PaidBy method) {
    return MoneySum.of(
        currency,
        receipts.stream().filter(r -> r.method() == method).toList(),
        HeldReceipt::amount);
  }

  private void requireWhole() {
    if (receipts.isEmpty() || !sold().isPositive()) {
      throw new DepositRefused(
          Code.EMPTY,
          "Takings are of sales above zero that somebody paid; sold is "
              + MoneyText.grouped(sold())
              + ", received "
              + MoneyText.grouped(received())
              + ".",
          Map.of("sold", sold(), "received", received()));
    }
    for (var sale : sales) {
      var sign = sale.amount().getAmount().signum();
      if (sale.tax().getAmount().signum() * sign < 0
          || !sale.tax().abs().isLessThan(sale.amount().abs())) {
        throw new DepositRefused(
            Code.TAX_NOT_CONTAINED,
            "A tax of "
                + MoneyText.grouped(sale.tax())
                + " cannot be contained in sales of "
                + MoneyText.grouped(sale.amount())
                + ".",
            Map.of("tax", sale.tax(), "sold", sale.amount()));
      }
    }
    if (receipts.stream().anyMatch(r -> r.method() == PaidBy.TRANSFER)) {
      throw new DepositRefused(
          Code.MIXED,
          "A transfer is not taken over the counter; the bank's statement brings it.",
          Map.of());
    }
    if (tillCash.isNegative()) {
      throw new DepositRefused(
          Code.DOES_NOT_AGREE,
          "Cash of " + MoneyText.grouped(tillCash) + " by the till is below zero.",
          Map.of("cash", tillCash));
    }
    var cheques = by(PaidBy.CHEQUE);
    var cards = by(PaidBy.CARD);
    var paid = tillCash.plus(cheques).plus(cards);
    if (!paid.equals(sold())) {
      throw new DepositRefused(
          Code.DOES_NOT_AGREE,
          "Sales of "
              + MoneyText.grouped(sold())
              + " and what the till says was paid differ by "
              + MoneyText.grouped(paid.minus(sold()).abs())
              + ": cash "
              + MoneyText.grouped(tillCash)
              + ", cheques "
              + MoneyText.grouped(cheques)
              + ", cards "
              + MoneyText.grouped(cards)
              + " come to "
              + MoneyText.grouped(paid)
              + ".",
          Map.of("sold", sold(), "paid", paid));
    }
  }
}
