package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.regex.Pattern;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.OpenItem;

/** Reads what stands shortened behind a number that a text names. */
final class ListReader {

  private static final int LONGEST_RUN = 60;
  private static final Pattern SEPARATOR = Pattern.compile("\\s*(?:[/,;&+-]|AND|UND|ET)\\s*");

  private final TextReading reading;

  ListReader(TextReading reading) {
    this.reading = reading;
  }

  /**
   * Lists as people shorten them: after a number, {@code /52} or {@code & 52} changes its last
   * figures, and {@code -23} runs through to it. Which number of the list was shortened from is not
   * said, so that there may be several readings.
   */
  void read() {
    var tokens = reading.tokens();
    for (var i = 0; i + 1 < tokens.size(); i++) {
      if (reading.digitsAt(tokens.get(i)).isEmpty() || !reading.named(tokens.get(i))) {
        continue;
      }
      var whole = new ArrayList<String>();
      whole.add(reading.digitsAt(tokens.get(i)));
      var at = i + 1;
      for (; at < tokens.size() && listed(at, whole); at++) {
        // each further part of the list is read as it comes
      }
      i = at - 1;
    }
  }

  /**
   * Reads one more part of a list.
   *
   * @param whole the numbers of the list so far that were written in full; may grow
   * @return whether it was part of the list
   */
  private boolean listed(int at, List<String> whole) {
    var tokens = reading.tokens();
    var token = tokens.get(at);
    var between = reading.text().substring(tokens.get(at - 1)[1], token[0]);
    if (!SEPARATOR.matcher(between).matches()) {
      return false;
    }
    var more = reading.at(token);
    var dash = between.strip().equals("-");
    var full = reading.digitsAt(token);
    if (reading.named(token) && !full.isEmpty()) {
      if (dash && full.length() == whole.get(whole.size() - 1).length()) {
        run(whole.get(whole.size() - 1), full, token);
      }
      whole.add(full);
      return true;
    }
    if (!more.matches("\\d{1,9}") || reading.isYear(more) || reading.isRead(token[0], token[1])) {
      return false;
    }
    var readings = new LinkedHashSet<OpenItem>();
    for (var first : whole) {
      if (more.length() < first.length()) {
        var last = first.substring(0, first.length() - more.length()) + more;
        if (dash) {
          run(first, last, token);
          return true;
        }
        readings.addAll(reading.index().digits(last));
      } else if (dash && more.length() == first.length()) {
        run(first, more, token);
      }
    }
    if (!readings.isEmpty()) {
      reading.hit(List.copyOf(readings), Form.LISTED, token[0], token[1]);
    }
    return !readings.isEmpty() || dash;
  }

  /** The numbers between two that a dash joins, where they are few. */
  private void run(String from, String to, int[] place) {
    var first = Long.parseLong(from);
    var last = Long.parseLong(to);
    if (last <= first || last - first > LONGEST_RUN) {
      return;
    }
    for (var n = first + 1; n <= last; n++) {
      var items = reading.index().digits(String.valueOf(n));
      if (!items.isEmpty() && reading.found().stream().noneMatch(h -> items.contains(h.item()))) {
        reading.hit(items, n < last ? Form.IN_RUN : Form.LISTED, place[0], place[1]);
      }
    }
  }
}
