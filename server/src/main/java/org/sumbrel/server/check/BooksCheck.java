package org.sumbrel.server.check;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.server.books.Agreements;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyView;
import org.sumbrel.server.tieout.TrailBreaks;

/**
 * Looks whether every rule holds in the books as they are stored: everything is read anew, nothing
 * is taken from what the application keeps, and nothing is changed. As of one moment.
 */
@Service
@Transactional(readOnly = true, isolation = Isolation.SERIALIZABLE)
public class BooksCheck {

  private static final int MOST_NAMED = 20;

  private final JdbcClient jdbc;
  private final Companies companies;
  private final Agreements agreements;
  private final TrailBreaks trail;

  BooksCheck(JdbcClient jdbc, Companies companies, Agreements agreements, TrailBreaks trail) {
    this.jdbc = jdbc;
    this.companies = companies;
    this.agreements = agreements;
    this.trail = trail;
  }

  /**
   * What became of one rule.
   *
   * @param rule in a sentence
   * @param looked how many things it is about
   * @param broken what breaks it, a sentence each; at most twenty and how many more
   */
  public record Checked(
      @NotNull String rule,
      @NotNull long looked,
      @NotNull @Schema(description = "what breaks it, a sentence each; empty where it holds")
          List<String> broken) {

    public boolean holds() {
      return broken.isEmpty();
    }
  }

  /** Every rule, one after the other. */
  public List<Checked> all() {
    var checked = new ArrayList<Checked>();
    for (var rule : StoredRule.ALL) {
      checked.add(
          new Checked(
              rule.says(),
              jdbc.sql(rule.counted()).query(Long.class).single(),
              named(jdbc.sql(rule.broken()).query(String.class).list())));
    }
    for (var company : companies.all()) {
      checked.add(trail(company));
      for (var currency : currencies(company)) {
        checked.add(agreement(company, CurrencyUnit.of(currency)));
      }
    }
    return checked;
  }

  private static List<String> named(List<String> broken) {
    return broken.size() <= MOST_NAMED
        ? broken
        : Stream.concat(
                broken.stream().limit(MOST_NAMED),
                Stream.of("and " + (broken.size() - MOST_NAMED) + " more"))
            .toList();
  }

  private TreeSet<String> currencies(CompanyView company) {
    return new TreeSet<>(
        jdbc.sql("select distinct currency from open_item where company_id = :company")
            .param("company", company.id())
            .query(String.class)
            .list());
  }

  private Checked agreement(CompanyView company, CurrencyUnit currency) {
    var agreement = agreements.of(company.id(), currency, null);
    return new Checked(
        company.name()
            + ": the items of each customer come to what the ledger says, in "
            + currency,
        agreement.lines().size(),
        named(
            agreement.apart().stream()
                .map(
                    line ->
                        "customer "
                            + line.customerId()
                            + ": items "
                            + MoneyText.grouped(line.items())
                            + ", ledger "
                            + MoneyText.grouped(line.books()))
                .toList()));
  }

  private Checked trail(CompanyView company) {
    return new Checked(
        company.name() + ": every cent that arrived is somewhere, and counted once",
        jdbc.sql("select count(*) from bank_entry where company_id = :company")
            .param("company", company.id())
            .query(Long.class)
            .single(),
        named(trail.of(company.id())));
  }
}
