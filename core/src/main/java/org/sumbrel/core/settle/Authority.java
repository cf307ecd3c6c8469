package org.sumbrel.core.settle;

/** On whose say a draft is posted; each has limits of its own in the {@link Policy}. */
public enum Authority {
  CLERK,
  SUPERVISOR
}
