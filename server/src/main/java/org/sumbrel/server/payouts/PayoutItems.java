package org.sumbrel.server.payouts;

import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.Join;
import org.sumbrel.core.payout.KnownSale;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutItemType;

/** The rows of payout items; there may be very many, so they are written and read as rows. */
@Component
@Transactional
class PayoutItems {

  private static final int CHUNK = 1_000;

  private static final String SELECT =
      "select i.*, p.currency from payout_item i join payout p on p.id = i.payout_id ";

  private final JdbcClient jdbc;
  private final JdbcTemplate batches;

  PayoutItems(JdbcClient jdbc, JdbcTemplate batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /** Ids for so many items that are to be kept. */
  List<Long> ids(int count) {
    return jdbc.sql("select next value for payout_item_seq from system_range(1, :count)")
        .param("count", count)
        .query(Long.class)
        .list();
  }

  /**
   * Keeps the items of a payout.
   *
   * @param watch is told how many are kept, now and then
   */
  void keep(
      Long payoutId, List<Long> ids, List<PayoutItem> items, List<Join> joins, LongConsumer watch) {
    for (var from = 0; from < items.size(); from += CHUNK) {
      var rows = new ArrayList<Object[]>();
      for (var n = from; n < Math.min(items.size(), from + CHUNK); n++) {
        rows.add(columns(payoutId, ids.get(n), items.get(n), joins.get(n)));
      }
      batches.batchUpdate(
          """
          insert into payout_item (id, payout_id, line, item_key, type, word, reference, related, happened_on, gross_minor,
            fee_minor, tax_minor, fee_tax_minor, method, payer, words, join_kind, join_target, candidates, asked)
          values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
          """,
          rows);
      watch.accept(from + (long) rows.size());
    }
  }

  private static Object[] columns(Long payoutId, Long id, PayoutItem item, Join join) {
    var text = JoinText.of(join);
    return new Object[] {
      id,
      payoutId,
      item.line(),
      item.id(),
      item.type().name(),
      item.word(),
      item.reference(),
      item.related(),
      item.on().map(Date::valueOf).orElse(null),
      item.gross().getAmountMinorLong(),
      item.fee().getAmountMinorLong(),
      item.tax().getAmountMinorLong(),
      item.feeTax().getAmountMinorLong(),
      item.method(),
      item.payer(),
      item.text(),
      text.kind().name(),
      text.target(),
      JoinText.candidates(join),
      JoinText.why(join)
    };
  }

  /** All items of a payout, in the order of the file. */
  @Transactional(readOnly = true)
  public List<PayoutItemRow> of(Long payoutId) {
    return jdbc.sql(SELECT + "where i.payout_id = :payout order by i.id")
        .param("payout", payoutId)
        .query(PayoutItems::row)
        .list();
  }

  @Transactional(readOnly = true)
  public Optional<PayoutItemRow> one(Long payoutId, Long id) {
    return jdbc.sql(SELECT + "where i.payout_id = :payout and i.id = :id")
        .param("payout", payoutId)
        .param("id", id)
        .query(PayoutItems::row)
        .optional();
  }

  /** Items by their ids. */
  @Transactional(readOnly = true)
  public List<PayoutItemRow> some(List<Long> ids) {
    return ids.isEmpty()
        ? List.of()
        : jdbc.sql(
                "select i.*, p.currency from unnest(:ids) asked(id) join payout_item i on i.id = asked.id join payout p on p.id = i.payout_id")
            .param("ids", ids.toArray(Long[]::new))
            .query(PayoutItems::row)
            .list();
  }

  /** Everything that is about these sales, in whichever payout. */
  @Transactional(readOnly = true)
  public List<PayoutItemRow> about(List<Long> sales) {
    return sales.isEmpty()
        ? List.of()
        : jdbc.sql(
                "select i.*, p.currency from unnest(:ids) asked(id) join payout_item i on i.join_target = asked.id and i.join_kind in ('SALE', 'REOPEN') join payout p on p.id = i.payout_id order by i.id")
            .param("ids", sales.toArray(Long[]::new))
            .query(PayoutItems::row)
            .list();
  }

  private static PayoutItemRow row(ResultSet row, int n) throws SQLException {
    var currency = CurrencyUnit.of(row.getString("currency"));
    var join =
        new JoinText(
            JoinText.Kind.valueOf(row.getString("join_kind")),
            row.getObject("join_target", Long.class));
    return new PayoutItemRow(
        row.getLong("id"),
        row.getLong("payout_id"),
        new PayoutItem(
            row.getInt("line"),
            row.getString("item_key"),
            PayoutItemType.valueOf(row.getString("type")),
            row.getString("word"),
            row.getString("reference"),
            row.getString("related"),
            Optional.ofNullable(row.getObject("happened_on", LocalDate.class)),
            Money.ofMinor(currency, row.getLong("gross_minor")),
            Money.ofMinor(currency, row.getLong("fee_minor")),
            Money.ofMinor(currency, row.getLong("tax_minor")),
            Money.ofMinor(currency, row.getLong("fee_tax_minor")),
            row.getString("method"),
            row.getString("payer"),
            row.getString("words")),
        join.toJoin(row.getString("candidates"), row.getString("asked")),
        row.getString("decided_by"));
  }

  /** Notes anew what items belong to. */
  void join(List<Long> ids, List<Join> joins) {
    var rows = new ArrayList<Object[]>();
    for (var n = 0; n < ids.size(); n++) {
      var text = JoinText.of(joins.get(n));
      rows.add(
          new Object[] {
            text.kind().name(),
            text.target(),
            JoinText.candidates(joins.get(n)),
            JoinText.why(joins.get(n)),
            ids.get(n)
          });
    }
    batches.batchUpdate(
        "update payout_item set join_kind = ?, join_target = ?, candidates = ?, asked = ? where id = ?",
        rows);
  }

  /** Somebody says what an item belongs to. */
  void decide(Long id, Join join, String by) {
    join(List.of(id), List.of(join));
    jdbc.sql("update payout_item set decided_by = :by where id = :id")
        .param("by", by)
        .param("id", id)
        .update();
  }

  /** Whether this is a sale of the processor, in whichever payout. */
  @Transactional(readOnly = true)
  public boolean isSale(Long processorId, Long id) {
    return jdbc.sql(
                "select count(*) from payout_item i join payout p on p.id = i.payout_id where i.id = :id and i.type = 'SALE' and p.processor_id = :processor")
            .param("id", id)
            .param("processor", processorId)
            .query(Long.class)
            .single()
        > 0;
  }

  /** Somebody says what an item is. */
  void is(Long id, PayoutItem item) {
    jdbc.sql(
            "update payout_item set type = :type, gross_minor = :gross, fee_minor = :fee, tax_minor = 0, fee_tax_minor = 0 where id = :id")
        .param("type", item.type().name())
        .param("gross", item.gross().getAmountMinorLong())
        .param("fee", item.fee().getAmountMinorLong())
        .param("id", id)
        .update();
  }

  /** The sales of earlier payouts of a processor, with what is left of each. */
  @Transactional(readOnly = true)
  public List<KnownSale> sales(Long processorId, CurrencyUnit currency, Long before) {
    return jdbc.sql(
            """
            select s.id, s.item_key, s.reference, s.gross_minor + coalesce(sum(t.gross_minor), 0) as left_minor
            from payout_item s join payout p on p.id = s.payout_id
            left join payout_item t on t.join_target = s.id and t.join_kind in ('SALE', 'REOPEN')
              and t.type in ('REFUND', 'CHARGEBACK', 'CHARGEBACK_REVERSAL') and t.payout_id < :before
            where p.processor_id = :processor and p.currency = :currency and s.type = 'SALE' and p.id < :before
            group by s.id, s.item_key, s.reference, s.gross_minor
            """)
        .param("processor", processorId)
        .param("currency", currency.getCode())
        .param("before", before)
        .query(
            (row, n) ->
                new KnownSale(
                    row.getString("id"),
                    row.getString("item_key"),
                    row.getString("reference"),
                    Money.ofMinor(currency, row.getLong("left_minor"))))
        .list();
  }

  /**
   * Forgets the items of a payout, and that anything was of it: what was booked and taken back
   * stays on record, with the payout's name.
   */
  void deleteOf(Long payoutId) {
    for (var table : List.of("settlement", "deposit")) {
      jdbc.sql("update " + table + " set payout_id = null where payout_id = :payout")
          .param("payout", payoutId)
          .update();
    }
    jdbc.sql("delete from payout_item where payout_id = :payout")
        .param("payout", payoutId)
        .update();
  }
}
