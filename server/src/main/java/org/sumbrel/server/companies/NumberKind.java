package org.sumbrel.server.companies;

/**
 * What the application gives numbers to, with the prefix that it has where nobody says otherwise.
 */
public enum NumberKind {
  INVOICE("SB"),
  ON_ACCOUNT("OA"),
  CLAIM("CL"),
  REFUND("RF");

  private final String usual;

  NumberKind(String usual) {
    this.usual = usual;
  }

  public String usual() {
    return usual;
  }

  /** The kind whose usual prefix this is. */
  static NumberKind ofUsual(String prefix) {
    for (var kind : values()) {
      if (kind.usual.equals(prefix)) {
        return kind;
      }
    }
    throw new IllegalArgumentException(prefix);
  }
}
