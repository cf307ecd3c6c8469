package org.sumbrel.server.desk;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;

/** The shelf: what was set aside, why, by whom. */
@RestController
@Tag(name = "desk")
class ShelvingController {

  private final Shelving shelving;
  private final ProposalRenewal renewal;
  private final BankEntryRepository entries;
  private final Companies companies;

  ShelvingController(
      Shelving shelving,
      ProposalRenewal renewal,
      BankEntryRepository entries,
      Companies companies) {
    this.shelving = shelving;
    this.renewal = renewal;
    this.entries = entries;
    this.companies = companies;
  }

  record Shelve(@NotNull ShelvingReason reason, @Size(max = 400) String note) {}

  record ShelvedView(
      @NotNull Long entryId,
      @NotNull LocalDate bookedOn,
      @NotNull String payer,
      @NotNull MoneyView amount,
      @NotNull ShelvingReason reason,
      @NotNull String note,
      @NotNull String by,
      @NotNull Instant at) {}

  @PostMapping("/api/entries/{id}/shelving")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Sets an entry aside with a reason; it stays in every total")
  void shelve(@PathVariable Long id, @Valid @RequestBody Shelve call, Principal principal) {
    var note = call.note() == null ? "" : call.note().strip();
    renewal.after(shelving.shelve(id, call.reason(), note, Actor.of(principal)));
  }

  @DeleteMapping("/api/entries/{id}/shelving")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes an entry back from the shelf")
  void takeBack(@PathVariable Long id) {
    renewal.after(shelving.takeBack(id));
  }

  @GetMapping("/api/shelved")
  @Transactional(readOnly = true)
  @Operation(summary = "What is on the shelf, latest first")
  List<ShelvedView> shelved(@RequestParam(required = false) Long company) {
    return entries
        .findByCompanyIdAndStatus(companies.idOf(company), BankEntryEntity.Status.SHELVED)
        .stream()
        .sorted((a, b) -> b.shelvedAt().compareTo(a.shelvedAt()))
        .map(
            e ->
                new ShelvedView(
                    e.id(),
                    e.bookedOn(),
                    e.payerWords(),
                    MoneyView.of(e.amount()),
                    e.shelvedReason(),
                    e.shelvedNote(),
                    e.shelvedBy(),
                    e.shelvedAt()))
        .toList();
  }
}
