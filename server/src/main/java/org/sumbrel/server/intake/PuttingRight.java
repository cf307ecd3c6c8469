package org.sumbrel.server.intake;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.table.OwnList;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.intake.LeftOutEntity.Status;

/**
 * Rows that were left out of an intake: put right, which makes each an intake of its own, so that
 * the file that came stays as it came; or shelved, with a word why.
 */
@Service
@Transactional(rollbackFor = Exception.class)
class PuttingRight {

  private final LeftOutRepository leftOut;
  private final IntakeRepository intakes;
  private final Intakes taking;
  private final Clock clock;

  PuttingRight(LeftOutRepository leftOut, IntakeRepository intakes, Intakes taking, Clock clock) {
    this.leftOut = leftOut;
    this.intakes = intakes;
    this.taking = taking;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  List<LeftOutEntity> of(Long intakeId) {
    return leftOut.findByIntakeIdOrderByLine(intakeId);
  }

  /**
   * Takes the row in as it stands now.
   *
   * @param cells one for each of the row's
   * @return the company whose proposals may be behind now
   * @throws BrokenFile where it still cannot be read; then it stays as it was
   */
  Long putRight(Long id, List<String> cells, Actor actor) throws BrokenFile, IOException {
    var row = waiting(id);
    var intake = intakes.findById(row.intakeId()).orElseThrow();
    var profile = ProfileYaml.read(row.shape()).forRows();
    var file = FileBytes.of(OwnList.asItStood(row.headings(), List.of(cells)));
    var name = "Line " + row.line() + " of " + intake.fileName() + ", put right";
    var became =
        taking.takeRow(intake.companyId(), name, file, profile, row.bankAccountId(), actor.name());
    row.putRight(became, actor.name(), clock.instant());
    return intake.companyId();
  }

  private LeftOutEntity waiting(Long id) {
    var row = leftOut.findById(id).orElseThrow(() -> new NotThere("row", id));
    if (row.status() != Status.OPEN) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          row.decidedBy()
              + (row.status() == Status.PUT_RIGHT ? " has put it right" : " has shelved it")
              + " already.");
    }
    return row;
  }

  /** Sets it aside with a word why. */
  void shelve(Long id, String why, Actor actor) {
    waiting(id).shelve(why, actor.name(), clock.instant());
  }

  /** Takes it off the shelf. */
  void takeOffTheShelf(Long id) {
    var row = leftOut.findById(id).orElseThrow(() -> new NotThere("row", id));
    if (row.status() == Status.SHELVED) {
      row.waitsAgain();
    }
  }
}
