package org.sumbrel.formats;

import java.util.List;

/**
 * A row of a table that cannot be read, as it stands, so that somebody can put it right.
 *
 * @param line on which it begins, from 1
 * @param headings of the columns; empty where there are none
 * @param message what is wrong with it
 */
public record LeftOut(int line, List<String> headings, List<String> cells, String message) {

  public LeftOut {
    headings = List.copyOf(headings);
    cells = List.copyOf(cells);
  }

  /** The same, saying what is wrong. */
  public LeftOut because(String why) {
    return new LeftOut(line, headings, cells, why);
  }
}
