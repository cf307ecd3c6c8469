package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.data.domain.Limit;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;

/** Files taken in. */
@RestController
@Tag(name = "intake")
class IntakeController {

  private static final Logger LOG = LoggerFactory.getLogger(IntakeController.class);

  private final Intakes intakes;
  private final IntakeRepository repository;
  private final IntakeViews views;
  private final Companies companies;
  private final ProposalRenewal renewal;
  private final IntakeFiles files;
  private final IntakeRecords records;
  private final TakingBack takingBack;
  private final RunningIntakes running;

  IntakeController(
      Intakes intakes,
      IntakeRepository repository,
      IntakeViews views,
      Companies companies,
      ProposalRenewal renewal,
      IntakeFiles files,
      IntakeRecords records,
      TakingBack takingBack,
      RunningIntakes running) {
    this.intakes = intakes;
    this.repository = repository;
    this.views = views;
    this.companies = companies;
    this.renewal = renewal;
    this.files = files;
    this.records = records;
    this.takingBack = takingBack;
    this.running = running;
  }

  record RecordView(
      @NotNull Long id,
      @NotNull @Schema(description = "ENTRY, INVOICE, CREDIT_NOTE or ADVICE") String kind,
      @NotNull LocalDate day,
      @NotNull String title,
      @NotNull String text,
      @NotNull MoneyView amount,
      @NotNull
          @Schema(
              description =
                  "of an entry its status, of an item OPEN, PARTLY_OPEN or SETTLED, of an advice LOOSE or TIED")
          String state) {}

  record OneIntakeView(
      @NotNull IntakeViews.IntakeView intake,
      @NotNull long sizeBytes,
      @NotNull
          @Schema(
              description = "why it cannot be taken back, one sentence each; empty where it can")
          List<String> against) {}

  @PostMapping(path = "/api/intakes", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Takes a file in as a whole or not at all; what is known already changes nothing and is counted")
  IntakeViews.IntakeView take(
      @RequestPart("file") MultipartFile file,
      @RequestParam(required = false) String profile,
      @RequestParam(required = false)
          @Schema(description = "the account a statement is for; one of the company's")
          Long bankAccount,
      @RequestParam(required = false) Long company,
      @RequestParam(defaultValue = "false")
          @Schema(
              description =
                  "whether the rows of a table that cannot be read are left out, to be put right later")
          boolean around,
      @RequestParam(required = false)
          @Schema(
              description =
                  "a UUID of the caller's, by which the intake can be followed and stopped")
          UUID run,
      Principal principal)
      throws IOException, BrokenFile {
    var owner = companies.idOf(company);
    var name =
        Optional.ofNullable(file.getOriginalFilename())
            .filter(n -> !n.isBlank())
            .orElse("(no name)");
    var begun = System.nanoTime();
    var id =
        followed(
            run,
            name,
            principal.getName(),
            watch ->
                takeOnce(
                    owner,
                    new Intakes.Incoming(
                        name,
                        bytes(file),
                        profile == null ? "" : profile.strip(),
                        bankAccount,
                        around),
                    principal.getName(),
                    watch));
    LOG.info("intake {} taken in in {} ms", id, (System.nanoTime() - begun) / 1_000_000);
    renewal.after(owner);
    return views.of(id);
  }

  @FunctionalInterface
  private interface Taking {
    Long take(IntakeWatch watch) throws BrokenFile, IOException;
  }

  private Long followed(UUID run, String name, String by, Taking taking)
      throws BrokenFile, IOException {
    if (run == null) {
      return taking.take(IntakeWatch.none());
    }
    running.begin(run.toString(), name, by);
    try {
      return taking.take(new IntakeWatch(running, run.toString()));
    } catch (IntakeWatch.Stopped stopped) {
      throw new Conflict("STOPPED", stopped.getMessage());
    } finally {
      running.end(run.toString());
    }
  }

  /**
   * Where the same file is taken in twice at the same moment, the second attempt finds all of it
   * known.
   */
  private Long takeOnce(Long owner, Intakes.Incoming incoming, String by, IntakeWatch watch)
      throws BrokenFile, IOException {
    try {
      return intakes.take(owner, incoming, by, watch);
    } catch (DataIntegrityViolationException e) {
      return intakes.take(owner, incoming, by, watch);
    }
  }

  /** The upload where the server put it, which for a large one is not the memory. */
  private static FileBytes bytes(MultipartFile file) {
    return new FileBytes() {
      @Override
      public long size() {
        return file.getSize();
      }

      @Override
      public InputStream open() throws IOException {
        return file.getInputStream();
      }
    };
  }

  @GetMapping("/api/intakes")
  @Operation(summary = "What was taken in, newest first, and what became of it")
  Page<IntakeViews.IntakeView> list(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var size = Page.limit(limit);
    var found =
        repository.page(
            companies.idOf(company), Page.cursor(cursor, Long.MAX_VALUE), Limit.of(size + 1));
    var page = Page.of(found, size, i -> i, i -> i.id().toString());
    return new Page<>(views.of(page.rows()), page.next());
  }

  @GetMapping("/api/intakes/{id}")
  @Operation(summary = "One intake, and whether it can be taken back")
  OneIntakeView one(@PathVariable Long id) {
    var intake = intake(id);
    return new OneIntakeView(
        views.of(id),
        intake.sizeBytes(),
        intake.takenBackBy() == null ? takingBack.against(id) : List.of());
  }

  private IntakeEntity intake(Long id) {
    return repository.findById(id).orElseThrow(() -> new NotThere("intake", id));
  }

  @GetMapping("/api/intakes/{id}/records")
  @Operation(summary = "What an intake brought that was new, as it stands now, in its order")
  Page<RecordView> records(
      @PathVariable Long id,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var size = Page.limit(limit);
    var rows = records.of(intake(id).id(), Page.cursor(cursor, 0L), size + 1);
    return Page.of(rows, size, IntakeController::view, r -> r.id().toString());
  }

  record KnownRecordView(
      @NotNull RecordView record,
      @Schema(description = "the intake that brought it; missing where it was written here")
          Long broughtBy,
      String fileName) {}

  @GetMapping("/api/intakes/{id}/known")
  @Operation(
      summary =
          "What of an intake was known already, up to the first 500, with the file that brought it")
  List<KnownRecordView> known(@PathVariable Long id) {
    return records.known(intake(id).id()).stream()
        .map(k -> new KnownRecordView(view(k.record()), k.broughtBy(), k.fileName()))
        .toList();
  }

  private static RecordView view(IntakeRecords.Row row) {
    return new RecordView(
        row.id(), row.kind(), row.day(), row.title(), row.text(), row.amount(), row.state());
  }

  @GetMapping("/api/intakes/{id}/file")
  @Operation(summary = "The file as it came")
  void file(@PathVariable Long id, HttpServletResponse response) throws IOException {
    var name =
        ContentDisposition.attachment()
            .filename(intake(id).fileName(), StandardCharsets.UTF_8)
            .build();
    response.setContentType(MediaType.APPLICATION_OCTET_STREAM_VALUE);
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, name.toString());
    files.write(id, response.getOutputStream());
  }

  @PostMapping("/api/intakes/{id}/taking-back")
  @Operation(
      summary = "Takes an intake back of which nothing was posted, as if its file had never come")
  OneIntakeView takeBack(@PathVariable Long id, Principal principal) {
    renewal.after(takingBack.takeBack(id, Actor.of(principal)));
    return one(id);
  }
}
