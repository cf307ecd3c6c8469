package org.sumbrel.server.desk;

import jakarta.annotation.PreDestroy;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.stereotype.Component;
import org.sumbrel.core.propose.Alias;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.server.Closing;
import org.sumbrel.server.companies.PolicyDecided;

/**
 * Decides when proposals are renewed. Where little waits at once, so that the next look at the desk
 * is current; where much does, behind the scenes, and who changed something waits for it a moment.
 * What is marked as behind survives a stop and is renewed at the next start, as is everything then,
 * so that it is in memory before somebody posts.
 */
@Component
@Order(100)
public class ProposalRenewal implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(ProposalRenewal.class);
  private static final int AT_ONCE = 1_000;
  private static final long LONGEST_WAIT_MS = 1_000;

  private final Proposals proposals;
  private final ApplicationEventPublisher events;
  private final Closing closing;
  private final ThreadPoolTaskExecutor behindTheScenes;
  private final Map<Long, Object> locks = new ConcurrentHashMap<>();
  private final Map<Long, Thinking> thinking = new ConcurrentHashMap<>();

  ProposalRenewal(Proposals proposals, ApplicationEventPublisher events, Closing closing) {
    this.proposals = proposals;
    this.events = events;
    this.closing = closing;
    var executor = new ThreadPoolTaskExecutor();
    executor.setCorePoolSize(1);
    executor.setMaxPoolSize(1);
    executor.setThreadNamePrefix("proposals-");
    executor.setDaemon(true);
    executor.initialize();
    this.behindTheScenes = executor;
  }

  @PreDestroy
  void stop() {
    behindTheScenes.shutdown();
  }

  /** What would be thought otherwise if an alias were held to, while no renewal is under way. */
  public Optional<List<Proposals.Thought>> ifKnown(
      Long companyId, CurrencyUnit currency, Alias alias) {
    synchronized (locks.computeIfAbsent(companyId, c -> new Object())) {
      return proposals.ifKnown(companyId, currency, alias);
    }
  }

  /** What a receipt would pay if it came now. */
  public List<Proposals.WouldPay> ifCame(Long companyId, Receipt receipt) {
    synchronized (locks.computeIfAbsent(companyId, c -> new Object())) {
      return proposals.ifCame(companyId, receipt);
    }
  }

  /** How many of the entries that came have been thought about. */
  public record Thinking(@NotNull int done, @NotNull int of) {}

  /** How far a renewal is that is under way. */
  public Optional<Thinking> thinking(Long companyId) {
    return Optional.ofNullable(thinking.get(companyId));
  }

  /** Whether something was written that proposals do not know of yet. */
  public boolean behind(Long companyId) {
    return proposals.lastMark(companyId) > 0;
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
      waitFor(CompletableFuture.runAsync(() -> renew(companyId), behindTheScenes));
    }
  }

  /** A policy was decided anew: what waits stands by it from now on. */
  @EventListener
  public void decided(PolicyDecided policy) {
    proposals.mark(policy.companyId());
    after(policy.companyId());
  }

  private static void waitFor(CompletableFuture<Void> renewal) {
    try {
      renewal.get(LONGEST_WAIT_MS, TimeUnit.MILLISECONDS);
    } catch (TimeoutException e) {
      // it goes on, and the desk says how far it is
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException e) {
      throw new IllegalStateException("a renewal of proposals never throws", e);
    }
  }

  /**
   * Those who posted at the same moment wait for each other here: the next one renews for all who
   * wait, and the others find that what they noted is done.
   */
  private void oneByOne(Long companyId) {
    var noted = proposals.lastMark(companyId);
    var renewed = false;
    synchronized (locks.computeIfAbsent(companyId, c -> new Object())) {
      try {
        renewed = proposals.renew(companyId, noted, (done, of) -> heard(companyId, done, of));
      } finally {
        thinking.remove(companyId);
      }
    }
    if (renewed) {
      events.publishEvent(new ProposalsRenewed(companyId));
    }
  }

  private void heard(Long companyId, int done, int of) {
    if (of > AT_ONCE) {
      thinking.merge(companyId, new Thinking(done, of), (a, b) -> a.done() > b.done() ? a : b);
    }
  }

  private void renew(Long companyId) {
    try {
      oneByOne(companyId);
    } catch (RuntimeException e) {
      // the mark stays, so that the next change or start tries again
      closing.note(LOG, "proposals of company " + companyId + " could not be renewed", e);
    }
  }

  @Override
  public void run(ApplicationArguments arguments) {
    proposals.staleCompanies().forEach(this::after);
    for (var company : proposals.companiesWaiting()) {
      if (!proposals.current(company)) {
        proposals.mark(company);
        behindTheScenes.execute(() -> renew(company));
      }
    }
  }
}
