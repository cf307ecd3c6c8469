package org.sumbrel.server.tieout;

import jakarta.persistence.Embeddable;
import java.time.Instant;

/** Who closed something and when, and who opened it again and why. */
@Embeddable
class Closing {

  private String closedBy;
  private Instant closedAt;
  private String reopenedBy;
  private Instant reopenedAt;
  private String reopenedWhy;

  protected Closing() {}

  Closing(String by, Instant at) {
    this.closedBy = by;
    this.closedAt = at;
  }

  void reopen(String why, String by, Instant at) {
    reopenedWhy = why;
    reopenedBy = by;
    reopenedAt = at;
  }

  boolean stands() {
    return reopenedAt == null;
  }

  String closedBy() {
    return closedBy;
  }

  Instant closedAt() {
    return closedAt;
  }

  String reopenedBy() {
    return reopenedBy;
  }

  Instant reopenedAt() {
    return reopenedAt;
  }

  String reopenedWhy() {
    return reopenedWhy;
  }
}
