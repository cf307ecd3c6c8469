package org.sumbrel.server.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.ClassPathResource;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.formats.table.TableProfile;

/** The profiles of the demo's processor and marketplace, by which their payout files are known. */
final class DemoProfiles {

  private DemoProfiles() {}

  /** The profiles as files, by name. */
  static Map<String, String> files() throws IOException {
    var files = new LinkedHashMap<String, String>();
    for (var name : List.of("chipfold-payouts.yml", "grocers-row-payouts.yml")) {
      files.put(
          name, new ClassPathResource("demo/" + name).getContentAsString(StandardCharsets.UTF_8));
    }
    return files;
  }

  static List<TableProfile> all() throws IOException, BrokenFile {
    var all = new ArrayList<TableProfile>();
    for (var yaml : files().values()) {
      all.add(ProfileYaml.read(yaml));
    }
    return all;
  }
}
