package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;

/** Drafts as they grow: kept, taken over, handed to a supervisor, approved or returned. */
@RestController
@Tag(name = "settle")
class DraftController {

  private final HeldDrafts held;
  private final DraftPreview preview;
  private final DraftApproval approval;
  private final SettlementReader reader;
  private final ProposalRenewal renewal;
  private final Entries entries;
  private final Customers customers;
  private final Companies companies;

  DraftController(
      HeldDrafts held,
      DraftPreview preview,
      DraftApproval approval,
      SettlementReader reader,
      ProposalRenewal renewal,
      Entries entries,
      Customers customers,
      Companies companies) {
    this.held = held;
    this.preview = preview;
    this.approval = approval;
    this.reader = reader;
    this.renewal = renewal;
    this.entries = entries;
    this.customers = customers;
    this.companies = companies;
  }

  /** Who holds a draft and how it stands. */
  record HeldDraft(
      @NotNull @Schema(example = "entry-12") String subject,
      @NotNull String by,
      @NotNull Instant since,
      @NotNull DraftEntity.State state,
      @NotNull String note,
      String notedBy,
      @NotNull long version,
      @NotNull PostSettlement draft) {}

  record DraftState(@Schema(description = "null where nobody has begun one") HeldDraft held) {}

  record DraftRow(
      @NotNull String subject,
      Long entryId,
      Long accountOf,
      @NotNull String payer,
      MoneyView amount,
      @NotNull String by,
      @NotNull DraftEntity.State state,
      @NotNull String note,
      String notedBy) {}

  record KeptDraft(@NotNull HeldDraft held, @NotNull DraftPreview.DraftView view) {}

  record Note(@Size(max = 1000) String note) {
    String words() {
      return note == null ? "" : note.strip();
    }
  }

  record Verdict(@NotNull Boolean approved, @Size(max = 1000) String note) {}

  @GetMapping("/api/drafts")
  @Transactional(readOnly = true)
  @Operation(summary = "The drafts of a company that are not posted, by who holds them")
  List<DraftRow> drafts(@RequestParam(required = false) Long company) {
    var all = held.of(companies.idOf(company));
    var rows = new HashMap<Long, BankEntryEntity>();
    entries
        .all(all.stream().map(d -> d.subject().entryId()).filter(Objects::nonNull).toList())
        .forEach(e -> rows.put(e.id(), e));
    var names =
        customers.names(
            all.stream().map(d -> d.subject().accountOf()).filter(Objects::nonNull).toList());
    return all.stream().map(d -> row(d, rows, names)).toList();
  }

  private static DraftRow row(
      DraftEntity draft, Map<Long, BankEntryEntity> rows, Map<Long, String> names) {
    var entry = rows.get(draft.subject().entryId());
    return new DraftRow(
        draft.subject().toString(),
        draft.subject().entryId(),
        draft.subject().accountOf(),
        entry == null ? names.get(draft.subject().accountOf()) : entry.payerWords(),
        entry == null ? null : MoneyView.of(entry.amount()),
        draft.heldBy(),
        draft.state(),
        draft.note(),
        draft.notedBy());
  }

  @GetMapping("/api/drafts/{subject}")
  @Operation(
      summary = "The draft of an entry (entry-12) or of an account (account-45), if there is one")
  DraftState draft(@PathVariable String subject) {
    return new DraftState(held.about(DraftSubject.read(subject)).map(this::view).orElse(null));
  }

  @PutMapping("/api/drafts/{subject}")
  @Operation(
      summary =
          "Keeps a draft as it grows and says what it comes to; refused where another holds it")
  KeptDraft keep(
      @PathVariable String subject,
      @RequestHeader(name = "If-Match", required = false) String seen,
      @Valid @RequestBody PostSettlement draft,
      Principal principal) {
    var actor = Actor.of(principal);
    // what cannot be reckoned is refused before it is kept
    var view = preview.of(draft, null, Optional.empty(), actor.authority());
    var kept = held.keep(DraftSubject.read(subject), draft, version(seen), actor);
    return new KeptDraft(view(kept), view);
  }

  private static Long version(String seen) {
    if (seen == null || seen.isBlank()) {
      return null;
    }
    try {
      return Long.valueOf(seen.replace("\"", "").strip());
    } catch (NumberFormatException e) {
      throw new BadRequest("\"" + seen + "\" is no version of a draft.");
    }
  }

  @DeleteMapping("/api/drafts/{subject}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Throws a draft away; the explanations stand again")
  void discard(@PathVariable String subject, Principal principal) {
    held.discard(DraftSubject.read(subject), Actor.of(principal));
  }

  @PostMapping("/api/drafts/{subject}/holder")
  @Operation(summary = "Takes a draft over from whoever holds it, with all that was typed")
  HeldDraft takeOver(@PathVariable String subject, Principal principal) {
    return view(held.takeOver(DraftSubject.read(subject), Actor.of(principal)));
  }

  @PostMapping("/api/drafts/{subject}/handing")
  @Operation(summary = "Hands a draft that is over one's limit to a supervisor")
  HeldDraft handOver(
      @PathVariable String subject, @Valid @RequestBody Note note, Principal principal) {
    return view(held.handOver(DraftSubject.read(subject), note.words(), Actor.of(principal)));
  }

  @PostMapping("/api/drafts/{subject}/verdict")
  @Operation(
      summary =
          "Approves a draft that was handed over, which posts it, or returns it with a note; never one's own")
  DraftState decide(
      @PathVariable String subject, @Valid @RequestBody Verdict verdict, Principal principal) {
    var about = DraftSubject.read(subject);
    var actor = Actor.of(principal);
    var note = verdict.note() == null ? "" : verdict.note().strip();
    if (verdict.approved()) {
      renewal.after(reader.companyOf(approval.approve(about, actor)));
      return new DraftState(null);
    }
    return new DraftState(view(held.handBack(about, note, actor)));
  }

  private HeldDraft view(DraftEntity draft) {
    return new HeldDraft(
        draft.subject().toString(),
        draft.heldBy(),
        draft.heldSince(),
        draft.state(),
        draft.note(),
        draft.notedBy(),
        draft.version(),
        held.seen(draft));
  }
}
