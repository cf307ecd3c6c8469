package org.sumbrel.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import org.joda.money.CurrencyUnit;

/**
 * One file being read: what is wrong with it so far, what is known of it from elsewhere, and how
 * much longer it may take.
 */
public final class Reading {

  /** The most problems that are listed one by one. */
  public static final int MOST_PROBLEMS = 100;

  /** The most entries, details or rows of one file. */
  public static final int MOST_RECORDS = 1_000_000;

  private static final int EVERY = 1_000;
  private static final long LONGEST_NANOS = 180_000_000_000L;

  private final Optional<CurrencyUnit> currency;
  private final LongPredicate goesOn;
  private final long began = System.nanoTime();
  private final List<Problem> fatal = new ArrayList<>();
  private final List<Problem> odd = new ArrayList<>();
  private final Set<Integer> leavingOut;
  private final List<LeftOut> leftOut = new ArrayList<>();
  private int furtherFatal;
  private int furtherOdd;
  private int records;

  /**
   * @param currency of the account that the file is for, where somebody said which; counts where
   *     the file is silent
   */
  public Reading(Optional<CurrencyUnit> currency) {
    this(currency, records -> true);
  }

  /**
   * @param currency of the account that the file is for, where somebody said which
   * @param goesOn asked every thousand records whether reading goes on
   */
  public Reading(Optional<CurrencyUnit> currency, LongPredicate goesOn) {
    this(currency, goesOn, Set.of());
  }

  private Reading(Optional<CurrencyUnit> currency, LongPredicate goesOn, Set<Integer> leavingOut) {
    this.currency = currency;
    this.goesOn = goesOn;
    this.leavingOut = leavingOut;
  }

  /** The same file read anew without the rows that begin on these lines. */
  public Reading leavingOut(Set<Integer> lines) {
    return new Reading(currency, goesOn, Set.copyOf(lines));
  }

  /** Whether the row is to be left out; then it is kept as it stands. */
  public boolean leavesOut(int line, List<String> headings, List<String> cells) {
    if (!leavingOut.contains(line)) {
      return false;
    }
    leftOut.add(new LeftOut(line, headings, cells, ""));
    return true;
  }

  /** The rows that were left out, in their order. */
  public List<LeftOut> leftOut() {
    return List.copyOf(leftOut);
  }

  public Optional<CurrencyUnit> currency() {
    return currency;
  }

  /** A record that cannot be read; nothing of the file is to be kept. */
  public void wrong(int line, String message) {
    if (fatal.size() < MOST_PROBLEMS) {
      fatal.add(new Problem(line, message));
    } else {
      furtherFatal++;
    }
  }

  /** Where the file contradicts itself, though it can be read. */
  public void odd(int line, String message) {
    odd(new Problem(line, message));
  }

  /** What the file claims of itself does not hold: something of it may be missing. */
  public void contradicted(int line, String message) {
    odd(new Problem(line, message, true));
  }

  private void odd(Problem problem) {
    // a contradiction stops posting until somebody accepts it, so none is left out
    if (odd.size() < MOST_PROBLEMS || problem.contradiction()) {
      odd.add(problem);
    } else {
      furtherOdd++;
    }
  }

  /** Whether everything so far could be read. */
  public boolean sound() {
    return fatal.isEmpty();
  }

  public int wrongs() {
    return fatal.size() + furtherFatal;
  }

  /**
   * Counts one more record.
   *
   * @throws BrokenFile where there are too many, or the time is over
   */
  public void record(int line) throws BrokenFile {
    records++;
    if (records > MOST_RECORDS) {
      throw new BrokenFile(
          line, "the file has more than %,d records; split it".formatted(MOST_RECORDS));
    }
    if (records % EVERY == 0) {
      requireTime(line);
      if (!goesOn.test(records)) {
        throw new BrokenFile(line, "reading was stopped here");
      }
    }
  }

  /**
   * @throws BrokenFile where the time is over
   */
  public void requireTime(int line) throws BrokenFile {
    if (System.nanoTime() - began > LONGEST_NANOS) {
      throw new BrokenFile(
          line,
          "reading took longer than "
              + LONGEST_NANOS / 1_000_000_000L
              + " seconds and was stopped here");
    }
  }

  /** What is wrong, the last line saying how much more there is of the same. */
  public List<Problem> fatal() {
    return with(fatal, furtherFatal);
  }

  /** What is odd, the last line saying how much more there is of the same. */
  public List<Problem> odd() {
    return with(odd, furtherOdd);
  }

  private static List<Problem> with(List<Problem> listed, int further) {
    if (further == 0) {
      return List.copyOf(listed);
    }
    var all = new ArrayList<>(listed);
    all.add(new Problem(0, "and %,d more of this file".formatted(further)));
    return List.copyOf(all);
  }

  /**
   * @throws BrokenFile where anything could not be read
   */
  public void requireSound() throws BrokenFile {
    if (!fatal.isEmpty()) {
      throw new BrokenFile(fatal());
    }
  }
}
