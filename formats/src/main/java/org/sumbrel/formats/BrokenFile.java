package org.sumbrel.formats;

import java.util.List;
import java.util.stream.Collectors;

/**
 * A file that cannot be read whole, with everything that is wrong with it; nothing of it is to be
 * kept.
 */
public final class BrokenFile extends Exception {

  private static final long serialVersionUID = 1L;

  private final transient List<Problem> problems;

  public BrokenFile(List<Problem> problems) {
    super(
        problems.stream()
            .limit(3)
            .map(p -> (p.line() > 0 ? "line " + p.line() + ": " : "") + p.message())
            .collect(Collectors.joining("; ")));
    this.problems = List.copyOf(problems);
  }

  public BrokenFile(int line, String message) {
    this(List.of(new Problem(line, message)));
  }

  /** A file whose format is recognised, and for which there is no reader yet. */
  public static BrokenFile notYet(Format format) {
    return new BrokenFile(
        0, "this is " + format.described() + ", which is recognised but cannot be read yet");
  }

  public List<Problem> problems() {
    return problems;
  }
}
