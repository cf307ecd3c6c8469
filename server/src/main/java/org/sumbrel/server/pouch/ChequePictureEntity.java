package org.sumbrel.server.pouch;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

/** The picture of a cheque, as a scanner or a mail room took it. */
@Entity
@Table(name = "cheque_picture")
class ChequePictureEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "cheque_picture_seq")
  @SequenceGenerator(
      name = "cheque_picture_seq",
      sequenceName = "cheque_picture_seq",
      allocationSize = 1)
  private Long id;

  private Long companyId;
  private String mediaType;
  @Lob private String content;
  private Instant takenAt;

  protected ChequePictureEntity() {}

  ChequePictureEntity(Long companyId, String mediaType, String content, Instant takenAt) {
    this.companyId = companyId;
    this.mediaType = mediaType;
    this.content = content;
    this.takenAt = takenAt;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  String mediaType() {
    return mediaType;
  }

  String content() {
    return content;
  }
}
