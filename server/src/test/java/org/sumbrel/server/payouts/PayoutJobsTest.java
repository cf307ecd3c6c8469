package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.payout.PayoutRefused;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.payouts.PayoutJobs.Doing;

/** Payouts that are done behind the scenes, for longer than a call waits. */
class PayoutJobsTest {

  private final PayoutJobs jobs = new PayoutJobs();

  @Test
  void tellsHowFarALongOneIsAndKeepsASecondAway() {
    var end = new CountDownLatch(1);
    jobs.run(
        7L,
        Doing.BOOK,
        "maren",
        50,
        watch -> {
          watch.accept(20);
          await(end);
        });
    assertThat(jobs.of(7L)).contains(new PayoutJobs.Progress(Doing.BOOK, "maren", 20, 50, null));
    assertThatThrownBy(() -> jobs.run(7L, Doing.REVERSE, "osric", 50, watch -> {}))
        .isInstanceOf(Conflict.class)
        .hasMessage("maren books this payout just now; wait for it.");
    end.countDown();
    untilOver(7L);
    assertThat(jobs.of(7L)).isEmpty();
  }

  @Test
  void refusesAtOnceWhatIsRefusedSoonAndTellsLaterWhatIsRefusedLate() {
    assertThatThrownBy(() -> refused(1L, new PayoutRefused("Line 3 is not known.")))
        .isInstanceOf(PayoutRefused.class);
    assertThat(jobs.of(1L)).isEmpty();
    late(2L, new PayoutRefused("Line 3 is not known."));
    assertThat(jobs.of(2L).orElseThrow().refused()).isEqualTo("Line 3 is not known.");
    // what went wrong inside is not shown
    late(3L, new IllegalStateException("select secret from"));
    assertThat(jobs.of(3L).orElseThrow().refused()).startsWith("Something went wrong inside");
    // and may be tried again
    jobs.run(3L, Doing.BOOK, "maren", 1, watch -> {});
    assertThat(jobs.of(3L)).isEmpty();
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
