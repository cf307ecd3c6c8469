package org.sumbrel.server.journal;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.companies.Charts;

/** What stands on a company's bank accounts by its books. */
@Component
@Transactional(readOnly = true)
public class BanksByTheBooks {

  private final LedgerRows rows;
  private final Charts charts;

  BanksByTheBooks(LedgerRows rows, Charts charts) {
    this.rows = rows;
    this.charts = charts;
  }

  /** By currency, at the end of a day. */
  public Map<CurrencyUnit, Money> on(Long company, LocalDate day) {
    var chart = charts.of(company);
    var sums = new HashMap<CurrencyUnit, Money>();
    for (var turnover : rows.turnovers(company, null, new Period(null, day))) {
      if (chart.get(turnover.accountId()).role() == AccountRole.BANK) {
        var unit = CurrencyUnit.of(turnover.currency());
        sums.merge(unit, Money.ofMinor(unit, turnover.closingMinor()), Money::plus);
      }
    }
    return sums;
  }
}
