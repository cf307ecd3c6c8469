package org.sumbrel.server.profiles;

import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.formats.table.TableProfile;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/** The profiles of a company, for whoever reads its files. */
@Service
@Transactional(readOnly = true)
public class Profiles {

  private final ProfileRepository profiles;
  private final Clock clock;

  Profiles(ProfileRepository profiles, Clock clock) {
    this.profiles = profiles;
    this.clock = clock;
  }

  public List<TableProfile> of(Long companyId) {
    return rows(companyId).stream().map(ProfileEntity::toProfile).toList();
  }

  /**
   * @throws NotThere where the company has none of this name
   */
  public TableProfile named(Long companyId, String name) {
    return profiles
        .findByCompanyIdAndName(companyId, name)
        .map(ProfileEntity::toProfile)
        .orElseThrow(() -> new NotThere("profile", name));
  }

  List<ProfileEntity> rows(Long companyId) {
    return profiles.findByCompanyIdOrderByName(companyId);
  }

  ProfileEntity row(Long id) {
    return profiles.findById(id).orElseThrow(() -> new NotThere("profile", id));
  }

  /**
   * Keeps a profile.
   *
   * @throws Conflict where there is one of its name or its headings
   */
  @Transactional
  public ProfileEntity add(Long companyId, TableProfile profile, String by) {
    requireFree(companyId, profile.name(), null);
    requireDistinct(companyId, profile, null);
    return profiles.saveAndFlush(new ProfileEntity(companyId, profile, by, clock.instant()));
  }

  @Transactional
  ProfileEntity change(Long id, long version, TableProfile profile, String by) {
    var row = row(id);
    if (row.version() != version) {
      throw new Conflict(
          "STALE", row.changedBy() + " has changed this profile since you opened it. Look again.");
    }
    requireFree(row.companyId(), profile.name(), id);
    requireDistinct(row.companyId(), profile, id);
    row.is(profile, by, clock.instant());
    return profiles.saveAndFlush(row);
  }

  @Transactional
  void delete(Long id) {
    profiles.delete(row(id));
  }

  private void requireFree(Long companyId, String name, Long id) {
    profiles
        .findByCompanyIdAndName(companyId, name)
        .filter(other -> !other.id().equals(id))
        .ifPresent(
            other -> {
              throw new Conflict(
                  "NAME_TAKEN",
                  "There is a profile \"" + name + "\" already; choose another name.");
            });
  }

  /** By its headings a file is recognised, so no two profiles have the same. */
  private void requireDistinct(Long companyId, TableProfile profile, Long id) {
    if (profile.headings().isEmpty()) {
      return;
    }
    for (var other : rows(companyId)) {
      if (!other.id().equals(id) && other.toProfile().headings().equals(profile.headings())) {
        throw new Conflict(
            "HEADINGS_TAKEN",
            "\"" + other.name() + "\" reads files of these headings already; change that one.");
      }
    }
  }
}
