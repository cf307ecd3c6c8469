package org.sumbrel.server.settle;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;

/** Posts what a clerk has handed over, on the say of a supervisor. */
@Service
@Transactional
class DraftApproval {

  private final HeldDrafts held;
  private final Settlements settlements;

  DraftApproval(HeldDrafts held, Settlements settlements) {
    this.held = held;
    this.settlements = settlements;
  }

  /** The settlement's id. */
  Long approve(DraftSubject subject, Actor approver) {
    var draft = held.forApproval(subject, approver);
    return settlements.approve(held.read(draft), draft.heldBy(), approver);
  }
}
