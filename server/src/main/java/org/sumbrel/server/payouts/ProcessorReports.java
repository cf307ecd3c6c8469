package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.payout.PaymentCost;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Charts;

/** What processors owe us, item by item, and what they cost. */
@Service
@Transactional(readOnly = true)
class ProcessorReports {

  private final JdbcClient jdbc;
  private final Charts charts;

  ProcessorReports(JdbcClient jdbc, Charts charts) {
    this.jdbc = jdbc;
    this.charts = charts;
  }

  /** Why a part of a balance stands there. */
  enum Why {
    /** A card receipt that is recorded and not paid out. */
    RECEIPT,
    /** What of a payout's items was not sent with it. */
    CARRIED
  }

  record ClearingItem(
      @NotNull Why why,
      @NotNull @Schema(description = "of the receipt's entry, or of the payout") Long id,
      @NotNull LocalDate on,
      @NotNull String words,
      @NotNull MoneyView amount) {}

  record OnItsWay(
      @NotNull Long payoutId,
      @NotNull LocalDate sentOn,
      @NotNull @Schema(description = "the payout's number; empty where it has none") String number,
      @NotNull @Schema(description = "to which it was sent; empty where it is not booked yet")
          String bankAccount,
      @NotNull @Schema(description = "what the bank has not shown of it") MoneyView left) {}

  @Schema(
      description =
          "books = explained + difference; a difference is what was booked to the clearing account by hand")
  record ClearingProof(
      @NotNull Long processorId,
      @NotNull String processor,
      @NotNull String currency,
      @NotNull @Schema(description = "what stands on the clearing account") MoneyView books,
      @NotNull @Schema(description = "what its items come to") MoneyView explained,
      @NotNull MoneyView difference,
      @NotNull List<ClearingItem> items,
      @NotNull @Schema(description = "what the processor holds back, by the books")
          MoneyView reserve,
      @NotNull @Schema(description = "by the items of the payouts that are booked")
          MoneyView reserveExplained,
      @NotNull @Schema(description = "payouts that were sent and that the bank has not shown yet")
          List<OnItsWay> onItsWay) {}

  record CostRow(
      @NotNull String processor,
      @NotNull @Schema(description = "year and month", example = "2026-05") String month,
      @NotNull @Schema(description = "as the file says; empty for fees of the period")
          String method,
      @NotNull int sales,
      @NotNull MoneyView sold,
      @NotNull @Schema(description = "what was kept in the end, its tax included") MoneyView kept,
      @Schema(description = "of the sales, in per cent; null where there are none")
          BigDecimal percent) {}

  private record Place(
      Long processor, String name, CurrencyUnit currency, Long clearing, Long reserve) {}

  /** The proofs of all processors of a company, one for each currency. */
  List<ClearingProof> clearing(Long company) {
    var receiptsStandOn = charts.accountFor(company, AccountRole.PROCESSOR_CLEARING);
    return jdbc
        .sql(
            """
            select distinct r.id, r.name, p.currency, r.clearing_account_id, r.reserve_account_id
            from processor r join payout p on p.processor_id = r.id where r.company_id = :company order by r.name, p.currency
            """)
        .param("company", company)
        .query(
            (row, n) ->
                new Place(
                    row.getLong("id"),
                    row.getString("name"),
                    CurrencyUnit.of(row.getString("currency")),
                    row.getLong("clearing_account_id"),
                    row.getLong("reserve_account_id")))
        .list()
        .stream()
        .map(place -> proof(company, place, place.clearing().equals(receiptsStandOn)))
        .toList();
  }

  private ClearingProof proof(Long company, Place place, boolean withReceipts) {
    var items = new ArrayList<Explained>();
    if (withReceipts) {
      items.addAll(receipts(company, place.currency()));
    }
    items.addAll(carried(place));
    var explained = MoneySum.of(place.currency(), items, Explained::amount);
    var books = balance(place.clearing(), place.currency());
    return new ClearingProof(
        place.processor(),
        place.name(),
        place.currency().getCode(),
        MoneyView.of(books),
        MoneyView.of(explained),
        MoneyView.of(books.minus(explained)),
        items.stream().map(Explained::view).toList(),
        MoneyView.of(balance(place.reserve(), place.currency())),
        MoneyView.of(reserved(place)),
        onItsWay(place));
  }

  private record Explained(Why why, Long id, LocalDate on, String words, Money amount) {
    ClearingItem view() {
      return new ClearingItem(why, id, on, words, MoneyView.of(amount));
    }
  }

  private List<Explained> receipts(Long company, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select entry_id, received_on, payer, reference, amount_minor from held_receipt
            where company_id = :company and currency = :currency and method = 'CARD' and deposit_id is null
              and withdrawn_at is null order by received_on, entry_id
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            (row, n) ->
                new Explained(
                    Why.RECEIPT,
                    row.getLong("entry_id"),
                    row.getObject("received_on", LocalDate.class),
                    (row.getString("reference").isBlank()
                            ? "Card receipt"
                            : "Card slip " + row.getString("reference"))
                        + " from "
                        + row.getString("payer"),
                    Money.ofMinor(currency, row.getLong("amount_minor"))))
        .list();
  }

  private List<Explained> carried(Place place) {
    return jdbc.sql(
            """
            select id, number, paid_on, net_minor - previous_minor - paid_out_minor as minor from payout
            where processor_id = :processor and currency = :currency and posted_by is not null
              and net_minor - previous_minor - paid_out_minor <> 0 order by paid_on, id
            """)
        .param("processor", place.processor())
        .param("currency", place.currency().getCode())
        .query(
            (row, n) ->
                new Explained(
                    Why.CARRIED,
                    row.getLong("id"),
                    row.getObject("paid_on", LocalDate.class),
                    "Not sent with payout " + row.getString("number"),
                    Money.ofMinor(place.currency(), row.getLong("minor"))))
        .list();
  }

  private Money balance(Long account, CurrencyUnit currency) {
    return Money.ofMinor(
        currency,
        jdbc.sql(
                "select coalesce(sum(amount_minor), 0) from journal_line where ledger_account_id = :account and currency = :currency")
            .param("account", account)
            .param("currency", currency.getCode())
            .query(Long.class)
            .single());
  }

  private Money reserved(Place place) {
    return Money.ofMinor(
        place.currency(),
        jdbc.sql(
                """
                select coalesce(-sum(i.gross_minor - i.tax_minor), 0) from payout_item i join payout p on p.id = i.payout_id
                where p.processor_id = :processor and p.currency = :currency and p.posted_by is not null
                  and i.type in ('RESERVE_HELD', 'RESERVE_RELEASED')
                """)
            .param("processor", place.processor())
            .param("currency", place.currency().getCode())
            .query(Long.class)
            .single());
  }

  private List<OnItsWay> onItsWay(Place place) {
    return jdbc.sql(
            """
            select p.id, p.paid_on, p.number, coalesce(b.name, '') as account,
              case when d.id is null then p.paid_out_minor else d.total_minor - d.shown_minor end as minor
            from payout p left join deposit d on d.id = p.deposit_id left join bank_account b on b.id = d.bank_account_id
            where p.processor_id = :processor and p.currency = :currency and p.paid_out_minor > 0
              and (p.posted_by is null or d.status = 'MADE')
            order by p.paid_on, p.id
            """)
        .param("processor", place.processor())
        .param("currency", place.currency().getCode())
        .query(
            (row, n) ->
                new OnItsWay(
                    row.getLong("id"),
                    row.getObject("paid_on", LocalDate.class),
                    row.getString("number"),
                    row.getString("account"),
                    MoneyView.of(Money.ofMinor(place.currency(), row.getLong("minor")))))
        .list();
  }

  /**
   * What was kept, by processor, month and method, of the payouts that are booked. What is kept or
   * comes back with a refund counts for the method of its sale.
   */
  List<CostRow> cost(Long company) {
    return jdbc.sql(
            """
            select * from (
              select r.name, p.currency, formatdatetime(coalesce(i.happened_on, p.paid_on), 'yyyy-MM') as in_month,
                coalesce(nullif(i.method, ''), s.method, '') as by_method,
                sum(case when i.type = 'SALE' then 1 else 0 end) as sales,
                sum(case when i.type = 'SALE' then i.gross_minor else 0 end) as sold_minor, sum(i.fee_minor) as kept_minor
              from payout_item i join payout p on p.id = i.payout_id join processor r on r.id = p.processor_id
              left join payout_item s on s.id = i.join_target and i.join_kind in ('SALE', 'REOPEN')
              where p.company_id = :company and p.posted_by is not null
              group by r.name, p.currency, in_month, by_method
              having sum(case when i.type = 'SALE' then 1 else 0 end) > 0 or sum(i.fee_minor) <> 0
            ) order by in_month desc, name, case when by_method = '' then 1 else 0 end, by_method
            """)
        .param("company", company)
        .query(
            (row, n) -> {
              var currency = CurrencyUnit.of(row.getString("currency"));
              var cost =
                  new PaymentCost(
                      Money.ofMinor(currency, row.getLong("sold_minor")),
                      Money.ofMinor(currency, row.getLong("kept_minor")));
              return new CostRow(
                  row.getString("name"),
                  row.getString("in_month"),
                  row.getString("by_method"),
                  row.getInt("sales"),
                  MoneyView.of(cost.sold()),
                  MoneyView.of(cost.kept()),
                  cost.percent().orElse(null));
            })
        .list();
  }
}
