package org.sumbrel.core;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Limits;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.Tolerance;

/** Made-up items and receipts of one company, for tests to speak of in few words. */
public final class Books {

  public static final CurrencyUnit USD = CurrencyUnit.USD;
  public static final LocalDate TODAY = LocalDate.of(2026, 5, 29);
  public static final String COMPANY = "mill";

  private Books() {}

  public static Money usd(String amount) {
    return Money.of(USD, new BigDecimal(amount));
  }

  public static Invoice invoice(String number, String customer, String open) {
    return invoice(number, customer, open, LocalDate.of(2026, 5, 15));
  }

  public static Invoice invoice(String number, String customer, String open, LocalDate due) {
    return new Invoice(
        number,
        COMPANY,
        customer,
        number,
        due.minusDays(30),
        due,
        usd(open),
        usd(open),
        "",
        "",
        Optional.empty());
  }

  /** An invoice in any currency, due today. */
  public static Invoice invoice(String number, String customer, Money open) {
    return new Invoice(
        number,
        COMPANY,
        customer,
        number,
        TODAY.minusDays(30),
        TODAY,
        open,
        open,
        "",
        "",
        Optional.empty());
  }

  /** The same invoice of another company. */
  public static Invoice of(String company, Invoice i) {
    return copy(i, i.id(), company, i.orderReference(), i.creditorReference(), i.terms());
  }

  public static Invoice withId(String id, Invoice i) {
    return copy(i, id, i.companyId(), i.orderReference(), i.creditorReference(), i.terms());
  }

  public static Invoice withTerms(Invoice i, String terms) {
    return copy(
        i,
        i.id(),
        i.companyId(),
        i.orderReference(),
        i.creditorReference(),
        Optional.of(EarlyPaymentTerms.parse(terms)));
  }

  public static Invoice withReferences(Invoice i, String order, String creditor) {
    return copy(i, i.id(), i.companyId(), order, creditor, i.terms());
  }

  private static Invoice copy(
      Invoice i,
      String id,
      String company,
      String order,
      String creditor,
      Optional<EarlyPaymentTerms> terms) {
    return new Invoice(
        id,
        company,
        i.customerId(),
        i.number(),
        i.issuedOn(),
        i.dueOn(),
        i.total(),
        i.open(),
        order,
        creditor,
        terms);
  }

  public static CreditNote creditNote(String number, String customer, String open) {
    var due = LocalDate.of(2026, 5, 10);
    return new CreditNote(number, COMPANY, customer, number, due, due, usd(open), usd(open));
  }

  public static Receipt receipt(String amount, String payer, String text) {
    return receipt("R", amount, payer, text, TODAY);
  }

  public static Receipt receipt(String id, String amount, String payer, String text, LocalDate on) {
    return new Receipt(id, COMPANY, on, usd(amount), payer, "", text);
  }

  public static Customer customer(String id, String name) {
    return new Customer(id, COMPANY, name, Optional.empty(), java.util.List.of(), false);
  }

  /** The same policy with other days of grace for discounts. */
  public static Policy withGrace(Policy p, int days) {
    return new Policy(
        days,
        p.clerk(),
        p.supervisor(),
        p.usualFees(),
        p.feeTaxPercent(),
        p.roundingStep(),
        p.customs(),
        p.clearAt(),
        p.tornWithin());
  }

  /**
   * A policy with limits that are easy to tell apart: a clerk writes off up to 2.00 under and 1.00
   * over within 5 %, a supervisor up to 30.00; the smallest coin is 0.05.
   */
  public static Policy policy() {
    var standard = Policy.standard(USD);
    return new Policy(
        3,
        new Limits(
            new Tolerance(usd("2.00"), usd("1.00"), BigDecimal.valueOf(5)),
            standard.clerk().fee(),
            new Tolerance(usd("10.00"), usd("0"), BigDecimal.valueOf(3)),
            new Tolerance(usd("0"), usd("20.00"), BigDecimal.valueOf(100)),
            standard.clerk().exchange()),
        new Limits(
            new Tolerance(usd("30.00"), usd("30.00"), BigDecimal.valueOf(50)),
            standard.supervisor().fee(),
            new Tolerance(usd("100.00"), usd("0"), BigDecimal.valueOf(5)),
            new Tolerance(usd("0"), usd("500.00"), BigDecimal.valueOf(100)),
            standard.supervisor().exchange()),
        standard.usualFees(),
        BigDecimal.ZERO,
        usd("0.05"),
        standard.customs(),
        standard.clearAt(),
        standard.tornWithin());
  }
}
