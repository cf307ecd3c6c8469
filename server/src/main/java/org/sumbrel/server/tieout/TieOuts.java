package org.sumbrel.server.tieout;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.tieout.GapLeads;
import org.sumbrel.core.tieout.GapLeads.Figure;
import org.sumbrel.core.tieout.GapLeads.Lead;
import org.sumbrel.core.tieout.GapLeads.Place;
import org.sumbrel.core.tieout.TieOut;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Side;
import org.sumbrel.core.tieout.TieOut.Way;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;

/** Ties bank accounts out: looks, closes, opens again. */
@Service
@Transactional
class TieOuts {

  /** How far back a figure may be wrong where nothing was closed before. */
  private static final int DOUBTFUL_DAYS = 120;

  private final TieOutRows rows;
  private final TieOutRepository closed;
  private final TieOutErrorRepository errors;
  private final BankBalances balances;
  private final BankAccounts bankAccounts;
  private final ObjectMapper json;
  private final Clock clock;

  TieOuts(
      TieOutRows rows,
      TieOutRepository closed,
      TieOutErrorRepository errors,
      BankBalances balances,
      BankAccounts bankAccounts,
      ObjectMapper json,
      Clock clock) {
    this.rows = rows;
    this.closed = closed;
    this.errors = errors;
    this.balances = balances;
    this.bankAccounts = bankAccounts;
    this.json = json;
    this.clock = clock;
  }

  /**
   * A tie-out as it stands now.
   *
   * @param typed whether the bank's balance was typed; else a statement said it
   * @param startsFrom the one that was closed last before its day
   */
  record Looked(
      BankAccountEntity account,
      TieOut tieOut,
      boolean typed,
      List<Lead> leads,
      Optional<TieOutEntity> startsFrom) {}

  @Transactional(readOnly = true)
  public BankAccountEntity account(Long bankAccountId) {
    var account = bankAccounts.account(bankAccountId);
    if (account.isPouch()) {
      throw new NotThere("bank account", bankAccountId);
    }
    return account;
  }

  @Transactional(readOnly = true)
  public Optional<TieOutEntity> lastClosed(Long bankAccountId) {
    return closed.findFirstByBankAccountIdAndClosingReopenedAtIsNullOrderByAsOfDesc(bankAccountId);
  }

  @Transactional(readOnly = true)
  public List<TieOutEntity> history(Long bankAccountId) {
    return closed.findByBankAccountIdOrderByIdDesc(bankAccountId);
  }

  @Transactional(readOnly = true)
  public TieOutEntity closedOne(Long id) {
    return closed.findById(id).orElseThrow(() -> new NotThere("tie-out", id));
  }

  /**
   * The tie-out of an account at the end of a day.
   *
   * @param typed what the bank says stands there; empty where a statement says it
   * @throws BadRequest where neither says it
   */
  @Transactional(readOnly = true)
  public Looked look(Long bankAccountId, LocalDate asOf, Optional<Money> typed) {
    var account = account(bankAccountId);
    var currency = CurrencyUnit.of(account.currency());
    var statement = typed.or(() -> said(account, asOf)).orElseThrow(() -> noBalance(account, asOf));
    if (!statement.getCurrencyUnit().equals(currency)) {
      throw new BadRequest(account.name() + " is kept in " + currency + ".");
    }
    var before =
        closed.findByBankAccountIdOrderByIdDesc(bankAccountId).stream()
            .filter(t -> t.closing().stands() && t.asOf().isBefore(asOf))
            .findFirst();
    var since =
        before.map(t -> t.asOf().plusDays(1)).orElseGet(() -> asOf.minusDays(DOUBTFUL_DAYS));
    var read = rows.read(account, asOf, since);
    var ways = new ArrayList<>(read.twice());
    read.compared().forEach(c -> c.way().ifPresent(ways::add));
    errors.findByBankAccountIdOrderById(bankAccountId).stream()
        .filter(e -> e.stoodAt(asOf))
        .forEach(e -> ways.add(e.toWay(account.currency())));
    var tieOut = new TieOut(asOf, statement, read.books(), ways);
    return new Looked(
        account, tieOut, typed.isPresent(), leads(account, tieOut, read, statement), before);
  }

  private List<Lead> leads(
      BankAccountEntity account, TieOut tieOut, TieOutRows.Read read, Money statement) {
    var figures = new ArrayList<Figure>();
    figures.add(new Figure(Place.BALANCE, "", tieOut.asOf(), "The balance of the bank", statement));
    figures.addAll(read.figures());
    figures.addAll(balances.untold(account, tieOut.asOf()));
    return GapLeads.of(tieOut.gap(), figures);
  }

  private Optional<Money> said(BankAccountEntity account, LocalDate asOf) {
    return balances.closing(account).stream()
        .filter(b -> b.on().equals(asOf))
        .map(BankBalances.Balance::amount)
        .findFirst();
  }

  private static BadRequest noBalance(BankAccountEntity account, LocalDate asOf) {
    return new BadRequest(
        "No statement says what stood on "
            + account.name()
            + " at the end of "
            + DayText.of(asOf)
            + "; type it from the bank's paper.");
  }

  /**
   * Writes an error of the bank or of the books down; it explains its amount until it is right.
   *
   * @param amount what that side's balance has to change by
   */
  public TieOutErrorEntity note(
      Long bankAccountId, Side whose, LocalDate on, Money amount, String words, Actor actor) {
    var account = account(bankAccountId);
    if (amount.isZero() || !amount.getCurrencyUnit().getCode().equals(account.currency())) {
      throw new BadRequest("An error is an amount other than zero in " + account.currency() + ".");
    }
    requireOpen(bankAccountId, on);
    return errors.save(
        new TieOutErrorEntity(
            account.companyId(),
            bankAccountId,
            whose,
            on,
            amount,
            words,
            actor.name(),
            clock.instant()));
  }

  @Transactional(readOnly = true)
  public List<TieOutErrorEntity> standingErrors(Long bankAccountId, LocalDate asOf) {
    return errors.findByBankAccountIdOrderById(bankAccountId).stream()
        .filter(e -> e.stoodAt(asOf))
        .toList();
  }

  /** An error stands between the two no more, from a day on; on days before it stays. */
  public void right(Long errorId, LocalDate since, Actor actor) {
    var error = errors.findById(errorId).orElseThrow(() -> new NotThere("error", errorId));
    if (error.isRight()) {
      throw new Conflict("RIGHT", "This was put right already.");
    }
    requireOpen(error.bankAccountId(), since);
    error.right(since, actor.name(), clock.instant());
  }

  private void requireOpen(Long bankAccountId, LocalDate day) {
    lastClosed(bankAccountId)
        .filter(last -> !day.isAfter(last.asOf()))
        .ifPresent(
            last -> {
              throw new Conflict(
                  "CLOSED",
                  DayText.of(day)
                      + " is closed with the tie-out of "
                      + DayText.of(last.asOf())
                      + " by "
                      + last.closing().closedBy()
                      + "; reopen that first.");
            });
  }

  /**
   * Closes the tie-out of a day: what is booked on the account up to that day stays as it is.
   *
   * @throws Conflict where there is a gap, or the day is closed already
   */
  public TieOutEntity close(
      Long bankAccountId, LocalDate asOf, Optional<Money> typed, Actor actor) {
    // a bank may be a day ahead of whoever works with a fixed date
    if (asOf.isAfter(LocalDate.now(clock)) && said(account(bankAccountId), asOf).isEmpty()) {
      throw new BadRequest(DayText.of(asOf) + " has not come yet.");
    }
    requireOpen(bankAccountId, asOf);
    var looked = look(bankAccountId, asOf, typed);
    var tieOut = looked.tieOut();
    if (!tieOut.tied()) {
      throw new Conflict(
          "GAP",
          "The bank shows "
              + MoneyText.grouped(tieOut.gap().abs())
              + (tieOut.gap().isPositive() ? " more" : " less")
              + " than the books, and nothing explains it. Nothing was closed.");
    }
    return closed.saveAndFlush(
        new TieOutEntity(
            looked.account().companyId(),
            bankAccountId,
            tieOut,
            written(tieOut.ways()),
            actor.name(),
            clock.instant()));
  }

  /**
   * Opens the last one that was closed again.
   *
   * @throws Conflict where it is not the last one, or open already
   */
  public TieOutEntity reopen(Long id, String why, Actor actor) {
    var tieOut = closedOne(id);
    if (!tieOut.closing().stands()) {
      throw new Conflict("OPEN", tieOut.closing().reopenedBy() + " has reopened it already.");
    }
    lastClosed(tieOut.bankAccountId())
        .filter(last -> !last.id().equals(id))
        .ifPresent(
            last -> {
              throw new Conflict(
                  "NOT_LAST",
                  "The tie-out of "
                      + DayText.of(last.asOf())
                      + " stands on this one; reopen that first.");
            });
    tieOut.closing().reopen(why, actor.name(), clock.instant());
    return closed.saveAndFlush(tieOut);
  }

  /** A way as it is kept with what is closed. */
  record KeptWay(Kind kind, String id, LocalDate on, String words, MoneyView amount) {}

  private String written(List<Way> ways) {
    try {
      return json.writeValueAsString(
          ways.stream()
              .map(w -> new KeptWay(w.kind(), w.id(), w.on(), w.words(), MoneyView.of(w.amount())))
              .toList());
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tie-out cannot be written", e);
    }
  }

  /** A closed one as it was when it was closed. */
  @Transactional(readOnly = true)
  public TieOut kept(TieOutEntity row) {
    try {
      var ways =
          Arrays.stream(json.readValue(row.explained(), KeptWay[].class))
              .map(w -> new Way(w.kind(), w.id(), w.on(), w.words(), w.amount().toMoney()))
              .toList();
      return new TieOut(row.asOf(), row.statement(), row.books(), ways);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tie-out that was kept cannot be read", e);
    }
  }
}
