package org.sumbrel.browser;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;

/** Each test with an application of its own, as it is on the demo company's first day. */
abstract class FreshSumbrelTest extends SumbrelTest {

  RunningSumbrel sumbrel;

  @BeforeEach
  void start() throws Exception {
    sumbrel = started();
  }

  RunningSumbrel started() throws Exception {
    return RunningSumbrel.withDemoBooks();
  }

  @Override
  RunningSumbrel application() {
    return sumbrel;
  }

  @AfterEach
  void stop() {
    sumbrel.close();
  }
}
