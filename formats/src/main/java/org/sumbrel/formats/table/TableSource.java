package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Reading;

/** A file cut into rows and cells, whatever it is written as. */
interface TableSource {

  /** What is done with each row. */
  @FunctionalInterface
  interface Visit {
    void visit(TableRow row) throws BrokenFile;
  }

  /** How it is written. */
  Dialect dialect();

  /** The first lines, each read by itself, so that an odd one does not spoil those behind it. */
  List<TableRow> head(int lines);

  /**
   * Visits the rows behind a line.
   *
   * @throws BrokenFile where what follows is no table
   */
  void rows(int afterLine, Visit visit) throws BrokenFile;

  /** Lists characters that the file's character set does not have. */
  default void reportDoubts(Reading reading) {}

  /**
   * Whether the last row, which begins on this line, has a quote at a field's start without its
   * end.
   */
  default boolean quoteOpenFrom(int line) {
    return false;
  }
}
