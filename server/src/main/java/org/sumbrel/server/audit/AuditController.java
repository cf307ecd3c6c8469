package org.sumbrel.server.audit;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.formats.sheet.SheetWriter;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.audit.AuditRecords.AuditRecord;
import org.sumbrel.server.audit.AuditRecords.Sought;
import org.sumbrel.server.companies.Companies;

/** Who did what to which thing, when, from where, with before and after. */
@RestController
@Tag(name = "audit")
class AuditController {

  private static final int PAGE_OF_FILE = 1_000;

  private final AuditRecords records;
  private final Companies companies;
  private final Clock clock;

  AuditController(AuditRecords records, Companies companies, Clock clock) {
    this.records = records;
    this.companies = companies;
    this.clock = clock;
  }

  /**
   * Which records.
   *
   * @param q a text in any value, the thing, the actor or the call
   * @param what the kind of thing, such as settlement
   * @param thing its id
   */
  record WhichRecords(
      Long company,
      String q,
      String actor,
      String what,
      String thing,
      LocalDate from,
      LocalDate until) {}

  record AuditValue(
      @NotNull String name,
      @NotNull @Schema(description = "empty where it had no value") String before,
      @NotNull @Schema(description = "empty where it has none") String after) {}

  record AuditRecordView(
      @NotNull Long id,
      @NotNull @Schema(description = "what was changed together has one act") Long act,
      @NotNull Instant at,
      @NotNull String actor,
      @NotNull @Schema(description = "the address of the call, or here") String source,
      @NotNull @Schema(description = "method and path, or the work behind the scenes") String call,
      @NotNull String what,
      @NotNull String thing,
      @NotNull Changed.Kind kind,
      @NotNull List<AuditValue> values) {}

  @GetMapping("/api/audit-records")
  @Operation(summary = "The audit trail of a company and of what is no company's, the latest first")
  Page<AuditRecordView> records(
      @ParameterObject WhichRecords which,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var size = Page.limit(limit);
    var found =
        records.find(sought(which), clock.getZone(), Page.cursor(cursor, Long.MAX_VALUE), size + 1);
    return Page.of(found, size, AuditController::view, r -> Long.toString(r.id()));
  }

  private Sought sought(WhichRecords which) {
    return new Sought(
        companies.idOf(which.company()),
        Membership.current().everywhere(),
        Objects.requireNonNullElse(which.q(), "").strip(),
        Objects.requireNonNullElse(which.actor(), ""),
        Objects.requireNonNullElse(which.what(), ""),
        Objects.requireNonNullElse(which.thing(), ""),
        which.from(),
        which.until());
  }

  private static AuditRecordView view(AuditRecord of) {
    return new AuditRecordView(
        of.id(),
        of.act(),
        of.at(),
        of.actor(),
        of.source(),
        of.call(),
        of.what(),
        of.thing(),
        of.kind(),
        of.values().stream().map(v -> new AuditValue(v.name(), v.before(), v.after())).toList());
  }

  @GetMapping(value = "/api/audit-records.csv", produces = "text/csv")
  @Operation(summary = "The same records as CSV")
  ResponseEntity<byte[]> csv(@ParameterObject WhichRecords which) throws IOException {
    return FileAnswer.csv(name("csv"), out -> table(which, out));
  }

  @GetMapping(value = "/api/audit-records.xlsx", produces = FileAnswer.XLSX)
  @Operation(summary = "The same records as a workbook")
  ResponseEntity<byte[]> xlsx(@ParameterObject WhichRecords which) throws IOException {
    return FileAnswer.xlsx(name("xlsx"), "Audit trail", out -> table(which, out));
  }

  private String name(String ending) {
    return "audit-trail-" + LocalDate.now(clock) + "." + ending;
  }

  private void table(WhichRecords which, SheetWriter out) throws IOException {
    var sought = sought(which);
    out.head(
        "record", "act", "at", "actor", "source", "call", "what", "thing", "kind", "before",
        "after");
    var below = Long.MAX_VALUE;
    List<AuditRecord> page;
    do {
      page = records.find(sought, clock.getZone(), below, PAGE_OF_FILE);
      for (var of : page) {
        out.row(
            of.id(),
            of.act(),
            of.at().toString(),
            of.actor(),
            of.source(),
            of.call(),
            of.what(),
            of.thing(),
            of.kind().name(),
            listed(of, true),
            listed(of, false));
        below = of.id();
      }
    } while (page.size() == PAGE_OF_FILE);
  }

  private static String listed(AuditRecord of, boolean before) {
    return of.values().stream()
        .filter(v -> !(before ? v.before() : v.after()).isEmpty())
        .map(v -> v.name() + ": " + (before ? v.before() : v.after()))
        .collect(Collectors.joining("; "));
  }
}
