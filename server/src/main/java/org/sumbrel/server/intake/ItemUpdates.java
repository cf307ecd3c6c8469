package org.sumbrel.server.intake;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.ItemDifference;
import org.sumbrel.core.receivables.ItemDifference.Kind;
import org.sumbrel.formats.receivables.InvoiceRow;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.intake.CorrectionEntity.Status;
import org.sumbrel.server.journal.Journal;

/** What later lists say otherwise of known items: asked once, and done when accepted. */
@Service
@Transactional
class ItemUpdates {

  private static final int MOST = 200;

  private final ItemUpdateRepository updates;
  private final IntakeRepository intakes;
  private final Customers customers;
  private final Journal journal;
  private final Proposals proposals;
  private final JdbcClient jdbc;
  private final Clock clock;

  ItemUpdates(
      ItemUpdateRepository updates,
      IntakeRepository intakes,
      Customers customers,
      Journal journal,
      Proposals proposals,
      JdbcClient jdbc,
      Clock clock) {
    this.updates = updates;
    this.intakes = intakes;
    this.customers = customers;
    this.journal = journal;
    this.proposals = proposals;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** A row of a list, and the item that has its number. */
  record Met(InvoiceRow row, OpenItemEntity item) {}

  /** Asks what these rows say otherwise and was not asked before; says how much that is. */
  int ask(Long intakeId, List<Met> met) {
    var asked = met.stream().flatMap(m -> said(intakeId, m).stream()).toList();
    if (asked.isEmpty()) {
      return 0;
    }
    var before =
        updates
            .findByItemIdIn(asked.stream().map(ItemUpdateEntity::itemId).distinct().toList())
            .stream()
            .collect(Collectors.groupingBy(ItemUpdateEntity::itemId));
    var fresh =
        asked.stream()
            .filter(a -> before.getOrDefault(a.itemId(), List.of()).stream().noneMatch(a::sameAs))
            .toList();
    updates.saveAll(fresh);
    return fresh.size();
  }

  private static List<ItemUpdateEntity> said(Long intakeId, Met met) {
    var row = met.row();
    return ItemDifference.between(met.item().toItem(), row.dueDate(), row.open(), row.cancelled())
        .stream()
        .map(difference -> new ItemUpdateEntity(intakeId, met.item(), difference))
        .toList();
  }

  /** Latest first. */
  @Transactional(readOnly = true)
  List<ItemUpdateEntity> list(Long companyId, Status status) {
    return updates.findByCompanyIdAndStatusOrderByIdDesc(companyId, status, Limit.of(MOST));
  }

  /** Why an update cannot be accepted now, by the update's id; missing where it can. */
  @Transactional(readOnly = true)
  Map<Long, String> against(List<ItemUpdateEntity> asked, Map<Long, OpenItemEntity> items) {
    return asked.stream()
        .flatMap(u -> against(u, items.get(u.itemId())).map(a -> Map.entry(u.id(), a)).stream())
        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
  }

  private Optional<String> against(ItemUpdateEntity update, OpenItemEntity item) {
    if (update.kind() == Kind.DUE_DATE) {
      return Optional.empty();
    }
    if (update.kind() == Kind.CANCELLED) {
      // whatever is open goes, as long as nothing of it was settled
      var settled = settledBy(item.id());
      return settled.isEmpty()
          ? Optional.empty()
          : Optional.of(
              item.number()
                  + " cannot be taken away: "
                  + String.join(", ", settled)
                  + ". Reverse "
                  + (settled.size() == 1 ? "that settlement" : "those settlements")
                  + " first.");
    }
    return item.open().equals(update.oldOpen())
        ? Optional.empty()
        : Optional.of(
            item.number()
                + " has "
                + MoneyText.grouped(item.open())
                + " open by now, not "
                + MoneyText.grouped(update.oldOpen())
                + ". Keep ours, and take the list in anew.");
  }

  /** What was settled of an item, one phrase for each settlement that stands. */
  private List<String> settledBy(Long itemId) {
    return jdbc.sql(
            """
            select s.id, s.posted_by, s.currency, sum(a.amount_minor) as taken
            from settlement_application a join settlement s on s.id = a.settlement_id
            where a.item_id = :item and s.status = 'POSTED' group by s.id, s.posted_by, s.currency order by s.id
            """)
        .param("item", itemId)
        .query(
            (row, n) ->
                MoneyText.grouped(
                        Money.ofMinor(
                            CurrencyUnit.of(row.getString("currency")), row.getLong("taken")))
                    + " of it is settled (settlement "
                    + row.getLong("id")
                    + ", "
                    + row.getString("posted_by")
                    + ")")
        .list();
  }

  /**
   * Takes over what the list says, or leaves the item as it is.
   *
   * @return the company whose proposals are behind now
   * @throws Conflict where somebody decided before, or the item is settled or has changed
   */
  Long decide(Long id, boolean accept, Actor actor) {
    var update = updates.findById(id).orElseThrow(() -> new NotThere("update", id));
    if (update.status() != Status.OPEN) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          update.decidedBy()
              + (update.status() == Status.ACCEPTED ? " accepted" : " refused")
              + " this already.");
    }
    if (accept) {
      carryOut(update, actor);
    }
    update.decide(accept, actor.name(), clock.instant());
    return update.companyId();
  }

  private void carryOut(ItemUpdateEntity update, Actor actor) {
    var item = customers.items(List.of(update.itemId())).get(update.itemId());
    against(update, item)
        .ifPresent(
            why -> {
              throw new Conflict(
                  update.kind() == Kind.CANCELLED ? "SETTLED" : "CHANGED_MEANWHILE", why);
            });
    var today = LocalDate.now(clock);
    var books = journal.books(item.companyId());
    var file =
        intakes.findById(update.intakeId()).map(IntakeEntity::fileName).orElse("a later list");
    switch (update.kind()) {
      case DUE_DATE -> item.dueIs(update.newDueOn().orElseThrow());
      case CANCELLED -> {
        Posting.entryFor(item.toItem(), item.tax())
            .map(e -> item.asInBooks(e, books))
            .map(e -> e.mirrored(today, item.number() + " cancelled, as " + file + " says"))
            .ifPresent(e -> journal.writeAll(List.of(e), actor.name()));
        item.worthNothing();
        item.balanceIs(item.open().minus(item.open()), today);
      }
      case PAID_ELSEWHERE -> {
        var open = update.newOpen().orElseThrow();
        var entry =
            Posting.paidElsewhere(
                item.toItem(),
                item.open().minus(open),
                today,
                item.number() + " paid elsewhere, as " + file + " says");
        journal.writeAll(List.of(item.asInBooks(entry, books)), actor.name());
        item.isPaidElsewhere(open, today, books);
      }
    }
    proposals.mark(update.companyId());
  }
}
