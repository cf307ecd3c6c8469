package org.sumbrel.server.treat;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.WrittenForm;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.payers.PayerAliases;

/** What we owe to whoever got money from us: a credit note, money on account, a refund promised. */
@Component
@Transactional(readOnly = true)
class OwedToPayee {

  private final PayerAliases aliases;
  private final Customers customers;
  private final JdbcClient jdbc;

  OwedToPayee(PayerAliases aliases, Customers customers, JdbcClient jdbc) {
    this.aliases = aliases;
    this.customers = customers;
    this.jdbc = jdbc;
  }

  /** As a sentence; empty where nothing is owed, or nobody is known by that name or account. */
  String sentence(Long company, Treatable entry) {
    return customer(company, entry).map(id -> owed(id, entry)).orElse("");
  }

  private String owed(Long customer, Treatable entry) {
    var currency = entry.amount().getCurrencyUnit();
    var minor =
        jdbc.sql(
                "select coalesce(sum(open_minor), 0) from open_item"
                    + " where customer_id = :customer and currency = :currency and open_minor < 0")
            .param("customer", customer)
            .param("currency", currency.getCode())
            .query(Long.class)
            .single();
    return minor == 0
        ? ""
        : customers.names(List.of(customer)).get(customer)
            + " is owed "
            + MoneyText.grouped(Money.ofMinor(currency, -minor))
            + ".";
  }

  /** By the account, by an alias, by the very name. */
  private Optional<Long> customer(Long company, Treatable entry) {
    var account = WrittenForm.compact(entry.counterpartyAccount());
    var name = WrittenForm.compact(entry.counterparty());
    var known =
        aliases.all(company).values().stream()
            .filter(
                a ->
                    !account.isEmpty() && account.equals(WrittenForm.compact(a.payerAccount()))
                        || !name.isEmpty() && name.equals(WrittenForm.compact(a.payerText())))
            .map(a -> Long.valueOf(a.customerId()))
            .findFirst();
    return known.or(
        () ->
            jdbc.sql(
                    """
                    select c.id from customer c where c.company_id = :company and (upper(c.name) = upper(:name)
                      or exists (select 1 from customer_account k where k.customer_id = c.id and k.account = :account))
                    order by c.id limit 1
                    """)
                .param("company", company)
                .param("name", entry.counterparty())
                .param("account", entry.counterpartyAccount())
                .query(Long.class)
                .optional());
  }
}
