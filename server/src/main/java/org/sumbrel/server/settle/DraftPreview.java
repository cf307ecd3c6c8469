package org.sumbrel.server.settle;

import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.RemainderOption;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.journal.JournalController.LineView;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;
import org.sumbrel.server.settle.PostSettlement.Difference;

/** What a draft comes to before it is posted. */
@Service
@Transactional(readOnly = true)
class DraftPreview {

  private final DraftAssembler drafts;
  private final Companies companies;
  private final Journal journal;
  private final Clock clock;

  DraftPreview(DraftAssembler drafts, Companies companies, Journal journal, Clock clock) {
    this.drafts = drafts;
    this.companies = companies;
    this.journal = journal;
    this.clock = clock;
  }

  record TallyView(
      @NotNull MoneyView received,
      @NotNull MoneyView applied,
      @NotNull MoneyView discount,
      @NotNull MoneyView adjustments,
      @NotNull MoneyView onAccount,
      @NotNull MoneyView left) {}

  record OptionView(
      @NotNull RemainderOption.Kind kind,
      @NotNull MoneyView amount,
      @NotNull boolean allowed,
      @NotNull String refusal) {}

  /** A draft with its sums; {@code refusal} says why it cannot be posted, null where it can. */
  record DraftView(
      @NotNull PostSettlement draft,
      @NotNull TallyView tally,
      @NotNull List<OptionView> options,
      String refusal,
      @NotNull List<LineView> lines) {}

  /** The draft as sent, or as it is once its rest is treated so. */
  DraftView of(PostSettlement command, RemainderOption.Kind treat) {
    var assembled = drafts.assemble(command);
    var entry = assembled.entry();
    var policy = companies.policy(entry.companyId(), entry.amount().getCurrencyUnit());
    var draft =
        treat == null ? assembled.draft() : RemainderOption.taken(assembled.draft(), treat, policy);
    var bank = companies.bankAccount(entry.bankAccountId()).ledgerAccountId();
    return view(
        draft, treat == null ? command : asSent(draft, command, assembled.items()), policy, bank);
  }

  private DraftView view(Draft draft, PostSettlement sent, Policy policy, Long bank) {
    var tally = draft.tally();
    var tallyView =
        new TallyView(
            MoneyView.of(tally.received()),
            MoneyView.of(tally.applied()),
            MoneyView.of(tally.discount()),
            MoneyView.of(tally.adjustments()),
            MoneyView.of(tally.onAccount()),
            MoneyView.of(tally.left()));
    var options =
        RemainderOption.of(draft, policy).stream()
            .map(o -> new OptionView(o.kind(), MoneyView.of(o.amount()), o.allowed(), o.refusal()))
            .toList();
    try {
      var settlement = draft.settle(policy);
      var lines =
          journal.preview(Posting.entryFor(settlement, LocalDate.now(clock), "preview"), bank);
      return new DraftView(sent, tallyView, options, null, lines);
    } catch (SettlementRefused refused) {
      return new DraftView(sent, tallyView, options, refused.getMessage(), List.of());
    }
  }

  private static PostSettlement asSent(
      Draft draft, PostSettlement command, Map<Long, OpenItemEntity> items) {
    var applications =
        draft.applications().stream()
            .map(
                a -> {
                  var id = Long.valueOf(a.item().id());
                  return new AppliedItem(
                      id,
                      MoneyView.of(a.amount()),
                      MoneyView.of(a.discount()),
                      items.get(id).version());
                })
            .toList();
    var adjustments =
        draft.adjustments().stream()
            .map(a -> new Difference(AdjustmentKind.of(a), MoneyView.of(a.amount())))
            .toList();
    return new PostSettlement(
        command.entryId(),
        command.entryVersion(),
        applications,
        adjustments,
        MoneyView.of(draft.onAccount()),
        command.onAccountCustomerId(),
        null);
  }
}
