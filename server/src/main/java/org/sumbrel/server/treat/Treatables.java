package org.sumbrel.server.treat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.core.treat.Trial.Became;
import org.sumbrel.core.treat.Trial.Past;

/** Bank entries as treatments see them, read in bulk: no draft and no row is touched. */
@Component
@Transactional(readOnly = true)
class Treatables {

  private static final String COLUMNS =
      "e.id, e.booked_on, e.amount_minor, e.currency, e.bank_account_id, e.payer_name, e.payer_account,"
          + " e.remittance, e.bank_text, e.status";

  private final JdbcClient jdbc;

  Treatables(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  private record Row(Treatable entry, String status) {}

  private List<Row> rows(String where, Map<String, ?> parameters) {
    return rows("bank_entry e", where, parameters);
  }

  private List<Row> rows(String from, String where, Map<String, ?> parameters) {
    return jdbc.sql(
            "select "
                + COLUMNS
                + " from "
                + from
                + " join bank_account b on b.id = e.bank_account_id where b.kind = 'BANK' and "
                + where
                + " order by e.booked_on, e.id")
        .params(parameters)
        .query(
            (row, n) ->
                new Row(
                    new Treatable(
                        row.getString("id"),
                        row.getObject("booked_on", LocalDate.class),
                        Money.ofMinor(
                            CurrencyUnit.of(row.getString("currency")),
                            row.getLong("amount_minor")),
                        row.getString("bank_account_id"),
                        row.getString("payer_name"),
                        row.getString("payer_account"),
                        row.getString("remittance"),
                        row.getString("bank_text")),
                    row.getString("status")))
        .list();
  }

  Treatable one(Long id) {
    return rows("e.id = :id", Map.of("id", id)).stream()
        .map(Row::entry)
        .findFirst()
        // a receipt of the pouch: no treatment is asked of it
        .orElse(null);
  }

  /** What waits on the bank accounts of a company, in either direction. */
  List<Treatable> unexplained(Long company) {
    return rows(
            "e.company_id = :company and e.status in ('WAITING', 'DEBIT')",
            Map.of("company", company))
        .stream()
        .map(Row::entry)
        .toList();
  }

  /** Money from us in a currency that nobody has explained yet. */
  List<Treatable> moneyFromUs(Long company, CurrencyUnit currency) {
    return rows(
            "e.company_id = :company and e.status = 'DEBIT' and e.currency = :currency",
            Map.of("company", company, "currency", currency.getCode()))
        .stream()
        .map(Row::entry)
        .toList();
  }

  /** Those of these entries that wait on the bank accounts of a company. */
  List<Treatable> unexplained(Long company, Collection<Long> ids) {
    return ids.isEmpty()
        ? List.of()
        : rows(
                "unnest(:ids) asked(id) join bank_entry e on e.id = asked.id",
                "e.company_id = :company and e.status in ('WAITING', 'DEBIT')",
                Map.of("company", company, "ids", ids.toArray(Long[]::new)))
            .stream()
            .map(Row::entry)
            .toList();
  }

  /** What was booked on the other bank accounts of a company about a day, of just this amount. */
  List<Treatable> unexplained(Long company, Money amount, LocalDate from, LocalDate until) {
    return rows(
            "e.company_id = :company and e.status in ('WAITING', 'DEBIT') and e.amount_minor = :minor"
                + " and e.currency = :currency and e.booked_on between :from and :until",
            Map.of(
                "company", company,
                "minor", amount.getAmountMinorLong(),
                "currency", amount.getCurrencyUnit().getCode(),
                "from", from,
                "until", until))
        .stream()
        .map(Row::entry)
        .toList();
  }

  /** All that was booked since a day, and what became of it. */
  List<Past> since(Long company, LocalDate from) {
    var accounts = new HashMap<String, Set<String>>();
    var payments = new HashSet<String>();
    jdbc.sql(
            """
            select s.entry_id, d.ledger_account_id, s.on_account_minor,
              exists (select 1 from settlement_application a where a.settlement_id = s.id) as applied
            from settlement s join bank_entry e on e.id = s.entry_id
              left join settlement_adjustment d on d.settlement_id = s.id and d.kind = 'TO_ACCOUNT'
            where s.company_id = :company and s.status = 'POSTED' and e.booked_on >= :from
            """)
        .param("company", company)
        .param("from", from)
        .query(
            row -> {
              var entry = row.getString("entry_id");
              var account = row.getString("ledger_account_id");
              if (account != null) {
                accounts.computeIfAbsent(entry, e -> new HashSet<>()).add(account);
              }
              if (row.getBoolean("applied") || row.getLong("on_account_minor") != 0) {
                payments.add(entry);
              }
            });
    var past = new ArrayList<Past>();
    for (var row :
        rows(
            "e.company_id = :company and e.booked_on >= :from and e.status not in ('PENDING', 'WITHDRAWN')",
            Map.of("company", company, "from", from))) {
      var id = row.entry().id();
      past.add(
          new Past(
              row.entry(),
              became(row.status(), payments.contains(id)),
              accounts.getOrDefault(id, Set.of())));
    }
    return past;
  }

  private static Became became(String status, boolean payment) {
    return switch (status) {
      case "WAITING", "DEBIT", "SHELVED" -> Became.NOTHING_YET;
      case "SETTLED", "PAID" -> payment ? Became.PAYMENT : Became.TO_ACCOUNTS;
      default -> Became.PAYMENT;
    };
  }
}
