package org.sumbrel.server.settle;

import java.util.Optional;

/** What must be decided before certain money may be posted. */
public interface PostingHolds {

  /**
   * Why an entry may not be posted yet, as a sentence; empty where nothing is against it.
   *
   * @param released whether a second person has said yes to it
   */
  Optional<String> against(Long entryId, boolean released);
}
