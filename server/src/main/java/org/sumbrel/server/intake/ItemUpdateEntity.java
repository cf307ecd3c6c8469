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
import org.sumbrel.server.customers.OpenItemEntity;

/** What a later list says otherwise of an item that is known, and what was decided about it. */
@Entity
@Table(name = "item_update")
class ItemUpdateEntity {

  /** What the list says. */
  enum Kind {
    /** It is due on another day. */
    DUE_DATE,
    /** It no longer counts. */
    CANCELLED,
    /** Less of it is open, because it was paid past these books. */
    PAID_ELSEWHERE
  }

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

  private ItemUpdateEntity(Long intakeId, OpenItemEntity item, Kind kind) {
    this.companyId = item.companyId();
    this.intakeId = intakeId;
    this.itemId = item.id();
    this.kind = kind;
    this.currency = item.currency();
    this.oldDueOn = item.dueOn();
    this.oldOpenMinor = item.open().getAmountMinorLong();
    this.status = CorrectionEntity.Status.OPEN;
  }

  static ItemUpdateEntity dueOn(Long intakeId, OpenItemEntity item, LocalDate day) {
    var update = new ItemUpdateEntity(intakeId, item, Kind.DUE_DATE);
    update.newDueOn = day;
    return update;
  }

  static ItemUpdateEntity cancelled(Long intakeId, OpenItemEntity item) {
    return new ItemUpdateEntity(intakeId, item, Kind.CANCELLED);
  }

  static ItemUpdateEntity paidElsewhere(Long intakeId, OpenItemEntity item, Money open) {
    var update = new ItemUpdateEntity(intakeId, item, Kind.PAID_ELSEWHERE);
    update.newOpenMinor = open.getAmountMinorLong();
    return update;
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
