package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.settle.Exchanged;

/**
 * What counts elsewhere of a settlement with the rate against which it is held, or a rate at which
 * the books of a company value what came.
 */
@Entity
@Table(name = "settlement_rate")
class SettlementRateEntity extends SettlementLine {

  private String fromCurrency;
  private String toCurrency;
  private BigDecimal perUnit;

  @Enumerated(EnumType.STRING)
  private Source source;

  private String words;
  private Long givenMinor;
  private Long countedMinor;
  private String countedCurrency;

  protected SettlementRateEntity() {}

  /** The rate at which the books of a company value what came. */
  SettlementRateEntity(SettlementEntity settlement, int position, Long companyId, RateUsed used) {
    super(settlement, position, companyId);
    rate(used);
  }

  SettlementRateEntity(SettlementEntity settlement, int position, Exchanged exchanged) {
    super(settlement, position, Long.valueOf(exchanged.companyId()));
    this.fromCurrency = exchanged.currency().getCode();
    this.toCurrency = exchanged.given().getCurrencyUnit().getCode();
    this.words = "";
    exchanged.reference().ifPresent(this::rate);
    this.givenMinor = exchanged.given().getAmountMinorLong();
    this.countedMinor = exchanged.counted().getAmountMinorLong();
    this.countedCurrency = exchanged.currency().getCode();
  }

  private void rate(RateUsed used) {
    this.fromCurrency = used.rate().from().getCode();
    this.toCurrency = used.rate().to().getCode();
    this.perUnit = used.rate().perUnit();
    this.source = used.source();
    this.words = used.words();
  }

  String from() {
    return fromCurrency;
  }

  String to() {
    return toCurrency;
  }

  /** Empty where something counts for another company in the receipt's own currency. */
  Optional<RateUsed> used() {
    return perUnit == null
        ? Optional.empty()
        : Optional.of(
            new RateUsed(
                new Rate(
                    CurrencyUnit.of(fromCurrency),
                    CurrencyUnit.of(toCurrency),
                    perUnit.stripTrailingZeros()),
                source,
                words));
  }

  /** What counts elsewhere; empty where it is a rate of the books. */
  Optional<Exchanged> exchanged() {
    return givenMinor == null
        ? Optional.empty()
        : Optional.of(
            new Exchanged(
                companyId().toString(),
                settlement().money(givenMinor),
                Money.ofMinor(CurrencyUnit.of(countedCurrency), countedMinor),
                used()));
  }
}
