package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.PayoutAtBank;
import org.sumbrel.server.api.MoneyView;

/** Bank entries that wait and seem to be payouts that nobody has booked. */
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
          String words) {}

  /** The entries, in the order of their days. */
  List<LikePayout> of(Long company) {
    var unbooked =
        payouts.findByCompanyIdAndPostedByIsNull(company).stream()
            .filter(p -> p.paidOut().isPositive())
            .collect(Collectors.toMap(p -> p.id().toString(), Function.identity()));
    var entries = waiting(company);
    return PayoutAtBank.among(
            List.copyOf(entries.values()),
            unbooked.values().stream()
                .map(
                    p ->
                        new PayoutAtBank.Sent(
                            p.id().toString(),
                            processors.processor(p.processorId()).name(),
                            p.paidOn(),
                            p.paidOut()))
                .toList(),
            processors.names(company))
        .stream()
        .map(s -> view(s, entries.get(s.entryId()), unbooked))
        .toList();
  }

  private LikePayout view(
      PayoutAtBank.Seen seen, PayoutAtBank.Entry entry, Map<String, PayoutEntity> unbooked) {
    var payout = seen.sentId().map(unbooked::get);
    return new LikePayout(
        Long.valueOf(entry.id()),
        entry.on(),
        entry.says(),
        MoneyView.of(entry.amount()),
        seen.processor().orElse(""),
        payout.map(PayoutEntity::id).orElse(null),
        payout.map(p -> Payouts.words(p, processors.processor(p.processorId()))).orElse(""));
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
