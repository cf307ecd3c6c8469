package org.sumbrel.server.intake;

import org.sumbrel.server.intake.RunningIntakes.Progress;

/**
 * Follows one intake, notes now and then how far it is, and ends it where somebody asked for that.
 */
final class IntakeWatch {

  /** Somebody stopped the intake; nothing of it is kept. */
  static final class Stopped extends RuntimeException {

    private static final long serialVersionUID = 1L;

    Stopped() {
      super("The intake was stopped; nothing of the file was kept.");
    }
  }

  private static final long NOW_AND_THEN_NANOS = 300_000_000L;

  private final RunningIntakes running;
  private final String id;
  private long noted;
  private boolean stopped;

  /** Nobody follows. */
  static IntakeWatch none() {
    return new IntakeWatch(null, "");
  }

  IntakeWatch(RunningIntakes running, String id) {
    this.running = running;
    this.id = id;
  }

  /** So many records are read; whether reading goes on. */
  boolean read(long records) {
    return goesOn(new Progress("READING", records, 0));
  }

  /**
   * So many records of all are kept.
   *
   * @throws Stopped where somebody asked for that
   */
  void kept(long records, long all) {
    if (!goesOn(new Progress("KEEPING", records, all))) {
      throw new Stopped();
    }
  }

  boolean stopped() {
    return stopped;
  }

  private boolean goesOn(Progress progress) {
    var now = System.nanoTime();
    if (running != null && !stopped && now - noted > NOW_AND_THEN_NANOS) {
      noted = now;
      stopped = running.note(id, progress);
    }
    return !stopped;
  }
}
