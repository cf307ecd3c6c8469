package org.sumbrel.server.find;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

/** A search line that somebody keeps under a name. */
@Entity
@Table(name = "saved_search")
class SavedSearchEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "saved_search_seq")
  @SequenceGenerator(
      name = "saved_search_seq",
      sequenceName = "saved_search_seq",
      allocationSize = 1)
  private Long id;

  private String userName;
  private String name;
  private String line;

  protected SavedSearchEntity() {}

  SavedSearchEntity(String userName, String name, String line) {
    this.userName = userName;
    this.name = name;
    this.line = line;
  }

  Long id() {
    return id;
  }

  String name() {
    return name;
  }

  String line() {
    return line;
  }

  void becomes(String newLine) {
    line = newLine;
  }
}
