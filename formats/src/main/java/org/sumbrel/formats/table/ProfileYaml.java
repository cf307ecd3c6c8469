package org.sumbrel.formats.table;

import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.yaml.YamlText;

/** A profile as a YAML file, to be kept, changed by hand and handed on. */
public final class ProfileYaml {

  private ProfileYaml() {}

  /**
   * Reads a profile that is complete.
   *
   * @throws BrokenFile where it is none, with the line where that can be told
   */
  public static TableProfile read(String yaml) throws BrokenFile {
    return document(yaml).toProfile();
  }

  /**
   * Reads what is said of a profile.
   *
   * @throws BrokenFile where it is none, with the line where that can be told
   */
  public static ProfileDocument document(String yaml) throws BrokenFile {
    return YamlText.read(yaml, ProfileDocument.class, "profile");
  }

  public static String write(TableProfile profile) {
    return YamlText.write(ProfileDocument.of(profile));
  }
}
