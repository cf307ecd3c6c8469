package org.sumbrel.server.desk;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.propose.Evidence;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.propose.TextMark;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.api.Page;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.EntryRows.EntryRow;
import org.sumbrel.server.desk.EntryRows.ProposedAdjustment;
import org.sumbrel.server.remittance.AdviceView;
import org.sumbrel.server.remittance.Advices;

/** The queue of bank entries and, for each, the engine's explanations. */
@RestController
@Tag(name = "desk")
@Transactional(readOnly = true)
class EntryController {

  private final BankEntryRepository entries;
  private final EntrySearch search;
  private final Proposals proposals;
  private final Customers customers;
  private final EntryRows rows;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final Advices advices;
  private final Clock clock;

  EntryController(
      BankEntryRepository entries,
      EntrySearch search,
      Proposals proposals,
      Customers customers,
      EntryRows rows,
      Companies companies,
      BankAccounts bankAccounts,
      Advices advices,
      Clock clock) {
    this.entries = entries;
    this.search = search;
    this.proposals = proposals;
    this.customers = customers;
    this.rows = rows;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.advices = advices;
    this.clock = clock;
  }

  record StandingGroup(
      @NotNull Standing standing, @NotNull long count, @NotNull MoneyView amount) {}

  record EntryPage(
      @NotNull List<EntryRow> rows,
      String next,
      @NotNull List<StandingGroup> standings,
      @NotNull @Schema(description = "what of the search line was not understood, a sentence each")
          List<String> problems) {}

  record ProposedApplication(
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customerName,
      @NotNull LocalDate dueOn,
      @NotNull MoneyView open,
      @NotNull MoneyView amount,
      @NotNull MoneyView discount,
      @NotNull long itemVersion) {}

  record EvidenceView(@NotNull String code, @NotNull String text, @NotNull double weight) {
    static EvidenceView of(Evidence evidence) {
      return new EvidenceView(evidence.code(), evidence.text(), evidence.weight());
    }
  }

  record MarkView(
      @NotNull int start,
      @NotNull int end,
      @Schema(description = "what it points at; null where it is the amount that arrived")
          Long itemId,
      @Schema(description = "the item's number") String number,
      @Schema(description = "whether the item is settled") Boolean settled,
      @Schema(description = "when it was, where that is known") LocalDate settledOn,
      @NotNull boolean exact) {

    static MarkView of(TextMark mark, Map<Long, OpenItemEntity> items) {
      var item = mark.itemId().isEmpty() ? null : items.get(Long.valueOf(mark.itemId()));
      return item == null
          ? new MarkView(mark.start(), mark.end(), null, null, null, null, mark.exact())
          : new MarkView(
              mark.start(),
              mark.end(),
              item.id(),
              item.number(),
              item.toItem().settled(),
              item.settledOn(),
              mark.exact());
    }
  }

  record ProposalView(
      @NotNull int rank,
      @NotNull double probability,
      @NotNull
          @Schema(
              description =
                  "the probability in words; where what is open is in other currencies, that it was not weighed against those")
          String odds,
      Long customerId,
      Long payerId,
      @Schema(description = "on whose account what is left over is kept") Long onAccountCustomerId,
      @NotNull List<ProposedApplication> applications,
      @NotNull List<ProposedAdjustment> adjustments,
      @NotNull MoneyView onAccount,
      @NotNull List<EvidenceView> evidence) {}

  /**
   * One transaction of an entry that the bank booked for several, or what it says of the only one.
   */
  record PartView(
      MoneyView amount,
      @NotNull String payerName,
      @NotNull String payerAccount,
      @NotNull String ultimatePayer,
      @NotNull String text,
      @NotNull String endToEnd,
      MoneyView charges,
      @Schema(description = "what the payer ordered, in his currency") MoneyView instructed,
      @NotNull @Schema(description = "the bank's rate, plain decimal, or empty") String rate) {

    static PartView of(ToldEntry.Part part, String currency) {
      return new PartView(
          money(part.amount(), currency),
          said(part.payerName()),
          said(part.payerAccount()),
          said(part.ultimatePayer()),
          said(part.remittance()),
          said(part.endToEnd()),
          money(part.charges(), currency),
          money(part.instructed(), part.instructedCurrency()),
          said(part.rate()));
    }

    private static String said(String text) {
      return text == null ? "" : text;
    }

    private static MoneyView money(String amount, String currency) {
      return amount == null || amount.isEmpty() ? null : new MoneyView(amount, currency);
    }
  }

  record EntryDetail(
      @NotNull Long id,
      @NotNull LocalDate bookedOn,
      @NotNull LocalDate valueOn,
      @NotNull long daysWaiting,
      @NotNull String payer,
      Long payerId,
      @NotNull MoneyView amount,
      @NotNull Long bankAccountId,
      @NotNull String bankAccount,
      @NotNull
          @Schema(
              description =
                  "whether it is a receipt of the office, which is in the pouch or was banked")
          boolean recorded,
      @NotNull String payerName,
      @NotNull String payerAccount,
      @NotNull String text,
      @NotNull String bankReference,
      @NotNull String checkNumber,
      @NotNull String bankText,
      @NotNull boolean reversal,
      @NotNull List<PartView> parts,
      @NotNull BankEntryEntity.Status status,
      @NotNull Standing standing,
      @NotNull int alternatives,
      @NotNull boolean exhaustive,
      @NotNull List<ProposalView> proposals,
      @NotNull List<EvidenceView> notes,
      @NotNull List<MarkView> marks,
      @Schema(description = "what the payer said of this money, where an advice came")
          AdviceView advice,
      @Schema(
              description =
                  "what arrived less the items of the advice, where both are of one currency")
          MoneyView arrivedMore,
      @NotNull long version) {}

  @GetMapping("/api/entries")
  @Operation(
      summary = "Bank entries by standing, then booking date; with the totals of each standing")
  EntryPage list(
      @RequestParam(required = false) Long company,
      @RequestParam(defaultValue = "WAITING") BankEntryEntity.Status status,
      @RequestParam(required = false) List<Standing> standing,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(required = false) String cursor,
      @RequestParam(defaultValue = "100") int limit) {
    var size = Page.limit(limit);
    var owner = companies.idOf(company);
    var asked = standing == null || standing.isEmpty() ? List.of(Standing.values()) : standing;
    var line = SearchLine.read(q, LocalDate.now(clock));
    var queue = search.queue(owner, status, asked, line, after(cursor), size + 1);
    var found = queue.page();
    var view = rows.of(found).stream().collect(Collectors.toMap(EntryRow::id, Function.identity()));
    var page = Page.of(found, size, e -> view.get(e.id()), EntryController::cursor);
    var groups =
        queue.groups().stream()
            .map(
                g ->
                    new StandingGroup(
                        g.standing(),
                        g.sum().count(),
                        MoneyView.ofMinor(g.sum().currency(), g.sum().amountMinor())))
            .toList();
    return new EntryPage(page.rows(), page.next(), groups, line.problems());
  }

  private static String cursor(BankEntryEntity entry) {
    return entry.standing().ordinal() + "_" + entry.bookedOn() + "_" + entry.id();
  }

  private static EntrySearch.After after(String cursor) {
    if (cursor == null || cursor.isBlank()) {
      return new EntrySearch.After(-1, LocalDate.EPOCH, 0);
    }
    try {
      var parts = cursor.split("_");
      return new EntrySearch.After(
          Integer.parseInt(parts[0]), LocalDate.parse(parts[1]), Long.parseLong(parts[2]));
    } catch (NumberFormatException | DateTimeParseException | ArrayIndexOutOfBoundsException e) {
      throw new BadRequest("\"" + cursor + "\" is not a cursor that this list gave.");
    }
  }

  @GetMapping("/api/entries/{id}")
  @Operation(summary = "One bank entry with up to five explanations, best first")
  EntryDetail entry(@PathVariable Long id) {
    var entry = entries.findById(id).orElseThrow(() -> new NotThere("bank entry", id));
    var account = bankAccounts.account(entry.bankAccountId());
    var thoughts =
        entry.status() == BankEntryEntity.Status.WAITING ? proposals.of(List.of(id)).get(id) : null;
    if (thoughts == null) {
      thoughts = new StoredProposals(0, true, List.of(), List.of(), List.of());
    }
    return detail(entry, account, thoughts);
  }

  private EntryDetail detail(
      BankEntryEntity entry, BankAccountEntity account, StoredProposals thoughts) {
    var itemIds = new HashSet<Long>();
    thoughts.proposals().forEach(p -> p.applications().forEach(a -> itemIds.add(a.itemId())));
    var items = customers.items(itemIds);
    var marked =
        customers
            .itemsThere(
                entry.companyId(),
                thoughts.marks().stream()
                    .filter(m -> !m.itemId().isEmpty())
                    .map(m -> Long.valueOf(m.itemId()))
                    .collect(Collectors.toSet()))
            .stream()
            .collect(Collectors.toMap(OpenItemEntity::id, Function.identity()));
    var customerIds =
        items.values().stream()
            .map(OpenItemEntity::customerId)
            .collect(Collectors.toCollection(HashSet::new));
    var lead = thoughts.leadCustomer();
    if (lead != null) {
      customerIds.add(lead);
    }
    var names = customers.names(customerIds);
    var told = entry.told();
    var advice = advices.of(entry.id());
    var views = new ArrayList<ProposalView>();
    for (var proposal : thoughts.proposals()) {
      views.add(view(views.size() + 1, proposal, entry, items, names));
    }
    return new EntryDetail(
        entry.id(),
        entry.bookedOn(),
        entry.valueOn(),
        Math.max(0, ChronoUnit.DAYS.between(entry.bookedOn(), LocalDate.now(clock))),
        lead == null ? entry.payerWords() : names.get(lead),
        lead,
        MoneyView.of(entry.amount()),
        account.id(),
        account.name(),
        account.isPouch(),
        entry.payerName(),
        entry.payerAccount(),
        entry.remittance(),
        entry.bankReference(),
        entry.checkNumber(),
        entry.bankText(),
        told.reversal(),
        told.parts().stream()
            .map(p -> PartView.of(p, entry.amount().getCurrencyUnit().getCode()))
            .toList(),
        entry.status(),
        entry.standing(),
        thoughts.alternatives(),
        thoughts.exhaustive(),
        views,
        thoughts.notes().stream().map(EvidenceView::of).toList(),
        thoughts.marks().stream().map(m -> MarkView.of(m, marked)).toList(),
        advice.map(AdviceView::of).orElse(null),
        advice
            .map(a -> a.advice().sum())
            .filter(sum -> sum.getCurrencyUnit().equals(entry.amount().getCurrencyUnit()))
            .map(sum -> MoneyView.of(entry.amount().minus(sum)))
            .orElse(null),
        entry.version());
  }

  private static ProposalView view(
      int rank,
      StoredProposals.Stored proposal,
      BankEntryEntity entry,
      Map<Long, OpenItemEntity> items,
      Map<Long, String> names) {
    var currency = entry.amount().getCurrencyUnit().getCode();
    var applications =
        proposal.applications().stream()
            .map(
                a -> {
                  var item = items.get(a.itemId());
                  return new ProposedApplication(
                      a.itemId(),
                      a.number(),
                      item.customerId(),
                      names.getOrDefault(item.customerId(), ""),
                      item.dueOn(),
                      MoneyView.of(item.open()),
                      new MoneyView(a.amount(), currency),
                      new MoneyView(a.discount(), currency),
                      item.version());
                })
            .toList();
    return new ProposalView(
        rank,
        proposal.probability(),
        Odds.of(proposal.probability(), proposal.evidence()),
        proposal.customerId(),
        proposal.payerId(),
        proposal.onAccountCustomerId(),
        applications,
        proposal.adjustments().stream().map(a -> ProposedAdjustment.of(a, currency)).toList(),
        new MoneyView(proposal.onAccount(), currency),
        proposal.evidence().stream().map(EvidenceView::of).toList());
  }
}
