package org.sumbrel.server.lockbox;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.lockbox.ChequeState;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.api.PictureAnswer;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.runs.BatchRuns;
import org.sumbrel.server.runs.RunController.RunView;
import org.sumbrel.server.settle.ChequeOrigins;
import org.sumbrel.server.settle.ChequeOrigins.ChequeOrigin;

/** Lockbox batches: listed, looked through, accepted, posted as a run and reversed as a whole. */
@RestController
@Tag(name = "lockbox")
class LockboxController {

  private final LockboxBatchRepository rows;
  private final Lockboxes lockboxes;
  private final BatchViews views;
  private final BatchReversal reversal;
  private final BatchRuns runs;
  private final MailRoomPictures pictures;
  private final ChequeOrigins origins;
  private final Companies companies;
  private final CompanyPolicies policies;
  private final ProposalRenewal renewal;
  private final Clock clock;

  LockboxController(
      LockboxBatchRepository rows,
      Lockboxes lockboxes,
      BatchViews views,
      BatchReversal reversal,
      BatchRuns runs,
      MailRoomPictures pictures,
      ChequeOrigins origins,
      Companies companies,
      CompanyPolicies policies,
      ProposalRenewal renewal,
      Clock clock) {
    this.rows = rows;
    this.lockboxes = lockboxes;
    this.views = views;
    this.reversal = reversal;
    this.runs = runs;
    this.pictures = pictures;
    this.origins = origins;
    this.companies = companies;
    this.policies = policies;
    this.renewal = renewal;
    this.clock = clock;
  }

  record BatchReason(@NotBlank @Size(max = 400) String reason) {}

  record PostBatch(
      @Schema(
              description =
                  "the business day and time before which nothing is posted, such as 2026-05-29T17:00; null for at once")
          LocalDateTime notBefore) {}

  record CameWith(
      @Schema(description = "null where the entry is no cheque of a lockbox")
          ChequeOrigin cheque) {}

  record ReversedBatch(@NotNull @Schema(description = "how many settlements") int reversed) {}

  @GetMapping("/api/lockbox-batches")
  @Operation(summary = "Lockbox batches, the latest first")
  Page<BatchViews.BatchRow> list(
      @RequestParam(required = false) Long company,
      @Parameter(description = "only those that this intake brought")
          @RequestParam(required = false)
          Long intake,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var size = Page.limit(limit);
    var found =
        rows.latest(
            companies.idOf(company),
            intake,
            Page.cursor(cursor, Long.MAX_VALUE),
            Limit.of(size + 1));
    return Page.of(found.stream().map(views::row).toList(), size, r -> r, r -> r.id().toString());
  }

  @GetMapping("/api/lockbox-batches/{id}")
  @Operation(summary = "A batch with its control totals and what is left to do")
  BatchViews.BatchView one(@PathVariable Long id, Principal principal) {
    return views.view(lockboxes.batch(id), principal.getName());
  }

  @GetMapping("/api/lockbox-batches/{id}/cheques")
  @Operation(summary = "The cheques of a batch, what is left to do first")
  BatchViews.ChequePage cheques(
      @PathVariable Long id,
      @RequestParam(defaultValue = "ALL") BatchViews.Show show,
      @RequestParam(required = false) List<ChequeState> state,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    return views.cheques(
        lockboxes.batch(id),
        show,
        state == null ? List.of() : state,
        (int) Page.cursor(cursor, 0),
        Page.limit(limit));
  }

  @GetMapping("/api/entries/{id}/lockbox-batch")
  @Operation(summary = "Which cheque of which batch an entry is, where it is one")
  CameWith ofEntry(@PathVariable Long id) {
    return new CameWith(origins.of(List.of(id)).get(id));
  }

  @GetMapping("/api/entries/{id}/cheque-picture")
  @Operation(summary = "The mail room's picture of a lockbox cheque")
  ResponseEntity<String> picture(@PathVariable Long id) {
    return rows.ofEntry(id)
        .flatMap(batch -> pictures.of(views.asked(batch, id)))
        .map(svg -> PictureAnswer.of("image/svg+xml", svg))
        .orElseThrow(() -> new NotThere("picture of cheque", id));
  }

  @PostMapping("/api/lockbox-batches/{id}/acceptance")
  @Operation(
      summary = "A supervisor answers for what contradicts; the batch is banked and may be posted")
  BatchViews.BatchView accept(
      @PathVariable Long id, @Valid @RequestBody BatchReason why, Principal principal) {
    renewal.after(lockboxes.accept(id, why.reason().strip(), Actor.of(principal)));
    return one(id, principal);
  }

  @GetMapping("/api/lockbox-batches/{id}/runs")
  @Operation(summary = "What was posted of a batch together, or waits to be; the newest first")
  List<RunView> runs(@PathVariable Long id) {
    return runs.of(lockboxes.batch(id).id());
  }

  @PostMapping("/api/lockbox-batches/{id}/runs")
  @ResponseStatus(HttpStatus.ACCEPTED)
  @Operation(
      summary =
          "Posts what of the batch is clear or drafted to the end, as one run; the rest stays in the batch. Where the policy asks for a second person, or a time is given, the run waits")
  RunView post(
      @PathVariable Long id,
      @Valid @RequestBody PostBatch call,
      @RequestHeader(name = "Idempotency-Key", required = false) String key,
      Principal principal) {
    var batch = lockboxes.batch(id);
    if (batch.blocked()) {
      throw new BadRequest(
          "This batch contradicts itself: "
              + batch.contradictions().sentences().get(0)
              + ". A supervisor has to accept that with a reason first.");
    }
    var now = LocalDateTime.now(clock);
    var later = call.notBefore() != null && call.notBefore().isAfter(now);
    return runs.start(
        batch.companyId(),
        id,
        views.ready(batch, principal.getName()),
        policies.batchesReleased(batch.companyId(), batch.currency()),
        later ? call.notBefore().atZone(clock.getZone()).toInstant() : null,
        key,
        Actor.of(principal));
  }

  @PostMapping("/api/lockbox-batches/{id}/reversal")
  @Operation(
      summary =
          "Takes all settlements of a batch back, or none of them where something later depends on one")
  ReversedBatch reverse(
      @PathVariable Long id, @Valid @RequestBody BatchReason why, Principal principal) {
    var batch = lockboxes.batch(id);
    var reversed = reversal.reverse(batch, why.reason().strip(), Actor.of(principal));
    renewal.after(batch.companyId());
    return new ReversedBatch(reversed);
  }
}
