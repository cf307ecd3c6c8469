package org.sumbrel.server.runs;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.settle.RunPosting;

/** Runs: started from a list, followed, stopped, continued. */
@RestController
@Tag(name = "runs")
public class RunController {

  private final Runs runs;
  private final RunWorker worker;
  private final RunRepository rows;
  private final RunLineRepository lines;
  private final RunPosting posting;
  private final Companies companies;

  RunController(
      Runs runs,
      RunWorker worker,
      RunRepository rows,
      RunLineRepository lines,
      RunPosting posting,
      Companies companies) {
    this.runs = runs;
    this.worker = worker;
    this.rows = rows;
    this.lines = lines;
    this.posting = posting;
    this.companies = companies;
  }

  record StartRun(
      @Schema(description = "the company; the first where none is named") Long company,
      @NotNull @Schema(example = "USD") String currency,
      @NotNull @Schema(description = "everything that stands clear, but for what is excepted")
          Boolean allClear,
      @NotNull @Size(max = 20_000) List<@NotNull Long> except,
      @NotNull
          @Size(max = 20_000)
          @Schema(description = "entries whose own draft, or clear explanation, is posted too")
          List<@NotNull Long> entryIds) {}

  public record RunView(
      @NotNull Long id,
      @NotNull String by,
      @NotNull Instant startedAt,
      Instant endedAt,
      @NotNull RunEntity.State state,
      @NotNull boolean stopping,
      @NotNull int total,
      @NotNull int posted,
      @NotNull int refused,
      @NotNull MoneyView amount,
      @NotNull MoneyView postedAmount,
      @Schema(description = "the lockbox batch of which it is") Long lockboxBatchId,
      @NotNull @Schema(description = "whether a second person must release it")
          boolean needsRelease,
      String releasedBy,
      @Schema(description = "before which nothing is posted") Instant notBefore) {

    static RunView of(RunEntity run) {
      return new RunView(
          run.id(),
          run.actor().name(),
          run.startedAt(),
          run.endedAt(),
          run.state(),
          run.stopAsked(),
          run.total(),
          run.posted(),
          run.refused(),
          MoneyView.of(run.amount()),
          MoneyView.of(run.postedAmount()),
          run.lockboxBatchId(),
          run.needsRelease(),
          run.releasedBy(),
          run.notBefore());
    }
  }

  record RunLineView(
      @NotNull int position,
      @NotNull Long entryId,
      @NotNull String payer,
      @NotNull MoneyView amount,
      @NotNull RunLineEntity.State state,
      Long settlementId,
      @Schema(description = "why it was not posted") String refusal) {}

  @PostMapping("/api/runs")
  @ResponseStatus(HttpStatus.ACCEPTED)
  @Operation(
      summary =
          "Begins to post many drafts, each on its own; what is refused stays a draft with its reason")
  RunView start(
      @Valid @RequestBody StartRun call,
      @RequestHeader(name = "Idempotency-Key", required = false) String key,
      Principal principal) {
    var run =
        runs.start(
            companies.idOf(call.company()),
            CurrencyUnit.of(call.currency()),
            call.allClear(),
            call.except(),
            call.entryIds(),
            key,
            Actor.of(principal));
    // a repeated call may find it at work already: each line is done once all the same
    if (run.state() == RunEntity.State.RUNNING) {
      worker.submit(run.id());
    }
    return RunView.of(run);
  }

  @GetMapping("/api/runs")
  @Operation(summary = "The runs of a company, newest first")
  Page<RunView> list(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    var size = Page.limit(limit);
    var found =
        rows.findByCompanyIdAndIdLessThanOrderByIdDesc(
            companies.idOf(company), Page.cursor(cursor, Long.MAX_VALUE), Limit.of(size + 1));
    return Page.of(found, size, RunView::of, r -> r.id().toString());
  }

  @GetMapping("/api/runs/drafts")
  @Operation(summary = "One's own drafts that a run could post, each with what speaks against it")
  List<RunPosting.OwnDraft> drafts(
      @RequestParam(required = false) Long company, Principal principal) {
    return posting.ownDrafts(companies.idOf(company), Actor.of(principal));
  }

  @GetMapping("/api/runs/{id}")
  @Operation(summary = "How far a run is")
  RunView one(@PathVariable Long id) {
    return RunView.of(runs.found(id));
  }

  @GetMapping("/api/runs/{id}/lines")
  @Operation(summary = "The lines of a run in their order, with what became of each")
  Page<RunLineView> lines(
      @PathVariable Long id,
      @RequestParam(required = false) RunLineEntity.State state,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var size = Page.limit(limit);
    var found =
        lines.page(runs.found(id).id(), state, (int) Page.cursor(cursor, 0), Limit.of(size + 1));
    return Page.of(
        found,
        size,
        l ->
            new RunLineView(
                l.position(),
                l.entryId(),
                l.payer(),
                MoneyView.of(l.amount()),
                l.state(),
                l.settlementId(),
                l.refusal()),
        l -> Integer.toString(l.position()));
  }

  @PostMapping("/api/runs/{id}/stopping")
  @Operation(summary = "Stops a run after the line it is at; what is left can be continued")
  RunView stop(@PathVariable Long id, Principal principal) {
    runs.stop(id, Actor.of(principal));
    return one(id);
  }

  @PostMapping("/api/runs/{id}/release")
  @Operation(
      summary = "Says yes to a run that somebody else started and that waits for a second person")
  RunView release(@PathVariable Long id, Principal principal) {
    runs.release(id, Actor.of(principal));
    runs.due().forEach(worker::submit);
    return one(id);
  }

  @PostMapping("/api/runs/{id}/calling-off")
  @Operation(summary = "Calls off a run that waits; nothing of it is posted")
  RunView callOff(@PathVariable Long id, Principal principal) {
    return RunView.of(runs.callOff(id, Actor.of(principal)));
  }

  @PostMapping("/api/runs/{id}/continuing")
  @Operation(summary = "Continues a stopped run where it was")
  RunView goOn(@PathVariable Long id, Principal principal) {
    runs.goOn(id, Actor.of(principal));
    worker.submit(id);
    return one(id);
  }
}
