package org.sumbrel.formats.table;

import java.util.List;

/**
 * Something that a column of a table may hold.
 *
 * @param word its name in our own lists, in profiles and in the API
 * @param kind how its cells are read
 * @param headings the plain headings that mean it beyond doubt, the best first
 */
public record TableField(String word, Kind kind, List<String> headings) {

  /** How cells are read. */
  public enum Kind {
    TEXT,
    /** Several columns may hold it; their texts are put together. */
    TEXTS,
    DATE,
    AMOUNT
  }

  public TableField {
    headings = List.copyOf(headings);
  }

  /** A field whose own word is a heading too. */
  static TableField of(String word, Kind kind, String... headings) {
    return new TableField(word, kind, List.of(headings));
  }

  /** Looked up for every cell; its word tells it apart well enough. */
  @Override
  public int hashCode() {
    return word.hashCode();
  }

  /** How good a heading is for it, the lower the better; of two, the better one counts. */
  int rank(String heading) {
    var plain = Headings.plain(heading);
    if (plain.equals(Headings.plain(word))) {
      return -1;
    }
    var at = headings.indexOf(plain);
    return at < 0 ? headings.size() : at;
  }

  /** Its name in a sentence. */
  String said() {
    return word.replace('_', ' ');
  }
}
