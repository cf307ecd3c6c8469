package org.sumbrel.server.companies;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.io.Serializable;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.Customs;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.Limits;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.Tolerance;

/** What a company allows in one currency. */
@Entity
@Table(name = "policy")
@IdClass(PolicyEntity.Key.class)
class PolicyEntity {

  /** A company and a currency. */
  record Key(Long companyId, String currency) implements Serializable {}

  /** One limit: whose, on what, how much. */
  @Embeddable
  static class Limit {
    @Enumerated(EnumType.STRING)
    Authority authority;

    @Enumerated(EnumType.STRING)
    Limited kind;

    long underMinor;
    long overMinor;
    BigDecimal percent;

    protected Limit() {}

    Limit(Authority authority, Limited kind, Tolerance tolerance) {
      this.authority = authority;
      this.kind = kind;
      this.underMinor = tolerance.under().getAmountMinorLong();
      this.overMinor = tolerance.over().getAmountMinorLong();
      this.percent = tolerance.percent();
    }
  }

  /** What has a limit. */
  enum Limited {
    WRITE_OFF(Limits::writeOff),
    FEE(Limits::fee),
    UNEARNED_DISCOUNT(Limits::unearnedDiscount),
    REFUND(Limits::refund),
    EXCHANGE(Limits::exchange);

    private final Function<Limits, Tolerance> of;

    Limited(Function<Limits, Tolerance> of) {
      this.of = of;
    }
  }

  @Id private Long companyId;
  @Id private String currency;
  private int discountGraceDays;
  private String usualFees;
  private BigDecimal feeTaxPercent;
  private long roundingStepMinor;
  private double clearAt;
  private double tornWithin;
  private boolean batchesReleased;
  @Version private long version;

  @ElementCollection(fetch = FetchType.EAGER)
  @CollectionTable(
      name = "policy_limit",
      joinColumns = {@JoinColumn(name = "company_id"), @JoinColumn(name = "currency")})
  private List<Limit> limits = new ArrayList<>();

  protected PolicyEntity() {}

  PolicyEntity(Long companyId, CurrencyUnit currency, Policy policy) {
    this.companyId = companyId;
    this.currency = currency.getCode();
    decide(policy);
  }

  /** Whether a second person must release what is posted of lockbox batches. */
  boolean batchesReleased() {
    return batchesReleased;
  }

  void release(boolean batches) {
    batchesReleased = batches;
  }

  long version() {
    return version;
  }

  void decide(Policy policy) {
    discountGraceDays = policy.discountGraceDays();
    usualFees =
        policy.usualFees().stream().map(FeeTerms::toString).collect(Collectors.joining("; "));
    feeTaxPercent = policy.feeTaxPercent();
    roundingStepMinor = policy.roundingStep().getAmountMinorLong();
    clearAt = policy.clearAt();
    tornWithin = policy.tornWithin();
    limits.clear();
    for (var authority : Authority.values()) {
      for (var kind : Limited.values()) {
        limits.add(new Limit(authority, kind, kind.of.apply(policy.limits(authority))));
      }
    }
  }

  Policy toPolicy() {
    var unit = CurrencyUnit.of(currency);
    var fees =
        Arrays.stream(usualFees.split(";"))
            .filter(f -> !f.isBlank())
            .map(f -> FeeTerms.parse(f, unit))
            .toList();
    return new Policy(
        discountGraceDays,
        limits(Authority.CLERK),
        limits(Authority.SUPERVISOR),
        fees,
        feeTaxPercent,
        Money.ofMinor(unit, roundingStepMinor),
        Customs.STANDARD,
        clearAt,
        tornWithin);
  }

  private Limits limits(Authority authority) {
    return new Limits(
        limit(authority, Limited.WRITE_OFF),
        limit(authority, Limited.FEE),
        limit(authority, Limited.UNEARNED_DISCOUNT),
        limit(authority, Limited.REFUND),
        limit(authority, Limited.EXCHANGE));
  }

  /** What was decided; the standard policy where nothing was. */
  private Tolerance limit(Authority authority, Limited kind) {
    var unit = CurrencyUnit.of(currency);
    return limits.stream()
        .filter(l -> l.authority == authority && l.kind == kind)
        .findFirst()
        .map(
            l ->
                new Tolerance(
                    Money.ofMinor(unit, l.underMinor), Money.ofMinor(unit, l.overMinor), l.percent))
        .orElseGet(() -> kind.of.apply(Policy.standard(unit).limits(authority)));
  }
}
