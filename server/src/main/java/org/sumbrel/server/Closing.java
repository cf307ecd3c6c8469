package org.sumbrel.server;

import org.slf4j.Logger;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Whether the application is about to stop. Work behind the scenes then ends wherever it is, which
 * is no fault: what it was about is marked in the database, and goes on at the next start.
 */
@Component
public class Closing {

  private volatile boolean begun;

  @EventListener(ContextClosedEvent.class)
  void begun() {
    begun = true;
  }

  /**
   * Notes in the log why work behind the scenes came to nothing.
   *
   * @param what the work, as the beginning of a sentence
   */
  public void note(Logger log, String what, RuntimeException why) {
    if (begun) {
      log.info("{}: left for the next start", what);
    } else {
      log.error("{}", what, why);
    }
  }
}
