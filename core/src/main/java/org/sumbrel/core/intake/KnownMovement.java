package org.sumbrel.core.intake;

import java.util.Set;

/**
 * A movement that was taken in before.
 *
 * @param key by which whoever asks knows it
 * @param ids all its ids, as {@code source:id}
 * @param movement as it stands now
 * @param withdrawn whether it was taken out again; then only its id is known again
 */
public record KnownMovement(long key, Set<String> ids, Movement movement, boolean withdrawn) {

  public KnownMovement {
    ids = Set.copyOf(ids);
  }

  /** An id as it stands in {@link #ids}. */
  public static String id(String source, String id) {
    return source + ":" + id;
  }

  boolean hasBankIdOf(String source) {
    return movement.idOfBank() && movement.source().equals(source);
  }
}
