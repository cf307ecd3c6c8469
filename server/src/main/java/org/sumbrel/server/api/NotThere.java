package org.sumbrel.server.api;

/** Something asked for that is not there, or not for this company. */
public final class NotThere extends RuntimeException {

  private static final long serialVersionUID = 1L;

  public NotThere(String what, Object id) {
    super("There is no " + what + " " + id + ".");
  }
}
