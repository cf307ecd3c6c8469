package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.CashCount;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.pouch.DepositEntity.Status;

/** Deposits: made of receipts in the pouch, opened again until the bank shows them. */
@Service
@Transactional
class Deposits {

  private final DepositRepository deposits;
  private final ReceiptRepository receipts;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final Journal journal;
  private final Clock clock;

  Deposits(
      DepositRepository deposits,
      ReceiptRepository receipts,
      BankAccounts bankAccounts,
      Charts charts,
      Journal journal,
      Clock clock) {
    this.deposits = deposits;
    this.receipts = receipts;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.journal = journal;
    this.clock = clock;
  }

  /**
   * Makes a deposit: its money is on the bank account from now on, in transit until the bank shows
   * it.
   *
   * @throws org.sumbrel.core.deposit.DepositRefused where it cannot be banked so
   * @throws Conflict where one of its receipts is in another deposit
   */
  Long make(Long company, MakeDeposit call, Actor actor) {
    var account = account(company, call.bankAccountId());
    var deposit =
        deposits.save(
            new DepositEntity(
                company,
                account.id(),
                account.currency(),
                call.on(),
                actor.name(),
                clock.instant()));
    fill(deposit, account, call, actor);
    return deposit.id();
  }

  /** Takes a deposit that was opened again to the bank as it is now. */
  void makeAgain(Long id, MakeDeposit call, Actor actor) {
    var deposit = deposit(id);
    if (deposit.status() != Status.OPEN) {
      throw new Conflict("MADE", "This deposit is not open; open it again first.");
    }
    if (call.version() != null && !call.version().equals(deposit.version())) {
      throw new Conflict(
          "STALE", "Somebody has changed this deposit since you opened it. Look again.");
    }
    fill(deposit, account(deposit.companyId(), call.bankAccountId()), call, actor);
  }

  private void fill(
      DepositEntity deposit, BankAccountEntity account, MakeDeposit call, Actor actor) {
    var currency = CurrencyUnit.of(account.currency());
    receipts.findByDepositIdOrderById(deposit.id()).forEach(r -> r.in(null));
    var chosen = chosen(deposit.companyId(), call.receiptIds());
    var made =
        Deposit.of(
            deposit.companyId().toString(),
            currency,
            call.on(),
            chosen.stream().map(ReceiptEntity::toHeld).toList(),
            call.lines().stream().map(MakeDeposit.LineSent::toLine).toList());
    made.lines()
        .forEach(
            line ->
                line.accountId()
                    .ifPresent(a -> charts.bookable(deposit.companyId(), Long.valueOf(a))));
    var count = count(currency, call);
    if (!count.pieces().isEmpty()) {
      made.requireCounted(count);
    }
    if (call.slipTotal() != null) {
      made.requireSlip(call.slipTotal().toMoney());
    }
    var slip =
        call.slip() == null || call.slip().isBlank() ? "D" + deposit.id() : call.slip().strip();
    deposit.make(account.id(), slip, made, count, actor.name(), clock.instant());
    chosen.forEach(r -> r.in(deposit.id()));
    deposit.booked(
        journal.write(
            DepositPosting.made(made, text(deposit)),
            account.ledgerAccountId(),
            actor.name(),
            null));
  }

  private static CashCount count(CurrencyUnit currency, MakeDeposit call) {
    var pieces = new HashMap<Money, Integer>();
    for (var counted : call.counted()) {
      pieces.merge(counted.piece().toMoney(), counted.pieces(), Integer::sum);
    }
    try {
      return new CashCount(currency, pieces);
    } catch (IllegalArgumentException e) {
      throw new BadRequest("The count of the cash cannot be read: " + e.getMessage() + ".");
    }
  }

  static String text(DepositEntity deposit) {
    return "Deposit of " + DayText.of(deposit.bankedOn()) + ", slip " + deposit.slip();
  }

  private List<ReceiptEntity> chosen(Long company, List<Long> ids) {
    var chosen = new ArrayList<ReceiptEntity>();
    var seen = new HashSet<Long>();
    for (var id : ids) {
      if (!seen.add(id)) {
        throw new BadRequest("Receipt " + id + " is named twice.");
      }
      var receipt =
          receipts
              .findById(id)
              .filter(r -> r.companyId().equals(company))
              .orElseThrow(() -> new NotThere("receipt", id));
      if (receipt.withdrawn()) {
        throw new Conflict(
            "WITHDRAWN",
            receipt.toHeld().name()
                + " of "
                + MoneyText.grouped(receipt.amount())
                + " was taken out by "
                + receipt.withdrawnBy()
                + " meanwhile; nothing was made.");
      }
      if (receipt.depositId() != null) {
        throw new Conflict(
            "BANKED",
            receipt.toHeld().name()
                + " of "
                + MoneyText.grouped(receipt.amount())
                + " is in deposit "
                + receipt.depositId()
                + " already; nothing was made.");
      }
      chosen.add(receipt);
    }
    return chosen;
  }

  private BankAccountEntity account(Long company, Long id) {
    var account = bankAccounts.account(company, id);
    if (account.isPouch()) {
      throw new NotThere("bank account", id);
    }
    return account;
  }

  /**
   * Opens a deposit that the bank has not shown: it is in no account until it is made again.
   *
   * @return the company whose it is
   */
  Long openAgain(Long id, Actor actor) {
    var deposit = deposit(id);
    if (deposit.status() != Status.MADE || !deposit.shown().isEmpty()) {
      throw new Conflict(
          "TIED",
          deposit.status() == Status.OPEN
              ? "This deposit is open already."
              : "The bank has shown this deposit; untie it first.");
    }
    if (receipts.findByDepositIdOrderById(id).stream().anyMatch(r -> r.lockboxBatchId() != null)) {
      throw new Conflict(
          "MAILED",
          "The bank's mail room made this deposit; it goes only with the whole lockbox file, where that is taken back.");
    }
    if (deposit.payoutId() != null) {
      throw new Conflict(
          "PAID_OUT",
          "A processor made this deposit; it goes only with the whole payout, where that is reversed.");
    }
    journal.reverse(
        deposit.journalEntryId(),
        LocalDate.now(clock),
        "Opened again: " + text(deposit),
        actor.name());
    deposit.open();
    return deposit.companyId();
  }

  /** Takes a deposit out that nobody here carried to the bank; its receipts stand alone again. */
  void takeBack(DepositEntity deposit, String why, Actor actor) {
    journal.reverse(deposit.journalEntryId(), LocalDate.now(clock), why, actor.name());
    deposit.open();
    receipts.findByDepositIdOrderById(deposit.id()).forEach(r -> r.in(null));
    deposit.giveUp();
  }

  String accountName(DepositEntity deposit) {
    return bankAccounts.account(deposit.bankAccountId()).name();
  }

  /** Gives up an open deposit; its receipts are in the pouch again. */
  void giveUp(Long id) {
    var deposit = deposit(id);
    if (deposit.status() != Status.OPEN) {
      throw new Conflict("MADE", "This deposit is not open; open it again first.");
    }
    receipts.findByDepositIdOrderById(id).forEach(r -> r.in(null));
    deposit.giveUp();
  }

  DepositEntity deposit(Long id) {
    return deposits.findById(id).orElseThrow(() -> new NotThere("deposit", id));
  }

  /** The deposit as the core knows it. */
  @Transactional(readOnly = true)
  public Deposit toDeposit(DepositEntity deposit) {
    List<HeldReceipt> held =
        receipts.findByDepositIdOrderById(deposit.id()).stream()
            .map(ReceiptEntity::toHeld)
            .toList();
    return new Deposit(
        deposit.companyId().toString(),
        deposit.currency(),
        deposit.bankedOn(),
        held,
        deposit.lines());
  }
}
