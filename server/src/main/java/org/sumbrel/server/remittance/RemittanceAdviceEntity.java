package org.sumbrel.server.remittance;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.RemittanceAdvice;

/** What a payer said of one payment, and which money that is, once it is known. */
@Entity
@Table(name = "remittance_advice")
class RemittanceAdviceEntity {

  private static final ObjectMapper JSON = new ObjectMapper();

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "remittance_advice_seq")
  @SequenceGenerator(
      name = "remittance_advice_seq",
      sequenceName = "remittance_advice_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long intakeId;
  private String trace;
  private LocalDate paidOn;
  private boolean daySaid;
  private String payerName;
  private String currency;
  private long totalMinor;
  private String items;
  private Long entryId;

  @Enumerated(EnumType.STRING)
  private TiedBy tiedBy;

  @Version private long version;

  protected RemittanceAdviceEntity() {}

  RemittanceAdviceEntity(Long companyId, Long intakeId, RemittanceAdvice advice, LocalDate today) {
    this.companyId = companyId;
    this.intakeId = intakeId;
    this.trace = advice.trace();
    this.paidOn = advice.date().orElse(today);
    this.daySaid = advice.date().isPresent();
    this.payerName = advice.payerName();
    this.currency = advice.total().getCurrencyUnit().getCode();
    this.totalMinor = advice.total().getAmountMinorLong();
    try {
      this.items = JSON.writeValueAsString(advice.items().stream().map(AdviceItem::of).toList());
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("the items of an advice cannot be written", e);
    }
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long intakeId() {
    return intakeId;
  }

  Long entryId() {
    return entryId;
  }

  TiedBy tiedBy() {
    return tiedBy;
  }

  /** The day of the payment, or that on which the advice came where it says none. */
  LocalDate day() {
    return paidOn;
  }

  void tie(Long entry, TiedBy by) {
    entryId = entry;
    tiedBy = by;
  }

  void untie() {
    entryId = null;
    tiedBy = null;
  }

  RemittanceAdvice toAdvice() {
    var unit = CurrencyUnit.of(currency);
    try {
      return new RemittanceAdvice(
          trace,
          daySaid ? Optional.of(paidOn) : Optional.empty(),
          payerName,
          Money.ofMinor(unit, totalMinor),
          JSON.readValue(items, new TypeReference<List<AdviceItem>>() {}).stream()
              .map(i -> i.toItem(unit))
              .toList());
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("the items of an advice cannot be read", e);
    }
  }
}
