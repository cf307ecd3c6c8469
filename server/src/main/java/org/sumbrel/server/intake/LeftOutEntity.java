package org.sumbrel.server.intake;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
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
import java.util.List;
import org.sumbrel.formats.LeftOut;

/** A row of a file that could not be read, and what became of it. */
@Entity
@Table(name = "left_out")
class LeftOutEntity {

  /** What became of it. */
  enum Status {
    OPEN,
    PUT_RIGHT,
    SHELVED
  }

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final int LONGEST_MESSAGE = 4_000;

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "left_out_seq")
  @SequenceGenerator(name = "left_out_seq", sequenceName = "left_out_seq", allocationSize = 50)
  private Long id;

  private Long intakeId;
  private Long bankAccountId;
  private int line;
  private String headings;
  private String cells;
  private String message;
  private String shape;

  @Enumerated(EnumType.STRING)
  private Status status;

  private String note;
  private String decidedBy;
  private Instant decidedAt;
  private Long becameIntakeId;
  @Version private long version;

  protected LeftOutEntity() {}

  LeftOutEntity(Long intakeId, Long bankAccountId, LeftOut row, String shape) {
    this.intakeId = intakeId;
    this.bankAccountId = bankAccountId;
    this.line = row.line();
    this.headings = written(row.headings());
    this.cells = written(row.cells());
    this.message =
        row.message().length() <= LONGEST_MESSAGE
            ? row.message()
            : row.message().substring(0, LONGEST_MESSAGE - 1) + "…";
    this.shape = shape;
    this.status = Status.OPEN;
  }

  private static String written(List<String> texts) {
    try {
      return JSON.writeValueAsString(texts);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a row cannot be written", e);
    }
  }

  private static List<String> read(String texts) {
    try {
      return JSON.readValue(texts, new TypeReference<List<String>>() {});
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a row cannot be read", e);
    }
  }

  Long id() {
    return id;
  }

  Long intakeId() {
    return intakeId;
  }

  /** The account that its file was for, or null where it was for none. */
  Long bankAccountId() {
    return bankAccountId;
  }

  int line() {
    return line;
  }

  List<String> headings() {
    return read(headings);
  }

  List<String> cells() {
    return read(cells);
  }

  String message() {
    return message;
  }

  String shape() {
    return shape;
  }

  Status status() {
    return status;
  }

  String note() {
    return note;
  }

  String decidedBy() {
    return decidedBy;
  }

  Instant decidedAt() {
    return decidedAt;
  }

  Long becameIntakeId() {
    return becameIntakeId;
  }

  void putRight(Long intake, String by, Instant at) {
    status = Status.PUT_RIGHT;
    becameIntakeId = intake;
    decidedBy = by;
    decidedAt = at;
  }

  void shelve(String why, String by, Instant at) {
    status = Status.SHELVED;
    note = why;
    decidedBy = by;
    decidedAt = at;
  }

  /** It waits again, because what it became was taken back, or it is wanted off the shelf. */
  void waitsAgain() {
    status = Status.OPEN;
    note = null;
    decidedBy = null;
    decidedAt = null;
    becameIntakeId = null;
  }
}
