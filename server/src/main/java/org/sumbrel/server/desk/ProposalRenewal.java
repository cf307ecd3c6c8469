package org.sumbrel.server.desk;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.core.task.TaskExecutor;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.stereotype.Component;

/**
 * Decides when proposals are renewed: at once where little waits, so that the next look at the desk
 * is current; behind the scenes where much does. What is marked as behind survives a stop and is
 * renewed at the next start.
 */
@Component
@Order(100)
public class ProposalRenewal implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(ProposalRenewal.class);
  private static final int AT_ONCE = 1_000;

  private final Proposals proposals;
  private final TaskExecutor behindTheScenes;
  private final Map<Long, Object> locks = new ConcurrentHashMap<>();

  ProposalRenewal(Proposals proposals) {
    this.proposals = proposals;
    var executor = new ThreadPoolTaskExecutor();
    executor.setCorePoolSize(1);
    executor.setMaxPoolSize(1);
    executor.setThreadNamePrefix("proposals-");
    executor.setDaemon(true);
    executor.initialize();
    this.behindTheScenes = executor;
  }

  /** To be called after the transaction that marked the company's proposals as behind. */
  public void after(Long companyId) {
    if (proposals.waiting(companyId) <= AT_ONCE) {
      try {
        oneByOne(companyId);
      } catch (ConcurrencyFailureException e) {
        // another process renews them just now: what it had not seen is left for later
        behindTheScenes.execute(() -> renew(companyId));
      }
    } else {
      behindTheScenes.execute(() -> renew(companyId));
    }
  }

  /**
   * Those who posted at the same moment wait for each other here: the next one renews for all who
   * wait, and the others find that what they noted is done.
   */
  private void oneByOne(Long companyId) {
    var noted = proposals.lastMark(companyId);
    synchronized (locks.computeIfAbsent(companyId, c -> new Object())) {
      proposals.renew(companyId, noted);
    }
  }

  private void renew(Long companyId) {
    try {
      oneByOne(companyId);
    } catch (RuntimeException e) {
      // the mark stays, so that the next change or start tries again
      LOG.error("proposals of company {} could not be renewed", companyId, e);
    }
  }

  @Override
  public void run(ApplicationArguments arguments) {
    proposals.staleCompanies().forEach(this::after);
  }
}
