package org.sumbrel.server.treat;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.treat.TreatmentViews.VerdictView;

/** What an entry may be that is no receipt, and booking it as that. */
@RestController
@Tag(name = "house rules")
class WaysController {

  private final TreatmentPosting treatments;
  private final TreatmentViews views;
  private final Treatables treatables;
  private final OwnTransfers transfers;
  private final MoneyFromUs moneyFromUs;
  private final Entries entries;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final ProposalRenewal renewal;

  WaysController(
      TreatmentPosting treatments,
      TreatmentViews views,
      Treatables treatables,
      OwnTransfers transfers,
      MoneyFromUs moneyFromUs,
      Entries entries,
      Companies companies,
      BankAccounts bankAccounts,
      ProposalRenewal renewal) {
    this.treatments = treatments;
    this.views = views;
    this.treatables = treatables;
    this.transfers = transfers;
    this.moneyFromUs = moneyFromUs;
    this.entries = entries;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.renewal = renewal;
  }

  record TransferSide(
      @NotNull Long entryId,
      @NotNull Long bankAccountId,
      @NotNull String bankAccount,
      @NotNull LocalDate on,
      @NotNull @Schema(description = "how many days later than this entry; negative for earlier")
          int days,
      @NotNull MoneyView amount,
      @NotNull String text,
      @NotNull @Schema(description = "whether one of the two speaks of the other's account")
          boolean named,
      @NotNull @Schema(description = "whether it is booked already and only awaits this side")
          boolean awaitsThis) {}

  record CorrectionSide(
      @NotNull Long entryId,
      @NotNull LocalDate on,
      @NotNull @Schema(description = "how many days later than this entry; negative for earlier")
          int days,
      @NotNull String text,
      @NotNull @Schema(description = "whether both name the same counterparty or say the same")
          boolean alike) {}

  record AccountName(@NotNull Long id, @NotNull String name) {}

  record EntryWays(
      @Schema(description = "what the house rules make of it; null where none fits")
          VerdictView treatment,
      @NotNull @Schema(description = "what may be the other side of a transfer, likeliest first")
          List<TransferSide> transfers,
      @NotNull @Schema(description = "what the bank may have put right itself, likeliest first")
          List<CorrectionSide> corrections,
      @NotNull @Schema(description = "own accounts of its currency; those it speaks of come first")
          List<AccountName> ownAccounts,
      @NotNull @Schema(description = "whether it speaks of the first of these")
          boolean speaksOfOne) {}

  record PutRight(@NotNull @Schema(description = "the other half") Long otherEntryId) {}

  record Follow(
      @NotNull Long treatmentId,
      @Size(max = 400) @Schema(description = "why, where something speaks against it")
          String despite) {}

  record Transfer(
      @Schema(description = "the other side, where the bank has shown it") Long otherEntryId,
      @Schema(description = "where the other side is awaited, where it has not")
          Long otherBankAccountId) {}

  record Booked(
      @NotNull
          @Schema(
              description =
                  "of a treatment the settlement, of two entries that belong together their number")
          Long id) {}

  @GetMapping("/api/entries/{id}/ways")
  @Operation(summary = "What an entry may be that is no receipt: by a house rule, or a transfer")
  EntryWays ways(@PathVariable Long id) {
    var company = entries.entry(id).companyId();
    var entry = treatables.one(id);
    if (entry == null) {
      return new EntryWays(null, List.of(), List.of(), List.of(), false);
    }
    var verdict = treatments.verdict(company, entry);
    var sides = transfers.of(company, entry);
    return new EntryWays(
        verdict.map(v -> views.of(v, entry, company)).orElse(null),
        sides.found().stream().map(side -> view(entry, side)).toList(),
        transfers.corrections(company, entry).stream()
            .map(
                c ->
                    new CorrectionSide(
                        Long.valueOf(c.entry().id()),
                        c.entry().on(),
                        c.days(),
                        (c.entry().counterparty() + " " + c.entry().text()).strip(),
                        c.alike()))
            .toList(),
        accounts(company, entry, sides.named()),
        !sides.named().isEmpty());
  }

  private List<AccountName> accounts(Long company, Treatable entry, List<Long> named) {
    return bankAccounts.of(company).stream()
        .filter(a -> a.currency().equals(entry.amount().getCurrencyUnit().getCode()))
        .filter(a -> !a.id().toString().equals(entry.bankAccountId()))
        .sorted((a, b) -> Boolean.compare(named.contains(b.id()), named.contains(a.id())))
        .map(a -> new AccountName(a.id(), a.name()))
        .toList();
  }

  private TransferSide view(Treatable entry, OwnTransfers.Side side) {
    var other = side.other().entry();
    var account = bankAccounts.account(Long.valueOf(other.bankAccountId()));
    return new TransferSide(
        Long.valueOf(other.id()),
        account.id(),
        account.name(),
        other.on(),
        side.other().days(),
        MoneyView.of(other.amount()),
        (other.counterparty() + " " + other.text()).strip(),
        side.other().named(),
        side.transferId() != null);
  }

  @PostMapping("/api/entries/{id}/treatment")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Does with an entry what its house rule says")
  Booked follow(@PathVariable Long id, @Valid @RequestBody Follow call, Principal principal) {
    var company = entries.entry(id).companyId();
    var despite = Optional.ofNullable(call.despite()).map(String::strip).orElse("");
    var posted = treatments.follow(company, id, call.treatmentId(), despite, Actor.of(principal));
    renewal.after(company);
    return new Booked(posted);
  }

  @PostMapping("/api/entries/{id}/transfer")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Books an entry as one side of a transfer between own accounts, with the other side where that has come")
  Booked transfer(@PathVariable Long id, @Valid @RequestBody Transfer call, Principal principal) {
    var company = entries.entry(id).companyId();
    var transfer =
        transfers.book(
            company, id, call.otherEntryId(), call.otherBankAccountId(), Actor.of(principal));
    renewal.after(company);
    return new Booked(transfer);
  }

  @PostMapping("/api/entries/{id}/bank-correction")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary = "Books a mistake of the bank and what put it right; together they are nothing")
  Booked correct(@PathVariable Long id, @Valid @RequestBody PutRight call, Principal principal) {
    var company = entries.entry(id).companyId();
    var pair = transfers.correct(company, id, call.otherEntryId(), Actor.of(principal));
    renewal.after(company);
    return new Booked(pair);
  }

  record ReadyEntry(
      @NotNull Long entryId,
      @NotNull LocalDate on,
      @NotNull String counterparty,
      @NotNull String text,
      @NotNull @Schema(description = "in its sign") MoneyView amount,
      @NotNull String treatment) {}

  record BookReady(@NotEmpty @Size(max = 500) List<@NotNull Long> entryIds) {}

  record NotBooked(@NotNull Long entryId, @NotNull String reason) {}

  record ReadyBooked(@NotNull int booked, @NotNull List<NotBooked> left) {}

  @GetMapping("/api/ready-by-rule")
  @Operation(
      summary = "Entries in either direction that house rules have ready, to be booked all at once")
  List<ReadyEntry> ready(@RequestParam(required = false) Long company) {
    return treatments.ready(companies.idOf(company)).stream()
        .map(
            r ->
                new ReadyEntry(
                    Long.valueOf(r.entry().id()),
                    r.entry().on(),
                    r.entry().counterparty(),
                    r.entry().text(),
                    MoneyView.of(r.entry().amount()),
                    r.verdict().treatment().name()))
        .toList();
  }

  @PostMapping("/api/ready-by-rule")
  @Operation(summary = "Books entries that house rules have ready, each by itself")
  ReadyBooked bookReady(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody BookReady call,
      Principal principal) {
    var owner = companies.idOf(company);
    var ids = call.entryIds().stream().distinct().toList();
    var left = treatments.bookReady(owner, ids, Actor.of(principal));
    renewal.after(owner);
    return new ReadyBooked(
        ids.size() - left.size(),
        left.stream().map(l -> new NotBooked(l.entryId(), l.reason())).toList());
  }

  @GetMapping("/api/money-from-us")
  @Operation(
      summary = "Money from us that nobody has explained yet, oldest first, with what it may be")
  MoneyFromUs.Listed moneyFromUs(
      @RequestParam(required = false) Long company, @RequestParam String currency) {
    return moneyFromUs.list(companies.idOf(company), currency);
  }
}
