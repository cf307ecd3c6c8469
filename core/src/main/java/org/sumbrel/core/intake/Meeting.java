package org.sumbrel.core.intake;

import java.util.Optional;

/**
 * What an incoming movement is to those that are known.
 *
 * @param at the movement's place in its file
 * @param known the one it meets, unless it is new
 * @param doubtful whether day and amount agree but what is told does not, so that a person should
 *     hear of it
 */
public record Meeting(int at, Kind kind, Optional<KnownMovement> known, boolean doubtful) {

  /** How it meets the known one. */
  public enum Kind {
    /** Nothing known is the same. */
    NEW,
    /** Known already, and nothing to be done. */
    SAME,
    /** Known as announced, booked now. */
    BECOMES_BOOKED,
    /** Known by its id, with another day or amount now. */
    CHANGED
  }
}
