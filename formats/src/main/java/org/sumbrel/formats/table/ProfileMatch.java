package org.sumbrel.formats.table;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.StringJoiner;

/**
 * A profile whose headings stand in a file, or nearly do.
 *
 * @param headingLine on which they stand in this file
 * @param headings as they stand in this file
 */
record ProfileMatch(
    TableProfile profile, TableSource source, int headingLine, List<String> headings) {

  /** The share of headings that a changed layout still has in common with the one known. */
  private static final double NEARLY = 0.6;

  /** The profile by which the file is to be read: all its headings, in their order. */
  static Optional<ProfileMatch> exact(
      Collection<TableSource> sources, Collection<TableProfile> known) {
    for (var source : sources) {
      var head = source.head(TableLayout.DEEPEST_HEADING);
      for (var profile : known) {
        for (var row : head) {
          if (!profile.headings().isEmpty()
              && plain(row.cells()).equals(plain(profile.headings()))) {
            return Optional.of(new ProfileMatch(profile, source, row.line(), row.cells()));
          }
        }
      }
    }
    return Optional.empty();
  }

  /** The profile that the file resembles most, where it has most of its headings. */
  static Optional<ProfileMatch> near(
      Collection<TableSource> sources, Collection<TableProfile> known) {
    ProfileMatch best = null;
    var most = NEARLY;
    for (var source : sources) {
      for (var row : source.head(TableLayout.DEEPEST_HEADING)) {
        for (var profile : known) {
          var share = share(plain(row.cells()), plain(profile.headings()));
          if (profile.headings().size() > 2 && share >= most) {
            most = share;
            best = new ProfileMatch(profile, source, row.line(), row.cells());
          }
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static double share(List<String> here, List<String> there) {
    var common = new HashSet<>(there);
    common.retainAll(new HashSet<>(here));
    common.remove("");
    return (double) common.size() / Math.max(1, Math.max(here.size(), there.size()));
  }

  private static List<String> plain(List<String> headings) {
    var plain = new ArrayList<>(headings.stream().map(Headings::plain).toList());
    // a separator at the end of the line is no column
    while (!plain.isEmpty() && plain.get(plain.size() - 1).isEmpty()) {
      plain.remove(plain.size() - 1);
    }
    return plain;
  }

  /** What is different here, in a sentence. */
  String difference() {
    var there = plain(profile.headings());
    var here = plain(headings);
    var said = new StringJoiner("; ");
    var gone = profile.headings().stream().filter(h -> !here.contains(Headings.plain(h))).toList();
    var added = headings.stream().filter(h -> !there.contains(Headings.plain(h))).toList();
    if (!gone.isEmpty()) {
      said.add("gone: " + String.join(", ", gone));
    }
    if (!added.isEmpty()) {
      said.add("new: " + String.join(", ", added));
    }
    if (gone.isEmpty() && added.isEmpty()) {
      said.add("the same columns in another order: " + String.join(", ", headings));
    }
    return said.toString();
  }
}
