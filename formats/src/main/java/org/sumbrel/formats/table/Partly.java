package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.LeftOut;

/**
 * A table of which some rows cannot be read.
 *
 * @param content what the others hold
 * @param profile by which they were read
 * @param leftOut those that cannot be read, as they stand
 */
public record Partly(FileContent content, TableProfile profile, List<LeftOut> leftOut) {

  public Partly {
    leftOut = List.copyOf(leftOut);
  }
}
