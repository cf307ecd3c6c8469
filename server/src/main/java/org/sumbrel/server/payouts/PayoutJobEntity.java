package org.sumbrel.server.payouts;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;

/** A payout that is booked or reversed in the background, or whose last try was refused. */
@Entity
@Table(name = "payout_job")
class PayoutJobEntity {

  /** A process that has not renewed its job for so long is taken for dead. */
  static final Duration LEASE = Duration.ofSeconds(15);

  private static final int LONGEST_REASON = 2_000;

  @Id private Long payoutId;

  @Enumerated(EnumType.STRING)
  private PayoutJobs.Doing doing;

  private String startedBy;
  private long items;
  private long done;
  private String refused;
  private Instant aliveAt;

  /**
   * Null until stored, so that a new job is always inserted: a second one at the same moment fails
   * on the primary key.
   */
  @Version private Long version;

  protected PayoutJobEntity() {}

  PayoutJobEntity(Long payoutId) {
    this.payoutId = payoutId;
  }

  /** Begins the job, in place of one that was refused or whose process died. */
  void begin(PayoutJobs.Doing what, String by, long count, Instant now) {
    doing = what;
    startedBy = by;
    items = count;
    done = 0;
    refused = null;
    aliveAt = now;
  }

  /** Whether some process works on it. */
  boolean atWork(Instant now) {
    return refused == null && aliveAt != null && aliveAt.plus(LEASE).isAfter(now);
  }

  void progress(long count, Instant now) {
    done = count;
    aliveAt = now;
  }

  void renew(Instant now) {
    aliveAt = now;
  }

  void refuse(String reason) {
    refused = reason.length() <= LONGEST_REASON ? reason : reason.substring(0, LONGEST_REASON);
  }

  boolean isRefused() {
    return refused != null;
  }

  PayoutJobs.Doing doing() {
    return doing;
  }

  String startedBy() {
    return startedBy;
  }

  PayoutJobs.Progress view() {
    return new PayoutJobs.Progress(doing, startedBy, done, items, refused);
  }
}
