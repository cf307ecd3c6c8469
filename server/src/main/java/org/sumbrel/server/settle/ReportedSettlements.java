package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.companies.NumberRanges;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.journal.JournalController.LineView;

/**
 * Posts what a processor's own statement proves: settlements in which no money arrives, through its
 * clearing account. They are taken back only as a whole, by whoever made them.
 */
@Service
@Transactional
public class ReportedSettlements {

  private static final int NOW_AND_THEN = 1_000;

  private final SettlementRepository settlements;
  private final Reversals reversals;
  private final Customers customers;
  private final Journal journal;
  private final NumberRanges numbers;
  private final Valuing valuing;
  private final Clock clock;

  ReportedSettlements(
      SettlementRepository settlements,
      Reversals reversals,
      Customers customers,
      Journal journal,
      NumberRanges numbers,
      Valuing valuing,
      Clock clock) {
    this.valuing = valuing;
    this.numbers = numbers;
    this.settlements = settlements;
    this.reversals = reversals;
    this.customers = customers;
    this.journal = journal;
    this.clock = clock;
  }

  /**
   * Of what a settlement is made.
   *
   * @param words how it is spoken of: {@code payout P-31 of Chipfold}
   */
  public record Origin(Long payoutId, String words) {}

  /**
   * Posts a draft.
   *
   * @param items the rows of the items that it applies to
   * @param watch is told now and then how many of them are settled
   * @return the settlement's id
   * @throws org.sumbrel.core.settle.SettlementRefused where a money rule is against it
   */
  public Long post(
      Draft draft, Map<Long, OpenItemEntity> items, Origin of, Actor actor, LongConsumer watch) {
    var settlement = draft.settleAsReported();
    var today = LocalDate.now(clock);
    var settled = 0;
    for (var item : settlement.itemsAfter()) {
      items.get(Long.valueOf(item.id())).balanceIs(item.open(), today);
      settled++;
      if (settled % NOW_AND_THEN == 0) {
        // else all of it would be written at the end, when nobody can say how far it is
        settlements.flush();
        watch.accept(settled);
      }
    }
    var valued = valuing.of(settlement, today, sentence(of), items);
    valued.takeFrom(items);
    var entry = journal.write(valued.entry(), null, actor.name(), null);
    var made =
        new SettlementEntity(
            settlement,
            null,
            null,
            SettlementEntity.Origin.HAND,
            null,
            actor.name(),
            clock.instant(),
            today,
            entry,
            null);
    made.valued(valued);
    made.of(of.payoutId(), of.words());
    var posted = settlements.save(made);
    settlement
        .itemsMade(numbers.ofSettlement(made.companyId(), posted.id()))
        .forEach(item -> customers.made(item, posted.id(), ""));
    return posted.id();
  }

  /** What posting a draft would write. */
  @Transactional(readOnly = true)
  public List<LineView> preview(Draft draft, Origin of) {
    return journal.preview(
        Posting.entryFor(draft.settleAsReported(), LocalDate.now(clock), sentence(of)), null);
  }

  /** What posting one wrote. */
  @Transactional(readOnly = true)
  public List<LineView> written(Long id) {
    return journal.linesOf(settlements.findById(id).orElseThrow().journalEntryId());
  }

  private static String sentence(Origin of) {
    return of.words().substring(0, 1).toUpperCase(Locale.ROOT) + of.words().substring(1);
  }

  /** Takes such a settlement back. */
  public void reverse(Long id, String reason, Actor actor) {
    reversals.reverseWhole(id, reason, actor);
  }
}
