package org.sumbrel.server.outside;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.formats.camt.CamtWriter;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.AccountStatement.Balance;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.outside.BankDay.Sent;
import org.sumbrel.server.outside.DepositCredits.Brought;
import org.sumbrel.server.outside.DepositCredits.Credit;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/** The simulated bank: its days, its files, its moods. */
@Service
@Transactional
class SimulatedBank {

  private static final int MOST_PAYABLE = 60;

  /** What a bank that miscounts adds to its closing balance, in minor units. */
  private static final long MISCOUNTED = 1_000;

  private static final long FIRST_BALANCE = 10_000_000;

  private final SimulatedBankRepository banks;
  private final SimulatedDeliveryRepository deliveries;
  private final BankAccounts bankAccounts;
  private final OpenOutside open;
  private final JdbcClient jdbc;
  private final Clock clock;

  SimulatedBank(
      SimulatedBankRepository banks,
      SimulatedDeliveryRepository deliveries,
      BankAccounts bankAccounts,
      OpenOutside open,
      JdbcClient jdbc,
      Clock clock) {
    this.banks = banks;
    this.deliveries = deliveries;
    this.bankAccounts = bankAccounts;
    this.open = open;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  Optional<SimulatedBankEntity> of(Long companyId) {
    return banks.findById(companyId).filter(b -> b.bankAccountId() != null);
  }

  /** Has it deliver for an account, from where its statements end or the business date. */
  void connect(Long companyId, Long bankAccountId) {
    var account = bankAccounts.account(companyId, bankAccountId);
    var bank = banks.findById(companyId).orElseGet(() -> new SimulatedBankEntity(companyId));
    if (bank.bankAccountId() != null) {
      throw new Conflict(
          "CONNECTED",
          "The bank is connected already; part from it before you choose another account.");
    }
    var last = lastStatement(bankAccountId);
    var today = LocalDate.now(clock);
    bank.connect(
        bankAccountId,
        last.map(Balance::date).filter(d -> d.isAfter(today)).orElse(today),
        last.map(b -> b.amount().getAmountMinorLong()).orElse(FIRST_BALANCE));
    bank.behave(Behaviour.GOOD);
    banks.save(bank);
  }

  private Optional<Balance> lastStatement(Long bankAccountId) {
    var currency = CurrencyUnit.of(bankAccounts.account(bankAccountId).currency());
    return jdbc.sql(
            """
            select until_on, closing_minor from statement
            where bank_account_id = :account and until_on is not null and closing_minor is not null
            order by until_on desc, id desc limit 1
            """)
        .param("account", bankAccountId)
        .query(
            (row, n) ->
                new Balance(
                    row.getObject("until_on", LocalDate.class),
                    Money.ofMinor(currency, row.getLong("closing_minor"))))
        .optional();
  }

  void disconnect(Long companyId) {
    connected(companyId).disconnect();
  }

  void behave(Long companyId, Behaviour behaviour) {
    connected(companyId).behave(behaviour);
  }

  private SimulatedBankEntity connected(Long companyId) {
    return of(companyId)
        .orElseThrow(
            () -> new BadRequest("The simulated bank is not connected; connect it first."));
  }

  /** One working day goes by at the bank: it makes the day's statement. */
  void dayForward(Long companyId) {
    var bank = connected(companyId);
    var account = bankAccounts.account(bank.bankAccountId());
    var day = workingDayAfter(bank.day());
    var currency = CurrencyUnit.of(account.currency());
    var entries =
        BankDay.of(
            day,
            currency,
            account.id(),
            open.of(companyId, currency, MOST_PAYABLE),
            credited(account.id(), currency, day),
            sent(companyId, currency, day));
    var sum = entries.stream().mapToLong(e -> e.amount().getAmountMinorLong()).sum();
    var behaviour = bank.behaviour();
    var text = statement(bank, account, day, entries, bank.balanceMinor() + sum);
    var name = "simulated-" + account.number() + "-" + day;
    var ready = behaviour.late() ? workingDayAfter(day) : day;
    deliveries.save(
        new SimulatedDeliveryEntity(companyId, Source.BANK, name + ".xml", day, ready, text));
    if (behaviour.twice()) {
      deliveries.save(
          new SimulatedDeliveryEntity(
              companyId, Source.BANK, name + "-again.xml", day, ready, text));
    }
    bank.made(day, bank.balanceMinor() + sum);
  }

  static LocalDate workingDayAfter(LocalDate day) {
    var next = day.plusDays(1);
    while (next.getDayOfWeek() == DayOfWeek.SATURDAY || next.getDayOfWeek() == DayOfWeek.SUNDAY) {
      next = next.plusDays(1);
    }
    return next;
  }

  /** What of the deposits brought before is credited on a day; it is noted, so that it is once. */
  private List<Credit> credited(Long account, CurrencyUnit currency, LocalDate day) {
    var credits = DepositCredits.on(day, brought(account, currency));
    for (var credit : credits) {
      jdbc.sql(
              "insert into simulated_credit (deposit_id, made_on, amount_minor) values (:deposit, :day, :minor)")
          .param("deposit", credit.depositId())
          .param("day", day)
          .param("minor", credit.amount().getAmountMinorLong())
          .update();
    }
    return credits;
  }

  /** What processors sent before and is credited on a day; it is noted, so that it is once. */
  private List<Sent> sent(Long companyId, CurrencyUnit currency, LocalDate day) {
    var sent =
        jdbc.sql(
                """
                select number, payer, words, net_minor from simulated_payout
                where company_id = :company and currency = :currency and credited_on is null and sent_on < :day order by number
                """)
            .param("company", companyId)
            .param("currency", currency.getCode())
            .param("day", day)
            .query(
                (row, n) ->
                    new Sent(
                        row.getString("payer"),
                        Money.ofMinor(currency, row.getLong("net_minor")),
                        row.getString("words")))
            .list();
    jdbc.sql(
            """
            update simulated_payout set credited_on = :day
            where company_id = :company and currency = :currency and credited_on is null and sent_on < :day
            """)
        .param("company", companyId)
        .param("currency", currency.getCode())
        .param("day", day)
        .update();
    return sent;
  }

  /**
   * Deposits of which the bank has credited nothing, or a first part. What a processor sent is no
   * deposit that was brought.
   */
  private List<Brought> brought(Long account, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select d.id, d.slip, d.banked_on, d.total_minor,
              (select coalesce(sum(r.amount_minor), 0) from held_receipt r where r.deposit_id = d.id and r.method = 'CASH') as cash,
              (select count(*) from held_receipt r where r.deposit_id = d.id and r.method = 'CARD') as cards,
              (select coalesce(sum(c.amount_minor), 0) from simulated_credit c where c.deposit_id = d.id) as credited
            from deposit d
            where d.bank_account_id = :account and d.payout_id is null and d.status = 'MADE' and d.shown_minor < d.total_minor
              and (select count(*) from simulated_credit c where c.deposit_id = d.id) < 2
              and not exists (select 1 from simulated_credit c where c.deposit_id = d.id and 10 * c.amount_minor > 7 * d.total_minor)
            order by d.id
            """)
        .param("account", account)
        .query(
            (row, n) ->
                new Brought(
                    row.getLong("id"),
                    row.getString("slip"),
                    row.getObject("banked_on", LocalDate.class),
                    Money.ofMinor(currency, row.getLong("total_minor")),
                    Money.ofMinor(currency, row.getLong("cash")),
                    row.getLong("cards") > 0,
                    Money.ofMinor(currency, row.getLong("credited"))))
        .list();
  }

  private String statement(
      SimulatedBankEntity bank,
      BankAccountEntity account,
      LocalDate day,
      List<StatementEntry> entries,
      long closing) {
    var behaviour = bank.behaviour();
    var own = CurrencyUnit.of(account.currency());
    var told = behaviour.wrongCurrency() ? other(own) : own;
    var statement =
        new AccountStatement(
            account.number(),
            told,
            "SIM-" + day,
            Optional.of(bank.sequenceNo() + 1),
            Optional.of(day),
            Optional.of(day),
            true,
            Optional.of(new Balance(day, Money.ofMinor(told, bank.balanceMinor()))),
            Optional.of(
                new Balance(
                    day,
                    Money.ofMinor(told, closing + (behaviour.wrongBalance() ? MISCOUNTED : 0)))),
            entries.stream().map(e -> in(told, e)).toList());
    var out = new ByteArrayOutputStream();
    try {
      CamtWriter.write(
          "SIMULATED-" + day, day.atTime(LocalTime.of(18, 0)), List.of(statement), out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString(StandardCharsets.UTF_8);
  }

  private static CurrencyUnit other(CurrencyUnit own) {
    return own.equals(CurrencyUnit.EUR) ? CurrencyUnit.USD : CurrencyUnit.EUR;
  }

  private static StatementEntry in(CurrencyUnit currency, StatementEntry entry) {
    return new StatementEntry(
        entry.entryId(),
        entry.bookingDate(),
        entry.valueDate(),
        Money.ofMinor(currency, entry.amount().getAmountMinorLong()),
        entry.payerName(),
        entry.payerAccount(),
        entry.remittance(),
        entry.bankReference(),
        entry.checkNumber(),
        entry.bankText(),
        entry.status(),
        entry.reversal(),
        Money.zero(currency),
        entry.details(),
        entry.line());
  }

  /**
   * What can be fetched now.
   *
   * @throws Conflict where the bank cannot be reached
   */
  List<SimulatedDeliveryEntity> ready(Long companyId) {
    var bank = connected(companyId);
    var ready =
        deliveries.findByCompanyIdAndSourceAndFetchedAtIsNullAndReadyOnLessThanEqualOrderById(
            companyId, Source.BANK, bank.day());
    if (bank.behaviour().offLine()) {
      throw new Conflict(
          "OFF_LINE",
          "The simulated bank cannot be reached; nothing was fetched. "
              + (ready.size() == 1 ? "1 file waits there." : ready.size() + " files wait there."));
    }
    return ready;
  }
}
