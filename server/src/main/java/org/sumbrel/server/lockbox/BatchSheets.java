package org.sumbrel.server.lockbox;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.lockbox.BatchTotals;
import org.sumbrel.core.lockbox.ChequeState;
import org.sumbrel.core.lockbox.ChequeUse;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.server.desk.BankEntryEntity.Status;
import org.sumbrel.server.settle.ReceiptUses;
import org.sumbrel.server.settle.ReceiptUses.Drafted;
import org.sumbrel.server.settle.ReceiptUses.First;
import org.sumbrel.server.settle.ReceiptUses.Parts;
import org.sumbrel.server.settle.ReceiptUses.Posted;

/** Brings together what is known of each cheque of a batch: its state, and where its money goes. */
@Component
@Transactional(readOnly = true)
class BatchSheets {

  private static final Comparator<Cheque> BY_TASK =
      Comparator.comparing(Cheque::state).thenComparing(Cheque::entryId);

  private final ReceiptUses uses;
  private final JdbcClient jdbc;

  BatchSheets(ReceiptUses uses, JdbcClient jdbc) {
    this.uses = uses;
    this.jdbc = jdbc;
  }

  /**
   * A cheque of a batch.
   *
   * @param item its number in the batch
   * @param items how many documents its slip names
   * @param itemTotal what they come to
   * @param byHand whether somebody changed what was proposed
   * @param by who holds its draft, or posted it; empty where nobody
   * @param handed whether its draft is handed over for approval
   * @param settlementId what settles it; null where nothing does
   */
  record Cheque(
      Long entryId,
      String item,
      String number,
      int items,
      Money itemTotal,
      ChequeState state,
      ChequeUse use,
      boolean byHand,
      String by,
      boolean handed,
      Long settlementId) {

    /** Whether somebody could post it with the batch as it is: nobody posts another's draft. */
    boolean readyFor(String name) {
      return state.ready() && (state != ChequeState.BY_HAND || by.equals(name) && !handed);
    }

    /** Whether it stays in the batch when somebody posts the batch as it is. */
    boolean staysFor(String name) {
      return state.waits() && !readyFor(name);
    }

    /** What the cheque is more or less than its slip says; zero where there is no slip. */
    Money beyondItems() {
      return items == 0
          ? Money.zero(use.amount().getCurrencyUnit())
          : use.amount().minus(itemTotal);
    }
  }

  /**
   * A batch as it stands.
   *
   * @param cheques what is left to do first
   */
  record Sheet(CurrencyUnit currency, List<Cheque> cheques) {

    BatchTotals totals() {
      return BatchTotals.of(currency, cheques.stream().map(Cheque::use).toList());
    }
  }

  private record Row(
      Long entryId,
      String item,
      String number,
      Money amount,
      int items,
      Money itemTotal,
      Status status,
      Standing standing) {

    boolean waits() {
      return status == Status.WAITING;
    }
  }

  Sheet of(LockboxBatchEntity batch) {
    var currency = batch.currency();
    var rows = rows(batch);
    var ids = rows.stream().map(Row::entryId).toList();
    var posted = uses.posted(currency, ids);
    var drafted = uses.drafted(batch.companyId(), currency, ids);
    var clear =
        uses.first(
            currency,
            rows.stream()
                .filter(r -> r.waits() && r.standing() == Standing.CLEAR)
                .map(Row::entryId)
                .toList());
    var cheques = new ArrayList<Cheque>();
    rows.forEach(row -> cheques.add(cheque(row, posted, drafted, clear)));
    cheques.sort(BY_TASK);
    return new Sheet(currency, cheques);
  }

  /** How much of a batch is posted. */
  record Done(int cheques, Money amount) {}

  Done posted(LockboxBatchEntity batch) {
    return jdbc.sql(
            """
            select count(*) as cheques, coalesce(sum(r.amount_minor), 0) as minor
            from held_receipt r join bank_entry e on e.id = r.entry_id
            where r.lockbox_batch_id = :batch and e.status = 'SETTLED'
            """)
        .param("batch", batch.id())
        .query(
            (row, n) ->
                new Done(
                    row.getInt("cheques"), Money.ofMinor(batch.currency(), row.getLong("minor"))))
        .single();
  }

  private static Cheque cheque(
      Row row, Map<Long, Posted> posted, Map<Long, Drafted> drafted, Map<Long, First> clear) {
    var settled = posted.get(row.entryId());
    if (settled != null) {
      return cheque(
          row,
          ChequeState.POSTED,
          use(row, settled.parts()),
          settled.byHand(),
          settled.by(),
          false,
          settled.settlementId());
    }
    if (!row.waits()) {
      return cheque(row, ChequeState.ASIDE, ChequeUse.none(row.amount()), false, "", false, null);
    }
    var draft = drafted.get(row.entryId());
    if (draft != null) {
      var use = use(row, draft.parts());
      var state = use.left().isZero() ? ChequeState.BY_HAND : ChequeState.UNEXPLAINED;
      return cheque(row, state, use, true, draft.heldBy(), draft.handed(), null);
    }
    var explained = clear.get(row.entryId());
    if (explained != null) {
      return cheque(
          row,
          explained.leavesOwing() ? ChequeState.SHORT : ChequeState.CLEAR,
          use(row, explained.parts()),
          false,
          "",
          false,
          null);
    }
    var state = row.standing() == Standing.BLANK ? ChequeState.UNEXPLAINED : ChequeState.UNDECIDED;
    return cheque(row, state, ChequeUse.none(row.amount()), false, "", false, null);
  }

  private static Cheque cheque(
      Row row,
      ChequeState state,
      ChequeUse use,
      boolean byHand,
      String by,
      boolean handed,
      Long settlementId) {
    return new Cheque(
        row.entryId(),
        row.item(),
        row.number(),
        row.items(),
        row.itemTotal(),
        state,
        use,
        byHand,
        by,
        handed,
        settlementId);
  }

  private static ChequeUse use(Row row, Parts parts) {
    return new ChequeUse(
        row.amount(),
        parts.applied(),
        parts.onAccount(),
        parts.kept().negated(),
        parts.toAccounts());
  }

  private List<Row> rows(LockboxBatchEntity batch) {
    var currency = batch.currency();
    return jdbc.sql(
            """
            select r.entry_id, r.batch_item, r.reference, r.amount_minor, r.item_count, r.item_minor, e.status, e.standing_rank
            from held_receipt r join bank_entry e on e.id = r.entry_id
            where r.lockbox_batch_id = :batch order by r.entry_id
            """)
        .param("batch", batch.id())
        .query(
            (row, n) ->
                new Row(
                    row.getLong("entry_id"),
                    row.getString("batch_item"),
                    row.getString("reference"),
                    Money.ofMinor(currency, row.getLong("amount_minor")),
                    row.getInt("item_count"),
                    Money.ofMinor(currency, row.getLong("item_minor")),
                    Status.valueOf(row.getString("status")),
                    Standing.values()[row.getInt("standing_rank")]))
        .list();
  }
}
