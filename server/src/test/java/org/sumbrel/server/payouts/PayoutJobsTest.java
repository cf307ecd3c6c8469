package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.transaction.PlatformTransactionManager;
import org.sumbrel.core.payout.PayoutRefused;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.payouts.PayoutJobs.Doing;

/** Payouts that are done in the background, for longer than a call waits. */
@ApiTest
class PayoutJobsTest extends PayoutsThroughTheApi {

  @Autowired private PayoutJobs jobs;
  @Autowired private PayoutJobRepository rows;
  @Autowired private PlatformTransactionManager transactions;

  private long anyPayout() {
    return take("96.80", line("sale", "1", "", "WEB-" + number, "100.00", "3.20", "96.80"));
  }

  @Test
  void tellsHowFarALongOneIsAndKeepsASecondAway() {
    var id = anyPayout();
    var end = new CountDownLatch(1);
    jobs.run(
        id,
        Doing.BOOK,
        "maren",
        50,
        watch -> {
          watch.accept(20);
          await(end);
        });
    assertThat(jobs.of(id)).contains(new PayoutJobs.Progress(Doing.BOOK, "maren", 20, 50, null));
    // another process sees and refuses the same
    var other = new PayoutJobs(rows, transactions);
    assertThat(other.of(id)).isEqualTo(jobs.of(id));
    for (var process : List.of(jobs, other)) {
      assertThatThrownBy(() -> process.run(id, Doing.REVERSE, "osric", 50, watch -> {}))
          .isInstanceOf(Conflict.class)
          .hasMessage("maren books this payout just now; wait for it.");
    }
    end.countDown();
    untilOver(id);
    assertThat(jobs.of(id)).isEmpty();
  }

  /** What a process that died has left holds nobody up. */
  @Test
  void takesOverFromAProcessThatDied() {
    var id = anyPayout();
    var left = new PayoutJobEntity(id);
    left.begin(Doing.BOOK, "maren", 50, Instant.now().minus(PayoutJobEntity.LEASE));
    rows.saveAndFlush(left);
    assertThat(jobs.of(id)).isEmpty();
    jobs.run(id, Doing.BOOK, "osric", 1, watch -> {});
    untilOver(id);
    assertThat(rows.findById(id)).isEmpty();
  }

  @Test
  void aSecondNewJobOfAPayoutIsRefusedByTheDatabase() {
    var id = anyPayout();
    rows.saveAndFlush(begun(id));
    assertThatThrownBy(() -> rows.saveAndFlush(begun(id)))
        .isInstanceOf(DataIntegrityViolationException.class);
    rows.deleteById(id);
  }

  private static PayoutJobEntity begun(long id) {
    var job = new PayoutJobEntity(id);
    job.begin(Doing.BOOK, "maren", 1, Instant.now());
    return job;
  }

  /** One of two that begin at the same moment does. */
  @Test
  void isBegunOnceByManyAtTheSameMoment() throws Exception {
    var id = anyPayout();
    var end = new CountDownLatch(1);
    var pool = Executors.newFixedThreadPool(4);
    var begun = new AtomicInteger();
    var tries =
        Collections.nCopies(
            4,
            (Callable<Boolean>)
                () -> {
                  try {
                    new PayoutJobs(rows, transactions)
                        .run(
                            id,
                            Doing.BOOK,
                            "maren",
                            1,
                            watch -> {
                              begun.incrementAndGet();
                              await(end);
                            });
                    return true;
                  } catch (Conflict e) {
                    return false;
                  }
                });
    var results = new ArrayList<Boolean>();
    for (var one : pool.invokeAll(tries)) {
      results.add(one.get());
    }
    end.countDown();
    pool.shutdown();
    untilOver(id);
    assertThat(results).containsOnlyOnce(true);
    assertThat(begun).hasValue(1);
  }

  @Test
  void refusesAtOnceWhatIsRefusedSoonAndTellsLaterWhatIsRefusedLate() {
    var id = anyPayout();
    assertThatThrownBy(() -> refused(id, new PayoutRefused("Line 3 is not known.")))
        .isInstanceOf(PayoutRefused.class);
    assertThat(jobs.of(id)).isEmpty();
    late(id, new PayoutRefused("Line 3 is not known."));
    assertThat(jobs.of(id).orElseThrow().refused()).isEqualTo("Line 3 is not known.");
    // what went wrong inside is not shown
    late(id, new IllegalStateException("select secret from"));
    assertThat(jobs.of(id).orElseThrow().refused()).startsWith("Something went wrong inside");
    // and may be tried again
    jobs.run(id, Doing.BOOK, "maren", 1, watch -> {});
    untilOver(id);
    assertThat(jobs.of(id)).isEmpty();
  }

  private void refused(Long id, RuntimeException why) {
    jobs.run(
        id,
        Doing.BOOK,
        "maren",
        1,
        watch -> {
          throw why;
        });
  }

  private void late(Long id, RuntimeException why) {
    var end = new CountDownLatch(1);
    jobs.run(
        id,
        Doing.BOOK,
        "maren",
        1,
        watch -> {
          await(end);
          throw why;
        });
    end.countDown();
    untilOver(id);
  }

  private void untilOver(Long id) {
    for (var n = 0; n < 600; n++) {
      var now = jobs.of(id);
      if (now.isEmpty() || now.get().refused() != null) {
        return;
      }
      LockSupport.parkNanos(20_000_000);
    }
    throw new AssertionError("it goes on and on");
  }

  private static void await(CountDownLatch end) {
    try {
      end.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
