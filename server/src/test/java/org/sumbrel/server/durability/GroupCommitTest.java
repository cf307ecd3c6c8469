package org.sumbrel.server.durability;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Threads that wait at the same moment share one write. */
class GroupCommitTest {

  @Test
  void writesOnceForAllThatWaitWhileAnotherWriteIsUnderWay() throws Exception {
    var writes = new AtomicInteger();
    var begun = new CountDownLatch(1);
    var goOn = new CountDownLatch(1);
    var group =
        new GroupCommit(
            () -> {
              if (writes.incrementAndGet() == 1) {
                begun.countDown();
                await(goOn);
              }
            });
    var first = new Thread(group::force);
    first.start();
    begun.await();
    var others = Stream.generate(() -> new Thread(group::force)).limit(5).toList();
    others.forEach(Thread::start);
    while (others.stream().anyMatch(t -> t.getState() != Thread.State.WAITING)) {
      Thread.onSpinWait();
    }
    goOn.countDown();
    first.join();
    for (var other : others) {
      other.join();
    }
    // the one under way began before they came, so they need another, which is the same for all
    assertThat(writes).hasValue(2);
  }

  @Test
  void writesForEachThatComesAlone() {
    var writes = new AtomicInteger();
    var group = new GroupCommit(writes::incrementAndGet);
    for (var n = 1; n <= 3; n++) {
      group.force();
      assertThat(writes).hasValue(n);
    }
  }

  /** What could not be written is tried again by the next, and never taken for written. */
  @Test
  void takesNoFailedWriteForDone() {
    var writes = new AtomicInteger();
    var group =
        new GroupCommit(
            () -> {
              if (writes.incrementAndGet() == 1) {
                throw new IllegalStateException("the disk is full");
              }
            });
    assertThatThrownBy(group::force).hasMessage("the disk is full");
    group.force();
    assertThat(writes).hasValue(2);
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
