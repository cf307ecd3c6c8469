package org.sumbrel.server.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Objects;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.ItemDifference;
import org.sumbrel.core.receivables.ItemDifference.Kind;
import org.sumbrel.server.customers.OpenItemEntity;

/** What a later list says otherwise of an item that is known, and what was decided about it. */
@Entity
@Table(name = "item_update")
class ItemUpdateEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "item_update_seq")
  @SequenceGenerator(
      name = "item_update_seq",
      sequenceName = "item_update_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long intakeId;
  private Long itemId;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private String currency;
  private LocalDate oldDueOn;
  private LocalDate newDueOn;
  private long oldOpenMinor;
  private Long newOpenMinor;

  @Enumerated(EnumType.STRING)
  private CorrectionEntity.Status status;

  private String decidedBy;
  private Instant decidedAt;
  @Version private long version;

  protected ItemUpdateEntity() {}

  ItemUpdateEntity(Long intakeId, OpenItemEntity item, ItemDifference difference) {
    this.companyId = item.companyId();
    this.intakeId = intakeId;
    this.itemId = item.id();
    this.kind = difference.kind();
    this.currency = item.currency();
    this.oldDueOn = item.dueOn();
    this.newDueOn = kind == Kind.DUE_DATE ? difference.dueOn() : null;
    this.oldOpenMinor = item.open().getAmountMinorLong();
    this.newOpenMinor = kind == Kind.PAID_ELSEWHERE ? difference.open().getAmountMinorLong() : null;
    this.status = CorrectionEntity.Status.OPEN;
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

  Long itemId() {
    return itemId;
  }

  Kind kind() {
    return kind;
  }

  LocalDate oldDueOn() {
    return oldDueOn;
  }

  Optional<LocalDate> newDueOn() {
    return Optional.ofNullable(newDueOn);
  }

  Money oldOpen() {
    return Money.ofMinor(CurrencyUnit.of(currency), oldOpenMinor);
  }

  Optional<Money> newOpen() {
    return Optional.ofNullable(newOpenMinor).map(m -> Money.ofMinor(CurrencyUnit.of(currency), m));
  }

  CorrectionEntity.Status status() {
    return status;
  }

  String decidedBy() {
    return decidedBy;
  }

  Instant decidedAt() {
    return decidedAt;
  }

  /** Whether both ask the same of the same item. */
  boolean sameAs(ItemUpdateEntity other) {
    return itemId.equals(other.itemId)
        && kind == other.kind
        && Objects.equals(newDueOn, other.newDueOn)
        && Objects.equals(newOpenMinor, other.newOpenMinor);
  }

  void decide(boolean accept, String by, Instant at) {
    status = accept ? CorrectionEntity.Status.ACCEPTED : CorrectionEntity.Status.REFUSED;
    decidedBy = by;
    decidedAt = at;
  }
}
