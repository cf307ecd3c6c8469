package org.sumbrel.server.companies;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.io.Serializable;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.Tolerance;

/** What a company allows in one currency. */
@Entity
@Table(name = "policy")
@IdClass(PolicyEntity.Key.class)
class PolicyEntity {

  /** A company and a currency. */
  record Key(Long companyId, String currency) implements Serializable {}

  @Id private Long companyId;
  @Id private String currency;
  private int discountGraceDays;
  private long writeOffUnderMinor;
  private long writeOffOverMinor;
  private BigDecimal writeOffPercent;
  private String usualBankFees;
  private double clearAt;
  private double tornWithin;
  @Version private long version;

  protected PolicyEntity() {}

  PolicyEntity(Long companyId, CurrencyUnit currency, Policy policy) {
    this.companyId = companyId;
    this.currency = currency.getCode();
    this.discountGraceDays = policy.discountGraceDays();
    this.writeOffUnderMinor = policy.smallDifference().under().getAmountMinorLong();
    this.writeOffOverMinor = policy.smallDifference().over().getAmountMinorLong();
    this.writeOffPercent = policy.smallDifference().percent();
    this.usualBankFees =
        policy.usualBankFees().stream().map(MoneyText::plain).collect(Collectors.joining(" "));
    this.clearAt = policy.clearAt();
    this.tornWithin = policy.tornWithin();
  }

  Policy toPolicy() {
    var unit = CurrencyUnit.of(currency);
    var fees =
        Arrays.stream(usualBankFees.split(" "))
            .filter(f -> !f.isEmpty())
            .map(f -> MoneyText.parse(f, unit))
            .toList();
    return new Policy(
        discountGraceDays,
        new Tolerance(
            Money.ofMinor(unit, writeOffUnderMinor),
            Money.ofMinor(unit, writeOffOverMinor),
            writeOffPercent),
        fees,
        clearAt,
        tornWithin);
  }
}
