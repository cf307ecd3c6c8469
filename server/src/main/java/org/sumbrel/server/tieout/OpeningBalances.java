package org.sumbrel.server.tieout;

import java.time.Clock;
import java.time.LocalDate;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.journal.Journal;

/** What stood on bank accounts when the books began with them: without it nothing can agree. */
@Service
@Transactional
public class OpeningBalances {

  private final BankAccounts bankAccounts;
  private final Journal journal;
  private final TieOutRepository closed;
  private final ClosedPeriodRepository periods;
  private final JdbcClient jdbc;
  private final Clock clock;

  OpeningBalances(
      BankAccounts bankAccounts,
      Journal journal,
      TieOutRepository closed,
      ClosedPeriodRepository periods,
      JdbcClient jdbc,
      Clock clock) {
    this.periods = periods;
    this.jdbc = jdbc;
    this.bankAccounts = bankAccounts;
    this.journal = journal;
    this.closed = closed;
    this.clock = clock;
  }

  /**
   * Says what stood on an account at the end of a day, or says it anew: what was said before is
   * reversed.
   *
   * @throws Conflict where a tie-out stands on it that is closed, or its day is in a closed period
   */
  public void say(Long bankAccountId, LocalDate on, Money balance, Actor actor) {
    var account = bankAccounts.account(bankAccountId);
    if (!balance.getCurrencyUnit().getCode().equals(account.currency())) {
      throw new BadRequest(account.name() + " is kept in " + account.currency() + ".");
    }
    var today = LocalDate.now(clock);
    if (on.isAfter(today)) {
      throw new BadRequest(DayText.of(on) + " has not come yet.");
    }
    closed
        .findFirstByBankAccountIdAndClosingReopenedAtIsNullOrderByAsOfDesc(bankAccountId)
        .ifPresent(
            last -> {
              throw new Conflict(
                  "CLOSED",
                  "The tie-out of "
                      + DayText.of(last.asOf())
                      + " stands on it; reopen that first.");
            });
    periods
        .findFirstByCompanyIdAndClosingReopenedAtIsNullOrderByUntilDayDesc(account.companyId())
        .filter(
            last ->
                !on.isAfter(last.untilDay())
                    || account.openingOn() != null && !account.openingOn().isAfter(last.untilDay()))
        .ifPresent(
            last -> {
              throw new Conflict(
                  "CLOSED",
                  "Everything up to " + DayText.of(last.untilDay()) + " is closed; open it first.");
            });
    var explained =
        jdbc.sql(
                """
                select min(e.booked_on) from bank_entry e where e.bank_account_id = :account and e.booked_on <= :on
                  and e.status not in ('WAITING', 'DEBIT', 'PENDING', 'WITHDRAWN', 'SHELVED')
                """)
            .param("account", bankAccountId)
            .param("on", on)
            .query(LocalDate.class)
            .optional();
    explained.ifPresent(
        first -> {
          throw new BadRequest(
              "Entries from "
                  + DayText.of(first)
                  + " on are in the books already; say what stood there before that day.");
        });
    var text = "Opening balance of " + account.name() + " at the end of " + DayText.of(on);
    if (account.openingEntryId() != null) {
      journal.reverse(
          account.openingEntryId(),
          // on its own day, so that no day in between shows both
          account.openingOn(),
          "Said anew: " + MoneyText.grouped(account.opening()),
          actor.name());
    }
    Long written = null;
    if (!balance.isZero()) {
      written =
          journal.write(
              Posting.opening(account.companyId().toString(), balance, on, text),
              account.ledgerAccountId(),
              actor.name(),
              null);
    }
    account.openedWith(on, balance, written);
  }
}
