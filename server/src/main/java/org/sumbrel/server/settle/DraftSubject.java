package org.sumbrel.server.settle;

import org.sumbrel.server.api.BadRequest;

/**
 * What a draft is about: a bank entry, or a customer's account; in addresses {@code entry-12} or
 * {@code account-45}.
 */
record DraftSubject(Long entryId, Long accountOf) {

  static DraftSubject read(String written) {
    try {
      if (written.startsWith("entry-")) {
        return new DraftSubject(Long.valueOf(written.substring("entry-".length())), null);
      }
      if (written.startsWith("account-")) {
        return new DraftSubject(null, Long.valueOf(written.substring("account-".length())));
      }
    } catch (NumberFormatException e) {
      throw new BadRequest("\"" + written + "\" is not written like entry-12 or account-45.");
    }
    throw new BadRequest("\"" + written + "\" is not written like entry-12 or account-45.");
  }

  static DraftSubject of(PostSettlement command) {
    return command.entryId() == null
        ? new DraftSubject(null, command.accountOf())
        : new DraftSubject(command.entryId(), null);
  }

  @Override
  public String toString() {
    return entryId == null ? "account-" + accountOf : "entry-" + entryId;
  }
}
