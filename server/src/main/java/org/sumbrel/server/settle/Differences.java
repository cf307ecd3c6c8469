package org.sumbrel.server.settle;

import java.util.Optional;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.sumbrel.core.money.IncludedTax;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.OfCompany;
import org.sumbrel.core.settle.RefundPromised;
import org.sumbrel.core.settle.Rounding;
import org.sumbrel.core.settle.SmallWriteOff;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.settle.UnearnedDiscount;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.companies.TaxCodes;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.settle.PostSettlement.Difference;

/** Differences as they are sent, turned into the core's adjustments and back. */
@Component
class Differences {

  private final Charts charts;
  private final CompanyPolicies policies;
  private final TaxCodes taxCodes;
  private final Customers customers;

  Differences(Charts charts, CompanyPolicies policies, TaxCodes taxCodes, Customers customers) {
    this.charts = charts;
    this.policies = policies;
    this.taxCodes = taxCodes;
    this.customers = customers;
  }

  /**
   * The core's adjustment.
   *
   * @param receiver the company that received the money, whose difference it is where none is named
   * @throws BadRequest where something is missing or contradicts itself
   */
  Adjustment toAdjustment(Difference sent, Long receiver) {
    return sent.companyId() == null || sent.companyId().equals(receiver)
        ? bare(sent, receiver)
        : new OfCompany(sent.companyId().toString(), bare(sent, sent.companyId()));
  }

  private Adjustment bare(Difference sent, Long company) {
    var amount = sent.amount().toMoney();
    var text = sent.text() == null ? "" : sent.text().strip();
    try {
      return switch (sent.kind()) {
        case BANK_FEE -> new FeeWithheld(amount, KeptBy.BANK, feeTax(sent, amount, company));
        case PROCESSING_FEE ->
            new FeeWithheld(amount, KeptBy.PROCESSOR, feeTax(sent, amount, company));
        case UNEARNED_DISCOUNT -> new UnearnedDiscount(amount);
        case WRITE_OFF -> new SmallWriteOff(amount, text);
        case CLAIM ->
            new ClaimRaised(
                amount,
                customer(sent, company, "who owes the claim"),
                Optional.ofNullable(sent.reason()).orElse(ClaimReason.OTHER),
                text);
        case ROUNDING -> new Rounding(amount);
        case REFUND -> new RefundPromised(amount, customer(sent, company, "who gets the refund"));
        case TO_ACCOUNT ->
            new ToAccount(
                amount,
                account(sent, company),
                tax(sent, amount, company).orElse(zero(amount)),
                text);
      };
    } catch (IllegalArgumentException e) {
      throw new BadRequest(e.getMessage() + ".");
    }
  }

  private Money feeTax(Difference sent, Money amount, Long company) {
    return tax(sent, amount, company)
        .orElseGet(
            () ->
                IncludedTax.in(
                    amount, policies.of(company, amount.getCurrencyUnit()).feeTaxPercent()));
  }

  private Optional<Money> tax(Difference sent, Money amount, Long company) {
    if (sent.taxCode() != null) {
      return Optional.of(IncludedTax.in(amount, taxCodes.code(company, sent.taxCode()).percent()));
    }
    return Optional.ofNullable(sent.tax()).map(MoneyView::toMoney);
  }

  private String customer(Difference sent, Long company, String what) {
    if (sent.customerId() == null) {
      throw new BadRequest("Say " + what + ".");
    }
    return customers.customer(company, sent.customerId()).id().toString();
  }

  private String account(Difference sent, Long company) {
    if (sent.accountId() == null) {
      throw new BadRequest("Say to which account the money goes.");
    }
    return charts.bookable(company, sent.accountId()).id().toString();
  }

  private static Money zero(Money like) {
    return Money.zero(like.getCurrencyUnit());
  }

  /** The adjustment as it would be sent. */
  static Difference toSend(Adjustment any) {
    var adjustment = OfCompany.bare(any);
    Money tax = null;
    Long customer = null;
    Long account = null;
    ClaimReason reason = null;
    var text = "";
    if (adjustment instanceof FeeWithheld fee) {
      tax = fee.tax();
    } else if (adjustment instanceof ToAccount booked) {
      tax = booked.tax();
      account = Long.valueOf(booked.accountId());
      text = booked.text();
    } else if (adjustment instanceof ClaimRaised claim) {
      customer = Long.valueOf(claim.customerId());
      reason = claim.reason();
      text = claim.note();
    } else if (adjustment instanceof RefundPromised refund) {
      customer = Long.valueOf(refund.customerId());
    } else if (adjustment instanceof SmallWriteOff writeOff) {
      text = writeOff.reason();
    }
    return new Difference(
        AdjustmentKind.of(adjustment),
        MoneyView.of(adjustment.amount()),
        tax == null ? null : MoneyView.of(tax),
        null,
        customer,
        account,
        reason,
        text,
        any instanceof OfCompany of ? Long.valueOf(of.companyId()) : null);
  }
}
