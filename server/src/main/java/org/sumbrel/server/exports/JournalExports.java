package org.sumbrel.server.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.formats.journal.JournalTable;
import org.sumbrel.formats.journal.PlainLedger;
import org.sumbrel.formats.sheet.SheetWriter;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.exports.ExportedRows.WaitingEntries;
import org.sumbrel.server.exports.TakenFileEntity.Format;

/** Exports of the journal: what is in one is in no other, and nobody has it twice unawares. */
@Service
@Transactional
class JournalExports {

  private final JournalExportRepository exports;
  private final TakenFileRepository taken;
  private final ExportedRows rows;
  private final Companies companies;
  private final Clock clock;

  JournalExports(
      JournalExportRepository exports,
      TakenFileRepository taken,
      ExportedRows rows,
      Companies companies,
      Clock clock) {
    this.exports = exports;
    this.taken = taken;
    this.rows = rows;
    this.companies = companies;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<JournalExportEntity> all(Long company) {
    return exports.findByCompanyIdOrderByIdDesc(company);
  }

  @Transactional(readOnly = true)
  public List<TakenFileEntity> takenOf(List<Long> ids) {
    return taken.findByExportIdInOrderById(ids);
  }

  /** What an export until a day would have. */
  @Transactional(readOnly = true)
  public WaitingEntries waiting(Long company, LocalDate until) {
    return rows.waiting(company, until);
  }

  /**
   * Marks all that is booked until a day, and in no export yet, as exported.
   *
   * @throws BadRequest where nothing waits
   */
  public JournalExportEntity make(Long company, LocalDate until, String by) {
    var waiting = rows.waiting(company, until);
    if (waiting.entries() == 0) {
      throw new BadRequest(
          "Every journal entry up to " + until + " is in an export already; nothing was marked.");
    }
    var export =
        exports.saveAndFlush(
            new JournalExportEntity(
                company,
                until,
                waiting.first(),
                waiting.last(),
                waiting.entries(),
                by,
                clock.instant()));
    var marked = rows.mark(export.id(), company, until);
    if (marked != waiting.entries()) {
      throw new Conflict(
          "POSTED_MEANWHILE",
          "Somebody posted while the export was made: "
              + waiting.entries()
              + " entries were counted, "
              + marked
              + " marked. Nothing was exported; try again.");
    }
    return export;
  }

  @Transactional(readOnly = true)
  public JournalExportEntity export(Long id) {
    return exports.findById(id).orElseThrow(() -> new NotThere("export", id));
  }

  /**
   * Notes that somebody takes a file of an export.
   *
   * @param again why, where it was taken already; else empty
   * @throws Conflict where it was taken already and nobody says why it is wanted again
   */
  public void take(Long id, Format format, String again, String by) {
    var export = export(id);
    var before =
        taken.findByExportIdInOrderById(List.of(id)).stream()
            .filter(t -> t.format() == format)
            .findFirst();
    if (before.isPresent() && again.isBlank()) {
      throw new Conflict(
          "EXPORTED_ALREADY",
          "Export "
              + id
              + " with its "
              + export.entries()
              + " entries was taken as "
              + format
              + " by "
              + before.get().takenBy()
              + " on "
              + LocalDate.ofInstant(before.get().takenAt(), clock.getZone())
              + ". Say why it is wanted again, so that nothing is booked twice.");
    }
    taken.save(
        new TakenFileEntity(
            id, format, by, clock.instant(), before.isPresent() ? again.strip() : ""));
  }

  /** Writes the file of an export. */
  @Transactional(readOnly = true)
  public void write(JournalExportEntity export, Format format, OutputStream out)
      throws IOException {
    switch (format) {
      case CSV -> {
        try (var csv = SheetWriter.csv(out)) {
          table(export, csv);
        }
      }
      case XLSX -> {
        try (var xlsx = SheetWriter.xlsx(out, "Journal")) {
          table(export, xlsx);
        }
      }
      case LEDGER -> ledger(export, out);
    }
  }

  private void table(JournalExportEntity export, SheetWriter out) throws IOException {
    JournalTable.head(out);
    rows.each(export.id(), entry -> JournalTable.write(entry, out));
  }

  private void ledger(JournalExportEntity export, OutputStream stream) throws IOException {
    var out = new OutputStreamWriter(stream, StandardCharsets.UTF_8);
    PlainLedger.head(
        List.of(
            companies.company(export.companyId()).name(),
            "Export "
                + export.id()
                + " of the journal: "
                + export.entries()
                + " entries of "
                + export.firstOn()
                + " to "
                + export.lastOn()
                + ", made "
                + export.madeAt()
                + " by "
                + export.madeBy()),
        rows.accounts(export.id()).stream().map(PlainLedger::account).toList(),
        out);
    rows.each(export.id(), entry -> PlainLedger.write(entry, out));
    out.flush();
  }
}
