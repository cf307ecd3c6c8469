package org.sumbrel.server.api;

/**
 * A call that came too late or contradicts what is there; the sentence says who or what was first.
 */
public final class Conflict extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final String code;

  public Conflict(String code, String sentence) {
    super(sentence);
    this.code = code;
  }

  public String code() {
    return code;
  }
}
