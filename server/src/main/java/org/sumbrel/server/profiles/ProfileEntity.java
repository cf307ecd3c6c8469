package org.sumbrel.server.profiles;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.formats.table.TableProfile;

/** A profile of a company, kept as the YAML in which it is exported too. */
@Entity
@Table(name = "profile")
class ProfileEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "profile_seq")
  @SequenceGenerator(name = "profile_seq", sequenceName = "profile_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private String name;
  private String subject;
  private String shape;
  private String changedBy;
  private Instant changedAt;
  @Version private long version;

  protected ProfileEntity() {}

  ProfileEntity(Long companyId, TableProfile profile, String by, Instant at) {
    this.companyId = companyId;
    is(profile, by, at);
  }

  void is(TableProfile profile, String by, Instant at) {
    name = profile.name();
    subject = profile.subject().word();
    shape = ProfileYaml.write(profile);
    changedBy = by;
    changedAt = at;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  String name() {
    return name;
  }

  String subject() {
    return subject;
  }

  String shape() {
    return shape;
  }

  String changedBy() {
    return changedBy;
  }

  Instant changedAt() {
    return changedAt;
  }

  long version() {
    return version;
  }

  TableProfile toProfile() {
    try {
      return ProfileYaml.read(shape);
    } catch (BrokenFile e) {
      throw new IllegalStateException("profile " + name + " was kept and cannot be read", e);
    }
  }
}
