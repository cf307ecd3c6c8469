package org.sumbrel.server.exports;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.FileAnswer;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.exports.TakenFileEntity.Format;

/** The journal for the general ledger outside. */
@RestController
@Tag(name = "exports")
class JournalExportController {

  private final JournalExports exports;
  private final Companies companies;
  private final Clock clock;

  JournalExportController(JournalExports exports, Companies companies, Clock clock) {
    this.exports = exports;
    this.companies = companies;
    this.clock = clock;
  }

  record TakenView(
      @NotNull Format format,
      @NotNull String takenBy,
      @NotNull Instant takenAt,
      @NotNull @Schema(description = "why it was taken again; empty the first time") String why) {}

  record JournalExportView(
      @NotNull Long id,
      @NotNull LocalDate firstOn,
      @NotNull LocalDate lastOn,
      @NotNull int entries,
      @NotNull String madeBy,
      @NotNull Instant madeAt,
      @NotNull List<TakenView> taken) {}

  record WaitingExport(
      @NotNull LocalDate until,
      @NotNull int entries,
      @Schema(description = "null where nothing waits") LocalDate firstOn,
      LocalDate lastOn) {}

  record MakeExport(@NotNull LocalDate until) {}

  record TakeFile(
      @NotNull Format format,
      @Size(max = 400) @Schema(description = "why it is wanted again, where it was taken already")
          String again) {}

  @GetMapping("/api/journal-exports")
  @Operation(summary = "The exports of the journal, the latest first")
  List<JournalExportView> all(@RequestParam(required = false) Long company) {
    var all = exports.all(companies.idOf(company));
    var taken =
        exports.takenOf(all.stream().map(JournalExportEntity::id).toList()).stream()
            .collect(Collectors.groupingBy(TakenFileEntity::exportId));
    return all.stream().map(e -> view(e, taken.getOrDefault(e.id(), List.of()))).toList();
  }

  @GetMapping("/api/journal-exports/waiting")
  @Operation(
      summary = "What is booked until a day (today where none is given) and in no export yet")
  WaitingExport waiting(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) LocalDate until) {
    var day = until == null ? LocalDate.now(clock) : until;
    var waiting = exports.waiting(companies.idOf(company), day);
    return new WaitingExport(day, waiting.entries(), waiting.first(), waiting.last());
  }

  @PostMapping("/api/journal-exports")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Marks all that waits until a day as exported; its files can be taken then")
  JournalExportView make(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody MakeExport call,
      Principal principal) {
    return view(
        exports.make(companies.idOf(company), call.until(), Actor.of(principal).name()), List.of());
  }

  @PostMapping("/api/journal-exports/{id}/files")
  @Operation(
      summary =
          "Takes a file of an export: the first time as it is, again only with a reason; each time is kept")
  @ApiResponse(
      responseCode = "200",
      content =
          @Content(
              mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
              schema = @Schema(type = "string", format = "binary")))
  ResponseEntity<StreamingResponseBody> take(
      @PathVariable Long id, @Valid @RequestBody TakeFile call, Principal principal) {
    exports.take(
        id, call.format(), call.again() == null ? "" : call.again(), Actor.of(principal).name());
    var export = exports.export(id);
    StreamingResponseBody body = out -> exports.write(export, call.format(), out);
    return ResponseEntity.ok()
        .contentType(type(call.format()))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(name(export, call.format()))
                .build()
                .toString())
        .body(body);
  }

  private static MediaType type(Format format) {
    return switch (format) {
      case CSV -> new MediaType("text", "csv");
      case XLSX -> MediaType.parseMediaType(FileAnswer.XLSX);
      case LEDGER -> MediaType.TEXT_PLAIN;
    };
  }

  private static String name(JournalExportEntity export, Format format) {
    return "journal-"
        + export.id()
        + "-until-"
        + export.lastOn()
        + "."
        + format.name().toLowerCase(Locale.ROOT);
  }

  private static JournalExportView view(JournalExportEntity of, List<TakenFileEntity> taken) {
    return new JournalExportView(
        of.id(),
        of.firstOn(),
        of.lastOn(),
        of.entries(),
        of.madeBy(),
        of.madeAt(),
        taken.stream()
            .map(t -> new TakenView(t.format(), t.takenBy(), t.takenAt(), t.why()))
            .toList());
  }
}
