package org.sumbrel.server.api;

import java.util.Map;

/**
 * A call that came too late or contradicts what is there; the sentence says who or what was first.
 */
public final class Conflict extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final String code;
  private final transient Map<String, String> about;

  public Conflict(String code, String sentence) {
    this(code, sentence, Map.of());
  }

  /**
   * A call that needs something first.
   *
   * @param about what that is, in pieces that a page can ask for
   */
  public Conflict(String code, String sentence, Map<String, String> about) {
    super(sentence);
    this.code = code;
    this.about = Map.copyOf(about);
  }

  /** What the sentence speaks of, by name; empty where nothing is to be asked for. */
  public Map<String, String> about() {
    return about;
  }

  public String code() {
    return code;
  }
}
