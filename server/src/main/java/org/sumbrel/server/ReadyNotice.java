package org.sumbrel.server;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Says, once everything is in place, where the application is to be found; the start command waits
 * for this line.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class ReadyNotice implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(ReadyNotice.class);

  private final ConfigurableApplicationContext context;

  private final SumbrelSettings settings;

  ReadyNotice(ConfigurableApplicationContext context, SumbrelSettings settings) {
    this.context = context;
    this.settings = settings;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    LOG.info(
        "Sumbrel is ready on http://localhost:{}",
        context.getEnvironment().getProperty("local.server.port"));
    if (settings.stopWhenReady()) {
      context.close();
    }
  }
}
