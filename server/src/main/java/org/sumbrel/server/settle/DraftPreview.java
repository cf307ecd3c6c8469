package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.Authority;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Exchanged;
import org.sumbrel.core.settle.GapReason;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.core.settle.Tally;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.companies.CompanyView.CompanyName;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.journal.JournalController.LineView;
import org.sumbrel.server.settle.DraftAssembler.Assembled;
import org.sumbrel.server.settle.DraftAssembler.Change;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/** What a draft comes to before it is posted. */
@Service
@Transactional(readOnly = true)
class DraftPreview {

  private static final int MOST_OWNERS = 20;

  private final DraftAssembler drafts;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final CompanyPolicies policies;
  private final Customers customers;
  private final Journal journal;
  private final Valuing valuing;
  private final Clock clock;

  DraftPreview(
      DraftAssembler drafts,
      Companies companies,
      BankAccounts bankAccounts,
      CompanyPolicies policies,
      Customers customers,
      Journal journal,
      Valuing valuing,
      Clock clock) {
    this.valuing = valuing;
    this.drafts = drafts;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.policies = policies;
    this.customers = customers;
    this.journal = journal;
    this.clock = clock;
  }

  record TallyView(
      @NotNull MoneyView received,
      @NotNull MoneyView applied,
      @NotNull MoneyView discount,
      @NotNull MoneyView adjustments,
      @NotNull MoneyView onAccount,
      @NotNull MoneyView refund,
      @NotNull MoneyView toAccounts,
      @NotNull @Schema(description = "what counts in other currencies") MoneyView exchanged,
      @NotNull
          @Schema(description = "what counts in the same currency for other companies of the group")
          MoneyView forOthers,
      @NotNull MoneyView left) {}

  /** What of the receipt counts elsewhere. */
  record CountsView(
      @Schema(description = "the company it counts for; null for the receipt's own")
          CompanyName company,
      @NotNull @Schema(description = "of the receipt, in its currency") MoneyView given,
      @NotNull @Schema(description = "what it counts for") MoneyView counted,
      @Schema(
              description =
                  "the rate it is held against: what one unit there is worth in the receipt's currency; null where it is the same currency")
          String rate,
      @Schema(description = "null where there is no rate") RateUsed.Source source,
      @NotNull @Schema(description = "how the rate came about") String words,
      @NotNull
          @Schema(description = "what it falls short of that rate; negative where it is beyond it")
          MoneyView shortage,
      @NotNull @Schema(description = "how the draft adds up there") TallyView tally,
      @NotNull @Schema(description = "the items that it settles there") List<Long> items) {}

  record OptionView(
      @NotNull RemainderOption.Kind kind,
      @NotNull MoneyView amount,
      @NotNull boolean allowed,
      @NotNull @Schema(description = "why it is not allowed") String refusal,
      @NotNull @Schema(description = "why somebody else must approve it; empty where nobody must")
          String approval,
      @NotNull @Schema(description = "what speaks for it") String note) {}

  /** An item by the number that it is known by. */
  record NumberedItem(@NotNull Long itemId, @NotNull String number) {}

  record CustomerTotal(@NotNull Long customerId, @NotNull String name, @NotNull MoneyView taken) {}

  /** What is written into the journal of another company. */
  record WrittenElsewhere(@NotNull CompanyName company, @NotNull List<LineView> lines) {}

  /**
   * A draft with its sums.
   *
   * @param refusal why it cannot be posted, null where it can
   * @param needsApproval whether a supervisor could post it all the same
   * @param exchanges what of the receipt counts elsewhere
   * @param elsewhere what is written into the journals of other companies
   * @param changes what changed underneath, in sentences
   * @param gapReasons why the items do not come to what arrived, where they tell, a sentence each
   * @param adjusted the draft brought up to what is open now, where something changed
   */
  record DraftView(
      @NotNull PostSettlement draft,
      @NotNull TallyView tally,
      @NotNull @Schema(description = "the items of the draft, whosever they are")
          List<NumberedItem> items,
      @NotNull List<CountsView> exchanges,
      @NotNull List<CustomerTotal> customers,
      @NotNull List<OptionView> options,
      String refusal,
      @NotNull boolean needsApproval,
      @NotNull List<LineView> lines,
      @NotNull List<WrittenElsewhere> elsewhere,
      @NotNull List<String> changes,
      @NotNull List<String> gapReasons,
      PostSettlement adjusted) {}

  /** The draft as sent, or as it is once its rest is treated so. */
  DraftView of(
      PostSettlement command,
      RemainderOption.Kind treat,
      Optional<ClaimReason> reason,
      Authority authority) {
    var assembled = drafts.look(command);
    if (treat == null) {
      return view(assembled, assembled.draft(), command, authority);
    }
    var treated = RemainderOption.taken(assembled.draft(), treat, reason, policies, authority);
    return view(assembled, treated, asSent(treated, command), authority);
  }

  private DraftView view(
      Assembled assembled, Draft draft, PostSettlement sent, Authority authority) {
    var tally = draft.tally();
    var options =
        RemainderOption.of(draft, policies, authority).stream()
            .map(
                o ->
                    new OptionView(
                        o.kind(),
                        MoneyView.of(o.amount()),
                        o.allowed(),
                        o.refusal(),
                        o.approval(),
                        o.note()))
            .toList();
    var changes = drafts.changes(sent, assembled.items());
    String refusal = null;
    var needsApproval = false;
    var written = new Written(List.of(), List.of());
    try {
      written = written(draft, assembled, authority);
    } catch (SettlementRefused refused) {
      refusal = refused.getMessage();
      if (refused.code() == SettlementRefused.Code.NEEDS_APPROVAL) {
        needsApproval = true;
        written = written(draft, assembled, Authority.SUPERVISOR);
      }
    }
    return new DraftView(
        sent,
        tally(tally),
        draft.applications().stream()
            .map(a -> new NumberedItem(Long.valueOf(a.item().id()), a.item().number()))
            .toList(),
        draft.exchanges().stream().map(e -> countsView(draft, e)).toList(),
        customers(draft),
        options,
        refusal,
        needsApproval,
        written.own(),
        written.elsewhere(),
        changes.stream().map(Change::sentence).toList(),
        gapReasons(draft),
        changes.isEmpty() ? null : adjusted(sent, assembled.items(), changes));
  }

  private static TallyView tally(Tally tally) {
    return new TallyView(
        MoneyView.of(tally.received()),
        MoneyView.of(tally.applied()),
        MoneyView.of(tally.discount()),
        MoneyView.of(tally.adjustments()),
        MoneyView.of(tally.onAccount()),
        MoneyView.of(tally.refund()),
        MoneyView.of(tally.toAccounts()),
        MoneyView.of(tally.exchanged()),
        MoneyView.of(tally.forOthers()),
        MoneyView.of(tally.left()));
  }

  private CountsView countsView(Draft draft, Exchanged exchanged) {
    var there =
        draft.parts().stream()
            .filter(part -> part.place().equals(exchanged.place()))
            .findFirst()
            .orElseThrow();
    var used = exchanged.reference();
    return new CountsView(
        exchanged.companyId().equals(draft.receipt().companyId())
            ? null
            : companies.called(Long.valueOf(exchanged.companyId())),
        MoneyView.of(exchanged.given()),
        MoneyView.of(exchanged.counted()),
        used.map(u -> u.rate().perUnit().toPlainString()).orElse(null),
        used.map(RateUsed::source).orElse(null),
        used.map(RateUsed::words).orElse(""),
        MoneyView.of(exchanged.shortage()),
        tally(there.tally()),
        there.applications().stream().map(a -> Long.valueOf(a.item().id())).toList());
  }

  /** Held against what else is open on the accounts that the draft speaks of. */
  private List<String> gapReasons(Draft draft) {
    if (draft.tally().left().isZero() || draft.applications().isEmpty()) {
      return List.of();
    }
    var owners =
        draft.applications().stream()
            .map(a -> Long.valueOf(a.item().customerId()))
            .distinct()
            .limit(MOST_OWNERS)
            .toList();
    return GapReason.of(
        draft,
        owners.stream()
            .flatMap(owner -> customers.openOf(owner).stream())
            .map(OpenItemEntity::toItem)
            .toList());
  }

  /** What posting would write, for the company that received the money and for others. */
  private record Written(List<LineView> own, List<WrittenElsewhere> elsewhere) {}

  private Written written(Draft draft, Assembled assembled, Authority authority) {
    var settlement = draft.settle(policies, authority);
    var valued = valuing.of(settlement, LocalDate.now(clock), "preview", assembled.items());
    var bank =
        assembled.entry() == null
            ? null
            : bankAccounts.account(assembled.entry().bankAccountId()).ledgerAccountId();
    return new Written(
        journal.preview(valued.entry(), bank),
        valued.others().stream()
            .map(
                entry ->
                    new WrittenElsewhere(
                        companies.called(Long.valueOf(entry.companyId())),
                        journal.preview(entry, null)))
            .toList());
  }

  private List<CustomerTotal> customers(Draft draft) {
    var shares = draft.byCustomer();
    var names = customers.names(shares.stream().map(s -> Long.valueOf(s.customerId())).toList());
    return shares.stream()
        .map(
            share -> {
              var id = Long.valueOf(share.customerId());
              return new CustomerTotal(id, names.getOrDefault(id, ""), MoneyView.of(share.taken()));
            })
        .toList();
  }

  /**
   * The draft with the changed items at what is open of them now; without those that are settled.
   */
  private static PostSettlement adjusted(
      PostSettlement sent, Map<Long, OpenItemEntity> items, List<Change> changes) {
    var changed = changes.stream().collect(Collectors.toMap(c -> c.item().id(), c -> c));
    var applications = new ArrayList<AppliedItem>();
    for (var application : sent.applications()) {
      var change = changed.get(application.itemId());
      if (change == null) {
        applications.add(application);
        continue;
      }
      var item = items.get(application.itemId());
      var fits = !change.taken().abs().isGreaterThan(item.open().abs());
      if (!item.open().isZero()) {
        applications.add(
            new AppliedItem(
                item.id(),
                MoneyView.of(fits ? change.taken() : item.open()),
                fits ? application.discount() : null,
                item.version()));
      }
    }
    return new PostSettlement(
        sent.entryId(),
        null,
        sent.accountOf(),
        applications,
        sent.adjustments(),
        sent.onAccount(),
        sent.exchanges(),
        sent.onAccountCustomerId(),
        sent.onAccountFor(),
        null,
        sent.despite(),
        sent.remember());
  }

  private static PostSettlement asSent(Draft draft, PostSettlement command) {
    var versions =
        command.applications().stream()
            .filter(a -> a.itemVersion() != null)
            .collect(Collectors.toMap(AppliedItem::itemId, AppliedItem::itemVersion));
    var applications =
        draft.applications().stream()
            .map(
                a -> {
                  var id = Long.valueOf(a.item().id());
                  return new AppliedItem(
                      id, MoneyView.of(a.amount()), MoneyView.of(a.discount()), versions.get(id));
                })
            .toList();
    // what a hand has set stays as it was sent; only what is new is added
    var adjustments = new ArrayList<>(command.adjustments());
    draft.adjustments().stream()
        .skip(command.adjustments().size())
        .map(Differences::toSend)
        .forEach(adjustments::add);
    return new PostSettlement(
        command.entryId(),
        command.entryVersion(),
        command.accountOf(),
        applications,
        adjustments,
        MoneyView.of(draft.onAccount()),
        PostSettlement.counts(draft),
        command.onAccountCustomerId(),
        command.onAccountFor(),
        null,
        command.despite(),
        command.remember());
  }
}
