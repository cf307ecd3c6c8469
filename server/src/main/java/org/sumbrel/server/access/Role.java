package org.sumbrel.server.access;

/** What a user may do. */
public enum Role {
  /** Takes in, drafts, posts, reverses own settlements. */
  CLERK,
  /** All that a clerk may, and reverses the settlements of others. */
  SUPERVISOR,
  /** Reads everything, changes nothing. */
  AUDITOR,
  /** Users and companies; no posting. */
  ADMINISTRATOR
}
