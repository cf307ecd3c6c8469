package org.sumbrel.testing;

/**
 * How much of a long search is done: a part in each run, all of it with {@code
 * -Dsumbrel.tests=full}.
 */
public final class TestDepth {

  private static final boolean FULL = "full".equals(System.getProperty("sumbrel.tests"));

  private TestDepth() {}

  /** Whether everything is done. */
  public static boolean full() {
    return FULL;
  }

  /** The one number in each run, the other in a full one. */
  public static int pick(int inEachRun, int inFull) {
    return FULL ? inFull : inEachRun;
  }
}
