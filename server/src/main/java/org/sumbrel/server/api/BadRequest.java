package org.sumbrel.server.api;

/** A call that makes no sense as it stands; the sentence says why. */
public final class BadRequest extends RuntimeException {

  private static final long serialVersionUID = 1L;

  public BadRequest(String sentence) {
    super(sentence);
  }
}
