package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.desk.ProposalRenewal;

/** Settlements: looked at before, posted, listed, taken back. */
@RestController
@Tag(name = "settle")
class SettlementController {

  private static final int ATTEMPTS = 4;

  private final Settlements settlements;
  private final SettlementReader reader;
  private final DraftPreview preview;
  private final ClearPosting clearPosting;
  private final ProposalRenewal renewal;

  SettlementController(
      Settlements settlements,
      SettlementReader reader,
      DraftPreview preview,
      ClearPosting clearPosting,
      ProposalRenewal renewal) {
    this.settlements = settlements;
    this.reader = reader;
    this.preview = preview;
    this.clearPosting = clearPosting;
    this.renewal = renewal;
  }

  record Reason(@NotBlank @Size(max = 400) String reason) {}

  record ClearPostings(@NotNull @Size(min = 1, max = 500) List<Long> entryIds) {}

  record ClearResult(@NotNull Long entryId, Long settlementId, String refusal) {}

  record ClearResults(
      @NotNull int posted, @NotNull int refused, @NotNull List<ClearResult> results) {}

  @PostMapping("/api/settlements")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Posts a draft with its journal entry; refused with a sentence and the figures where a rule is against it")
  SettlementView post(
      @Valid @RequestBody PostSettlement command,
      @RequestHeader(name = "Idempotency-Key", required = false) String key,
      Principal principal) {
    var actor = Actor.of(principal);
    var origin =
        command.explanation() == null
            ? SettlementEntity.Origin.HAND
            : SettlementEntity.Origin.EXPLANATION;
    var id = attempted(() -> settlements.post(command, origin, CallKey.of(key, command), actor));
    return renewedAfter(id);
  }

  @PostMapping("/api/settlements/preview")
  @Operation(
      summary =
          "What a draft comes to, how its rest may be treated, and what posting it would write; changes nothing")
  DraftPreview.DraftView preview(
      @Valid @RequestBody PostSettlement command,
      @RequestParam(required = false) RemainderOption.Kind treat,
      @RequestParam(required = false) ClaimReason reason,
      Principal principal) {
    return preview.of(command, treat, Optional.ofNullable(reason), Actor.of(principal).authority());
  }

  @PostMapping("/api/settlements/{id}/reversal")
  @Operation(summary = "Takes a settlement back with the mirror journal entry")
  SettlementView reverse(
      @PathVariable Long id, @Valid @RequestBody Reason reason, Principal principal) {
    var actor = Actor.of(principal);
    attempted(
        () -> {
          settlements.reverse(id, reason.reason().strip(), actor);
          return id;
        });
    return renewedAfter(id);
  }

  @PostMapping("/api/clear-postings")
  @Operation(
      summary =
          "Posts the first explanation of each of these entries that still stands clear, each on its own")
  ClearResults postClear(
      @Valid @RequestBody ClearPostings call,
      @RequestHeader(name = "Idempotency-Key", required = false) String key,
      Principal principal) {
    var actor = Actor.of(principal);
    var results = new ArrayList<ClearResult>();
    for (var entryId : call.entryIds()) {
      results.add(postClear(entryId, key == null ? null : key + ":" + entryId, actor));
    }
    var posted = results.stream().filter(r -> r.settlementId() != null).toList();
    if (!posted.isEmpty()) {
      renewal.after(reader.companyOf(posted.get(0).settlementId()));
    }
    return new ClearResults(posted.size(), results.size() - posted.size(), results);
  }

  private ClearResult postClear(Long entryId, String key, Actor actor) {
    try {
      return new ClearResult(
          entryId, attempted(() -> clearPosting.post(entryId, key, actor)), null);
    } catch (SettlementRefused | Conflict e) {
      return new ClearResult(entryId, null, e.getMessage());
    }
  }

  @GetMapping("/api/settlements")
  @Operation(
      summary = "Settlements, newest first; of a customer, or found by payer, text or item number")
  Page<SettlementView> list(
      @RequestParam(required = false) Long company,
      @RequestParam(required = false) Long customer,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "50") int limit) {
    return reader.list(company, customer, q, cursor, limit);
  }

  @GetMapping("/api/settlements/{id}")
  @Operation(summary = "One settlement")
  SettlementView one(@PathVariable Long id) {
    return reader.one(id);
  }

  private SettlementView renewedAfter(Long id) {
    renewal.after(reader.companyOf(id));
    return reader.one(id);
  }

  /**
   * Tries again where somebody changed the same rows at the same moment: the next attempt sees what
   * he did and is either still right or refused with the figures.
   */
  private static Long attempted(Supplier<Long> call) {
    for (var attempt = 1; ; attempt++) {
      try {
        return call.get();
      } catch (ConcurrencyFailureException | DataIntegrityViolationException e) {
        if (attempt == ATTEMPTS) {
          throw e;
        }
      }
    }
  }
}
