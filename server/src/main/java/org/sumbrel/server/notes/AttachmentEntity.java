package org.sumbrel.server.notes;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

/** A file that belongs to a note. */
@Entity
@Table(name = "attachment")
class AttachmentEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "attachment_seq")
  @SequenceGenerator(name = "attachment_seq", sequenceName = "attachment_seq", allocationSize = 50)
  private Long id;

  private Long noteId;
  private String name;
  private String mediaType;
  private long sizeBytes;
  @Lob private byte[] content;

  protected AttachmentEntity() {}

  AttachmentEntity(Long noteId, String name, AttachedFile.Type type, byte[] content) {
    this.noteId = noteId;
    this.name = name;
    this.mediaType = type.mediaType();
    this.sizeBytes = content.length;
    this.content = content;
  }

  Long id() {
    return id;
  }

  String name() {
    return name;
  }

  String mediaType() {
    return mediaType;
  }

  long sizeBytes() {
    return sizeBytes;
  }

  byte[] content() {
    return content;
  }
}
