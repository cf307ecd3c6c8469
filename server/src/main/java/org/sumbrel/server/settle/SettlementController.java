package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
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
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.desk.ProposalRenewal;

/** Settlements: looked at before, posted, listed, taken back. */
@RestController
@Tag(name = "settle")
class SettlementController {

  private static final int ATTEMPTS = 4;

  private final Settlements settlements;
  private final Reversals reversals;
  private final SettlementReader reader;
  private final DraftPreview preview;
  private final ProposalRenewal renewal;
  private final SettlementChanges changes;

  SettlementController(
      Settlements settlements,
      Reversals reversals,
      SettlementReader reader,
      DraftPreview preview,
      ProposalRenewal renewal,
      SettlementChanges changes) {
    this.settlements = settlements;
    this.reversals = reversals;
    this.reader = reader;
    this.preview = preview;
    this.renewal = renewal;
    this.changes = changes;
  }

  record Reason(@NotBlank @Size(max = 400) String reason) {}

  record Move(@NotNull Long customerId, @NotBlank @Size(max = 400) String reason) {}

  record Redone(
      @NotNull SettlementView reversed,
      @NotNull @Schema(example = "entry-12", description = "the draft that holds the same again")
          String draft) {}

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
          reversals.reverse(id, reason.reason().strip(), actor);
          return id;
        });
    return renewedAfter(id);
  }

  @PostMapping("/api/settlements/{id}/redoing")
  @Operation(summary = "Takes a settlement back and keeps the same as a draft of one's own")
  Redone redo(@PathVariable Long id, @Valid @RequestBody Reason reason, Principal principal) {
    var actor = Actor.of(principal);
    var draft = changes.redo(id, reason.reason().strip(), actor);
    return new Redone(renewedAfter(id), draft.toString());
  }

  @PostMapping("/api/settlements/{id}/applications/{itemId}/taking-back")
  @Operation(
      summary =
          "Takes one application back in one step: a reversal, and all else posted anew; the money stays on account")
  SettlementView takeBack(
      @PathVariable Long id,
      @PathVariable Long itemId,
      @Valid @RequestBody Reason reason,
      Principal principal) {
    var actor = Actor.of(principal);
    return renewedAfter(
        attempted(() -> changes.takeBack(id, itemId, reason.reason().strip(), actor)));
  }

  @PostMapping("/api/settlements/{id}/moving")
  @Operation(summary = "Moves the whole receipt onto another customer's account in one step")
  SettlementView move(@PathVariable Long id, @Valid @RequestBody Move move, Principal principal) {
    var actor = Actor.of(principal);
    return renewedAfter(
        attempted(() -> changes.move(id, move.customerId(), move.reason().strip(), actor)));
  }

  @GetMapping("/api/open-items/{id}/settlements")
  @Operation(
      summary = "All that ever settled an item, reversed ones too, and what made it; oldest first")
  List<SettlementView> ofItem(@PathVariable Long id) {
    return reader.ofItem(id);
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
