package org.sumbrel.server;

import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoMoreInteractions;

import org.junit.jupiter.api.Test;
import org.slf4j.Logger;
import org.springframework.context.annotation.AnnotationConfigApplicationContext;

/** What work behind the scenes that came to nothing says in the log. */
class ClosingTest {

  private final Logger log = mock(Logger.class);
  private final RuntimeException why = new IllegalStateException("gone");

  @Test
  void isAFaultWhileTheApplicationRunsAndNoneWhenItStops() {
    var context = new AnnotationConfigApplicationContext(Closing.class);
    var closing = context.getBean(Closing.class);
    closing.note(log, "a run was interrupted", why);
    verify(log).error("{}", "a run was interrupted", why);
    context.close();
    closing.note(log, "a run was interrupted", why);
    verify(log).info("{}: left for the next start", "a run was interrupted");
    verifyNoMoreInteractions(log);
  }
}
