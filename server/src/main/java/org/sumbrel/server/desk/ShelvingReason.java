package org.sumbrel.server.desk;

/** Why an entry is set aside. */
public enum ShelvingReason {
  DUPLICATE,
  PRIVATE,
  OTHER_COMPANY,
  NOT_OURS
}
