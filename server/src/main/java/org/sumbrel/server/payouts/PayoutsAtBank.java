package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.PayoutAtBank;
import org.sumbrel.server.api.MoneyView;

/** Bank entries that wait and seem to be payouts, of which a file tells or none does. */
@Service
@Transactional(readOnly = true)
class PayoutsAtBank {

  private final JdbcClient jdbc;
  private final PayoutRepository payouts;
  private final Processors processors;

  PayoutsAtBank(JdbcClient jdbc, PayoutRepository payouts, Processors processors) {
    this.jdbc = jdbc;
    this.payouts = payouts;
    this.processors = processors;
  }

  record LikePayout(
      @NotNull Long entryId,
      @NotNull LocalDate bookedOn,
      @NotNull @Schema(description = "payer and text, as the bank says them") String says,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "the processor that it names; empty where none is known")
          String processor,
      @Schema(description = "the payout that it seems to be; null where no file tells of one")
          Long payoutId,
      @NotNull @Schema(description = "how that payout is called; empty where there is none")
          String words,
      @NotNull @Schema(description = "whether that payout is booked") boolean booked,
      @NotNull @Schema(description = "whether it is the whole of that payout, else maybe a part")
          boolean whole) {}

  /** The entries, in the order of their days. */
  List<LikePayout> of(Long company) {
    var there = notShown(company);
    var entries = waiting(company);
    return PayoutAtBank.among(
            List.copyOf(entries.values()),
            there.values().stream().map(One::sent).toList(),
            processors.names(company))
        .stream()
        .map(s -> view(s, entries.get(s.entryId()), s.sentId().map(there::get).orElse(null)))
        .toList();
  }

  private static LikePayout view(PayoutAtBank.Seen seen, PayoutAtBank.Entry entry, One payout) {
    return new LikePayout(
        Long.valueOf(entry.id()),
        entry.on(),
        entry.says(),
        MoneyView.of(entry.amount()),
        seen.processor().orElse(""),
        payout == null ? null : Long.valueOf(payout.sent().id()),
        payout == null ? "" : payout.words(),
        payout != null && payout.booked(),
        seen.whole());
  }

  private record One(PayoutAtBank.Sent sent, String words, boolean booked) {}

  /** Payouts that the bank has not shown whole, booked or not. */
  private Map<String, One> notShown(Long company) {
    var left = new HashMap<Long, Long>();
    jdbc.sql(
            """
            select p.id, case when d.id is null then p.paid_out_minor else d.total_minor - d.shown_minor end as minor
            from payout p left join deposit d on d.id = p.deposit_id
            where p.company_id = :company and p.paid_out_minor > 0 and (p.posted_by is null or d.status = 'MADE')
            """)
        .param("company", company)
        .query(
            row -> {
              left.put(row.getLong("id"), row.getLong("minor"));
            });
    var found = new LinkedHashMap<String, One>();
    for (var payout : payouts.findAllById(left.keySet())) {
      var processor = processors.processor(payout.processorId());
      found.put(
          payout.id().toString(),
          new One(
              new PayoutAtBank.Sent(
                  payout.id().toString(),
                  processor.name(),
                  payout.paidOn(),
                  Money.ofMinor(payout.currency(), left.get(payout.id()))),
              Payouts.words(payout, processor),
              payout.posted()));
    }
    return found;
  }

  private Map<String, PayoutAtBank.Entry> waiting(Long company) {
    var entries = new LinkedHashMap<String, PayoutAtBank.Entry>();
    jdbc.sql(
            """
            select id, booked_on, currency, amount_minor, payer_name, remittance from bank_entry e
            where company_id = :company and status = 'WAITING' and amount_minor > 0
              and not exists (select 1 from held_receipt h where h.entry_id = e.id)
            order by booked_on, id
            """)
        .param("company", company)
        .query(
            row -> {
              entries.put(
                  row.getString("id"),
                  new PayoutAtBank.Entry(
                      row.getString("id"),
                      row.getObject("booked_on", LocalDate.class),
                      Money.ofMinor(
                          CurrencyUnit.of(row.getString("currency")), row.getLong("amount_minor")),
                      (row.getString("payer_name") + " " + row.getString("remittance")).strip()));
            });
    return entries;
  }
}
