package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.ClearExplanation;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;
import org.sumbrel.server.settle.PostSettlement.Difference;

/** Makes, posts and leaves the drafts of a run: clear explanations and drafts of one's own. */
@Service
@Transactional
public class RunPosting {

  private static final int LONGEST_PAYER = 400;

  private final Settlements settlements;
  private final HeldDrafts held;
  private final DraftPreview preview;
  private final Proposals proposals;
  private final Entries entries;
  private final Customers customers;

  RunPosting(
      Settlements settlements,
      HeldDrafts held,
      DraftPreview preview,
      Proposals proposals,
      Entries entries,
      Customers customers) {
    this.settlements = settlements;
    this.held = held;
    this.preview = preview;
    this.proposals = proposals;
    this.entries = entries;
    this.customers = customers;
  }

  /**
   * A draft as it was when a run was started.
   *
   * @param byHand whether somebody made it, or it is an explanation as it stood
   * @param body the draft as it is kept; empty where there is none
   * @param refusal why there is nothing to post; null where there is
   */
  public record Prepared(
      Long entryId, String payer, Money amount, boolean byHand, String body, String refusal) {}

  /** A draft of one's own, for whoever picks what to post. */
  public record OwnDraft(
      @NotNull Long entryId,
      @NotNull String payer,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "the numbers of the items it pays") List<String> pays,
      @Schema(description = "why it cannot be posted as it is; null where it can")
          String refusal) {}

  /** All that stands clear in a currency and is nobody's draft, but for what is excepted. */
  @Transactional(readOnly = true)
  public List<Prepared> allClear(
      Long companyId, CurrencyUnit currency, Collection<Long> except, Actor actor) {
    var left = new HashSet<>(except);
    held.of(companyId).forEach(d -> left.add(d.subject().entryId()));
    return explained(
        entries.clear(companyId, currency).stream().filter(e -> !left.contains(e.id())).toList());
  }

  /** What stands clear of these entries and is nobody's draft. */
  @Transactional(readOnly = true)
  public List<Prepared> clearAmong(Long companyId, Collection<Long> entryIds) {
    if (entryIds.isEmpty()) {
      return List.of();
    }
    var left = new LinkedHashSet<>(entryIds);
    held.of(companyId).forEach(d -> left.remove(d.subject().entryId()));
    return explained(entries.all(left));
  }

  /** Of these entries one's own draft where there is one, else what stands clear. */
  @Transactional(readOnly = true)
  public List<Prepared> prepare(Long companyId, Collection<Long> entryIds, Actor actor) {
    if (entryIds.isEmpty()) {
      return List.of();
    }
    var drafts =
        held.of(companyId).stream()
            .filter(d -> d.subject().entryId() != null)
            .collect(Collectors.toMap(d -> d.subject().entryId(), Function.identity()));
    var rows =
        entries.all(new LinkedHashSet<>(entryIds)).stream()
            .filter(e -> e.companyId().equals(companyId))
            .toList();
    var prepared = new ArrayList<Prepared>();
    for (var entry : rows) {
      var draft = drafts.get(entry.id());
      if (draft != null && draft.heldBy().equals(actor.name())) {
        prepared.add(
            new Prepared(
                entry.id(), payer(entry.payerWords()), entry.amount(), true, draft.body(), null));
      }
    }
    prepared.addAll(explained(rows.stream().filter(e -> !drafts.containsKey(e.id())).toList()));
    var known = prepared.stream().map(Prepared::entryId).collect(Collectors.toSet());
    for (var entry : rows) {
      if (!known.contains(entry.id())) {
        prepared.add(refused(entry, drafts.get(entry.id())));
      }
    }
    return prepared;
  }

  private static Prepared refused(BankEntryEntity entry, DraftEntity draft) {
    var reason =
        draft != null
            ? draft.heldBy() + " works on this; nothing was posted."
            : entry.status() == BankEntryEntity.Status.WAITING
                ? "This entry no longer stands clear; nothing was posted."
                : "This entry no longer waits; nothing was posted.";
    return new Prepared(entry.id(), payer(entry.payerWords()), entry.amount(), false, "", reason);
  }

  private List<Prepared> explained(List<BankEntryEntity> rows) {
    var clear = proposals.clear(rows);
    var names =
        customers.names(
            clear.values().stream()
                .map(ClearExplanation::onAccountCustomerId)
                .filter(Objects::nonNull)
                .distinct()
                .toList());
    var prepared = new ArrayList<Prepared>();
    for (var entry : rows) {
      var explanation = clear.get(entry.id());
      if (explanation != null) {
        var payer = names.getOrDefault(explanation.onAccountCustomerId(), entry.payerWords());
        var body = held.write(command(entry, explanation));
        prepared.add(new Prepared(entry.id(), payer(payer), entry.amount(), false, body, null));
      }
    }
    return prepared;
  }

  private static PostSettlement command(BankEntryEntity entry, ClearExplanation clear) {
    var currency = entry.amount().getCurrencyUnit().getCode();
    return new PostSettlement(
        entry.id(),
        null,
        null,
        clear.parts().stream()
            .map(
                p ->
                    new AppliedItem(
                        p.itemId(),
                        new MoneyView(p.amount(), currency),
                        new MoneyView(p.discount(), currency),
                        null))
            .toList(),
        clear.differences().stream()
            .map(
                d ->
                    Difference.proposed(
                        d.kind(), new MoneyView(d.amount(), currency), d.customerId(), d.reason()))
            .toList(),
        new MoneyView(clear.onAccount(), currency),
        null,
        clear.onAccountCustomerId(),
        null,
        1,
        null,
        null);
  }

  /**
   * Posts these as they were when the run was started, all or none of them.
   *
   * @param released whether a second person has said yes to them
   * @return their settlements' ids, in the same order
   */
  public List<Long> post(List<Prepared> some, boolean released, Actor actor) {
    var commands = some.stream().map(p -> held.parsed(p.body())).toList();
    lookUp(commands);
    var before = settlements.before(commands);
    var posted = new ArrayList<Long>();
    var clear =
        actor.equals(Actor.UNATTENDED)
            ? SettlementEntity.Origin.UNATTENDED
            : SettlementEntity.Origin.CLEAR;
    for (var n = 0; n < some.size(); n++) {
      var origin = some.get(n).byHand() ? SettlementEntity.Origin.HAND : clear;
      posted.add(settlements.post(commands.get(n), origin, before, released, actor));
    }
    return posted;
  }

  /** Reads in one go what the same transaction will ask for one by one. */
  private void lookUp(List<PostSettlement> commands) {
    entries.all(commands.stream().map(PostSettlement::entryId).toList());
    customers.lookUp(
        commands.stream()
            .flatMap(c -> c.applications().stream())
            .map(AppliedItem::itemId)
            .collect(Collectors.toSet()),
        commands.stream()
            .map(PostSettlement::onAccountCustomerId)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet()));
  }

  /**
   * Keeps as a draft what a run could not post, with the reason, where the entry still waits and
   * nobody else works on it. Without a hand there is nobody whose draft it could be.
   */
  public void leaveAsDraft(Prepared prepared, Actor actor, String reason) {
    if (!actor.equals(Actor.UNATTENDED)
        && entries.entry(prepared.entryId()).status() == BankEntryEntity.Status.WAITING) {
      held.refused(held.parsed(prepared.body()), actor, reason);
    }
  }

  /** One's own drafts of entries that could be posted in a run, each as it stands now. */
  @Transactional(readOnly = true)
  public List<OwnDraft> ownDrafts(Long companyId, Actor actor) {
    var own =
        held.of(companyId).stream()
            .filter(d -> d.subject().entryId() != null && d.heldBy().equals(actor.name()))
            .filter(d -> d.state() != DraftEntity.State.HANDED)
            .toList();
    var rows =
        entries.all(own.stream().map(d -> d.subject().entryId()).toList()).stream()
            .collect(Collectors.toMap(BankEntryEntity::id, Function.identity()));
    return own.stream().map(d -> own(d, rows, actor)).toList();
  }

  private OwnDraft own(DraftEntity draft, Map<Long, BankEntryEntity> rows, Actor actor) {
    var command = held.read(draft);
    var entry = rows.get(draft.subject().entryId());
    var items = customers.items(command.applications().stream().map(AppliedItem::itemId).toList());
    var view = preview.of(command, null, Optional.empty(), actor.authority());
    return new OwnDraft(
        entry.id(),
        payer(entry.payerWords()),
        MoneyView.of(entry.amount()),
        command.applications().stream()
            .map(a -> items.get(a.itemId()))
            .map(OpenItemEntity::number)
            .toList(),
        view.refusal());
  }

  private static String payer(String words) {
    return words.length() <= LONGEST_PAYER ? words : words.substring(0, LONGEST_PAYER - 1) + "…";
  }
}
