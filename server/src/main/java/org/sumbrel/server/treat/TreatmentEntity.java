package org.sumbrel.server.treat;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hibernate.annotations.BatchSize;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.treat.Condition;
import org.sumbrel.core.treat.Condition.Direction;
import org.sumbrel.core.treat.Treatment;
import org.sumbrel.core.treat.Treatment.Way;

/** A treatment of a company, until somebody ends it. */
@Entity
@Table(name = "treatment")
class TreatmentEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "treatment_seq")
  @SequenceGenerator(name = "treatment_seq", sequenceName = "treatment_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private String name;
  private int place;
  private boolean inUse;
  private String words;
  private String counterparty;
  private String counterpartyAccount;
  private Long bankAccountId;

  @Enumerated(EnumType.STRING)
  private Direction direction;

  private Long leastMinor;
  private Long mostMinor;
  private String currency;
  private long capMinor;

  @Enumerated(EnumType.STRING)
  private Way way;

  @ElementCollection(fetch = FetchType.EAGER)
  @CollectionTable(name = "treatment_share", joinColumns = @JoinColumn(name = "treatment_id"))
  @OrderColumn(name = "place")
  @BatchSize(size = 200)
  private List<TreatmentShare> shares = new ArrayList<>();

  private String madeBy;
  private Instant madeAt;
  private String changedBy;
  private Instant changedAt;
  private String endedBy;
  private Instant endedAt;
  @Version private long version;

  protected TreatmentEntity() {}

  TreatmentEntity(Long companyId, Treatment treatment, String by, Instant at) {
    this.companyId = companyId;
    this.madeBy = by;
    this.madeAt = at;
    is(treatment, by, at);
  }

  /** It is otherwise from now on; its place stays what the treatment says. */
  void is(Treatment treatment, String by, Instant at) {
    var condition = treatment.condition();
    name = treatment.name();
    place = treatment.place();
    inUse = treatment.on();
    words = String.join("\n", condition.words());
    counterparty = condition.counterparty();
    counterpartyAccount = condition.counterpartyAccount();
    bankAccountId = condition.bankAccountId().map(Long::valueOf).orElse(null);
    direction = condition.direction();
    leastMinor = condition.least().map(Money::getAmountMinorLong).orElse(null);
    mostMinor = condition.most().map(Money::getAmountMinorLong).orElse(null);
    currency = treatment.cap().getCurrencyUnit().getCode();
    capMinor = treatment.cap().getAmountMinorLong();
    way = treatment.way();
    shares.clear();
    treatment.shares().forEach(share -> shares.add(new TreatmentShare(share)));
    changedBy = by;
    changedAt = at;
  }

  void standsAt(int newPlace) {
    place = newPlace;
  }

  void end(String by, Instant at) {
    endedBy = by;
    endedAt = at;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  String name() {
    return name;
  }

  int place() {
    return place;
  }

  String madeBy() {
    return madeBy;
  }

  Instant madeAt() {
    return madeAt;
  }

  String changedBy() {
    return changedBy;
  }

  Instant changedAt() {
    return changedAt;
  }

  boolean ended() {
    return endedAt != null;
  }

  long version() {
    return version;
  }

  Treatment toTreatment() {
    return new Treatment(
        id == null ? "" : id.toString(),
        name,
        place,
        inUse,
        new Condition(
            words.isEmpty() ? List.of() : List.of(words.split("\n")),
            counterparty,
            counterpartyAccount,
            Optional.ofNullable(bankAccountId).map(Object::toString),
            direction,
            money(leastMinor),
            money(mostMinor)),
        shares.stream().map(TreatmentShare::toShare).toList(),
        Money.ofMinor(CurrencyUnit.of(currency), capMinor),
        way);
  }

  private Optional<Money> money(Long minor) {
    return Optional.ofNullable(minor).map(m -> Money.ofMinor(CurrencyUnit.of(currency), m));
  }
}
