package org.sumbrel.server.runs;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;

/** A run: who started it, on whose limits it posts, and how far it is. */
@Entity
@Table(name = "posting_run")
class RunEntity {

  /** Where a run is. */
  enum State {
    /** Its lines are being posted; after a crash it goes on by itself. */
    RUNNING,
    /** Somebody stopped it; what is left can be continued. */
    STOPPED,
    /** Every line was posted or refused. */
    DONE,
    /** It waits for a second person, for its time, or for both; nothing of it is posted. */
    WAITS,
    /** It waited, and somebody called it off. */
    CALLED_OFF
  }

  /** The states of a run that waits or is at work. */
  static final Set<State> UNDER_WAY = Set.of(State.WAITS, State.RUNNING);

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "posting_run_seq")
  @SequenceGenerator(name = "posting_run_seq", sequenceName = "posting_run_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private String startedBy;

  @Enumerated(EnumType.STRING)
  private Role role;

  private String callKey;
  private Instant startedAt;
  private Instant endedAt;

  @Enumerated(EnumType.STRING)
  private State state;

  private boolean stopAsked;
  private int total;
  private int posted;
  private int refused;
  private String currency;
  private long amountMinor;
  private long postedMinor;
  private Long lockboxBatchId;
  private boolean needsRelease;
  private Instant notBefore;
  private String releasedBy;
  private Instant releasedAt;

  protected RunEntity() {}

  RunEntity(
      Long companyId,
      Actor starter,
      String callKey,
      Instant startedAt,
      int total,
      int refused,
      Money sum) {
    this.companyId = companyId;
    this.startedBy = starter.name();
    this.role = starter.role();
    this.callKey = callKey;
    this.startedAt = startedAt;
    this.state = State.RUNNING;
    this.total = total;
    this.refused = refused;
    this.currency = sum.getCurrencyUnit().getCode();
    this.amountMinor = sum.getAmountMinorLong();
  }

  /**
   * It is of a lockbox batch, and may have to wait.
   *
   * @param second whether a second person must release it
   * @param time before which nothing is posted; null for at once
   */
  void of(Long batch, boolean second, Instant time) {
    lockboxBatchId = batch;
    needsRelease = second;
    notBefore = time;
    if (second || time != null) {
      state = State.WAITS;
    }
  }

  /** The batch of which it was is gone. */
  void ofNoBatch() {
    lockboxBatchId = null;
  }

  /** A second person says yes to it. */
  void release(String by, Instant at) {
    releasedBy = by;
    releasedAt = at;
  }

  /** The lockbox batch of which it is; null where it is of none. */
  Long lockboxBatchId() {
    return lockboxBatchId;
  }

  boolean needsRelease() {
    return needsRelease;
  }

  /** Before which nothing of it is posted; null where it does not wait for a time. */
  Instant notBefore() {
    return notBefore;
  }

  /** Who released it; null where nobody did. */
  String releasedBy() {
    return releasedBy;
  }

  Instant releasedAt() {
    return releasedAt;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  /** On whose limits it posts. */
  Actor actor() {
    return new Actor(startedBy, role);
  }

  String callKey() {
    return callKey;
  }

  Instant startedAt() {
    return startedAt;
  }

  Instant endedAt() {
    return endedAt;
  }

  State state() {
    return state;
  }

  boolean stopAsked() {
    return stopAsked;
  }

  int total() {
    return total;
  }

  int posted() {
    return posted;
  }

  int refused() {
    return refused;
  }

  Money amount() {
    return Money.ofMinor(CurrencyUnit.of(currency), amountMinor);
  }

  Money postedAmount() {
    return Money.ofMinor(CurrencyUnit.of(currency), postedMinor);
  }
}
