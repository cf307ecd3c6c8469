package org.sumbrel.server.notes;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

/** A note; one that is addressed to somebody is a question until it is done. */
@Entity
@Table(name = "note")
class NoteEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "note_seq")
  @SequenceGenerator(name = "note_seq", sequenceName = "note_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private String about;
  private String text;
  private String writtenBy;
  private Instant writtenAt;
  private String toUser;
  private String doneBy;
  private Instant doneAt;

  protected NoteEntity() {}

  NoteEntity(
      Long companyId, Subject about, String text, String toUser, String writtenBy, Instant at) {
    this.companyId = companyId;
    this.about = about.toString();
    this.text = text;
    this.toUser = toUser;
    this.writtenBy = writtenBy;
    this.writtenAt = at;
  }

  void done(String by, Instant at) {
    doneBy = by;
    doneAt = at;
  }

  Long companyId() {
    return companyId;
  }

  Long id() {
    return id;
  }

  Subject about() {
    return Subject.read(about);
  }

  String text() {
    return text;
  }

  String writtenBy() {
    return writtenBy;
  }

  Instant writtenAt() {
    return writtenAt;
  }

  String toUser() {
    return toUser;
  }

  String doneBy() {
    return doneBy;
  }

  Instant doneAt() {
    return doneAt;
  }
}
