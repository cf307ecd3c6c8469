package org.sumbrel.server.settle;

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

/**
 * A draft as somebody has left it: of an entry, or of a customer's account. {@code body} is {@link
 * PostSettlement} as JSON.
 */
@Entity
@Table(name = "draft")
class DraftEntity {

  /** Where it stands between two people. */
  enum State {
    /** Somebody works on it. */
    OPEN,
    /** Handed to a supervisor. */
    HANDED,
    /** Handed back with a note. */
    RETURNED,
    /** A run could not post it; the note says why. */
    REFUSED
  }

  private static final int LONGEST_NOTE = 1_000;

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "draft_seq")
  @SequenceGenerator(name = "draft_seq", sequenceName = "draft_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long entryId;
  private Long accountOfId;
  private String body;
  private String heldBy;
  private Instant heldSince;

  @Enumerated(EnumType.STRING)
  private State state;

  private String note;
  private String notedBy;
  @Version private long version;

  protected DraftEntity() {}

  DraftEntity(Long companyId, DraftSubject subject, String heldBy, Instant heldSince) {
    this.companyId = companyId;
    this.entryId = subject.entryId();
    this.accountOfId = subject.accountOf();
    this.heldBy = heldBy;
    this.heldSince = heldSince;
    this.state = State.OPEN;
    this.note = "";
  }

  DraftSubject subject() {
    return new DraftSubject(entryId, accountOfId);
  }

  String body() {
    return body;
  }

  String heldBy() {
    return heldBy;
  }

  Instant heldSince() {
    return heldSince;
  }

  State state() {
    return state;
  }

  String note() {
    return note;
  }

  String notedBy() {
    return notedBy;
  }

  long version() {
    return version;
  }

  /** Changed by whoever holds it; what was handed over is taken back by that. */
  void becomes(String newBody) {
    body = newBody;
    if (state == State.HANDED || state == State.REFUSED) {
      state = State.OPEN;
    }
  }

  void takenOver(String by, Instant at) {
    heldBy = by;
    heldSince = at;
    state = State.OPEN;
  }

  void handed(String words) {
    state = State.HANDED;
    note = words;
    notedBy = heldBy;
  }

  void returned(String words, String by) {
    state = State.RETURNED;
    note = words;
    notedBy = by;
  }

  /** As a run had it, which could not post it. */
  void refused(String newBody, String reason) {
    body = newBody;
    state = State.REFUSED;
    note = reason.length() <= LONGEST_NOTE ? reason : reason.substring(0, LONGEST_NOTE - 1) + "…";
    notedBy = heldBy;
  }
}
