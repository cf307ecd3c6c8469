package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.BankCredit;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.deposit.DepositMatch;
import org.sumbrel.core.deposit.DepositMatching;
import org.sumbrel.core.deposit.DepositTie;
import org.sumbrel.core.deposit.InTransit;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.pouch.DepositEntity.Status;

/** What the bank shows of deposits: found, tied, untied. */
@Service
@Transactional
class DepositTies {

  private final DepositRepository repository;
  private final Deposits deposits;
  private final Pouch pouch;
  private final Entries entries;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final CompanyPolicies policies;
  private final Proposals proposals;
  private final Journal journal;
  private final Clock clock;

  DepositTies(
      DepositRepository repository,
      Deposits deposits,
      Pouch pouch,
      Entries entries,
      BankAccounts bankAccounts,
      Charts charts,
      CompanyPolicies policies,
      Proposals proposals,
      Journal journal,
      Clock clock) {
    this.repository = repository;
    this.deposits = deposits;
    this.pouch = pouch;
    this.entries = entries;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.policies = policies;
    this.proposals = proposals;
    this.journal = journal;
    this.clock = clock;
  }

  /** What may explain an entry of the bank, the likeliest first. */
  @Transactional(readOnly = true)
  public List<DepositMatch> forEntry(Long entryId) {
    var entry = entries.entry(entryId);
    var account = bankAccounts.account(entry.bankAccountId());
    if (account.isPouch() || entry.status() != BankEntryEntity.Status.WAITING) {
      return List.of();
    }
    return finder(entry.companyId(), account.id(), entry.amount().getCurrencyUnit())
        .matches(credit(entry), credits(account.id()));
  }

  /** The entries of the bank that may show a deposit, each with how, the likeliest first. */
  @Transactional(readOnly = true)
  public List<DepositMatch> forDeposit(Long depositId) {
    var deposit = deposits.deposit(depositId);
    if (deposit.status() != Status.MADE) {
      return List.of();
    }
    var finder = finder(deposit.companyId(), deposit.bankAccountId(), deposit.currency());
    var waiting = entries.waitingOn(deposit.bankAccountId());
    var credits = waiting.stream().map(DepositTies::credit).toList();
    return waiting.stream()
        .flatMap(
            entry ->
                finder.matches(credit(entry), credits).stream()
                    .filter(m -> m.depositIds().contains(depositId.toString()))
                    // money that somebody sent for something is near by accident only
                    .filter(
                        m ->
                            m.kind() != DepositMatch.Kind.NEAR
                                || entry.standing() != Standing.CLEAR))
        .sorted((a, b) -> Double.compare(b.weight(), a.weight()))
        .limit(SHOWN)
        .toList();
  }

  private static final int SHOWN = 5;

  private DepositMatching finder(
      Long company, Long accountId, org.joda.money.CurrencyUnit currency) {
    return new DepositMatching(
        repository.findByBankAccountIdAndStatus(accountId, Status.MADE).stream()
            .map(this::inTransit)
            .toList(),
        pouch.inPouch(company, currency).stream()
            .filter(r -> r.depositId() == null)
            .map(ReceiptEntity::toHeld)
            .toList(),
        policies.of(company, currency).usualFees());
  }

  private InTransit inTransit(DepositEntity deposit) {
    return new InTransit(
        deposit.id().toString(), deposit.slip(), deposit.left(), deposits.toDeposit(deposit));
  }

  private List<BankCredit> credits(Long accountId) {
    return entries.waitingOn(accountId).stream().map(DepositTies::credit).toList();
  }

  private static BankCredit credit(BankEntryEntity entry) {
    return new BankCredit(
        entry.id().toString(),
        entry.bookedOn(),
        entry.amount(),
        (entry.payerName() + " " + entry.remittance()).strip());
  }

  /**
   * Ties deposits to the entries that show them.
   *
   * @throws org.sumbrel.core.deposit.DepositRefused where the sums differ
   * @throws Conflict where one of them is tied or settled by now
   */
  void tie(List<Long> depositIds, List<Long> entryIds, List<DepositLine> lines, Actor actor) {
    var chosen = depositIds.stream().distinct().map(deposits::deposit).toList();
    var shown = entryIds.stream().distinct().map(entries::entry).toList();
    requireTogether(chosen, shown);
    var tie =
        DepositTie.of(
            chosen.stream().map(this::inTransit).toList(),
            shown.stream().map(DepositTies::credit).toList(),
            lines);
    var first = chosen.get(0);
    var company = first.companyId();
    var ledger = bankAccounts.account(first.bankAccountId()).ledgerAccountId();
    for (var line : lines) {
      line.accountId().ifPresent(a -> charts.bookable(company, Long.valueOf(a)));
      first.add(
          line,
          journal.write(
              DepositPosting.difference(
                  company.toString(), line, LocalDate.now(clock), Deposits.text(first)),
              ledger,
              actor.name(),
              null));
    }
    for (var part : tie.parts()) {
      deposits
          .deposit(Long.valueOf(part.depositId()))
          .show(Long.valueOf(part.entryId()), part.amount(), actor.name(), clock.instant());
    }
    shown.forEach(BankEntryEntity::banked);
    proposals.mark(company);
  }

  private static void requireTogether(List<DepositEntity> chosen, List<BankEntryEntity> shown) {
    if (chosen.isEmpty() || shown.isEmpty()) {
      throw new BadRequest("A deposit and an entry of the bank are needed.");
    }
    var account = chosen.get(0).bankAccountId();
    for (var deposit : chosen) {
      if (deposit.status() != Status.MADE) {
        throw new Conflict(
            "TIED",
            Deposits.text(deposit)
                + (deposit.status() == Status.TIED ? ", is tied already." : ", is not made."));
      }
      if (!deposit.bankAccountId().equals(account)) {
        throw new BadRequest("These deposits were made to different bank accounts.");
      }
    }
    for (var entry : shown) {
      if (!entry.bankAccountId().equals(account)) {
        throw new BadRequest("The entry is on another bank account than the deposit.");
      }
      if (entry.status() != BankEntryEntity.Status.WAITING) {
        throw new Conflict(
            "ALREADY_SETTLED",
            "These "
                + MoneyText.grouped(entry.amount())
                + " at the bank are explained already; nothing was tied.");
      }
    }
  }

  /**
   * Unties a deposit, and all that was tied together with it.
   *
   * @return the company whose it is
   */
  Long untie(Long depositId, Actor actor) {
    var deposit = deposits.deposit(depositId);
    if (deposit.shown().isEmpty()) {
      throw new Conflict("NOT_TIED", "The bank has shown nothing of this deposit.");
    }
    var group = new java.util.LinkedHashSet<DepositEntity>();
    var freed = new java.util.LinkedHashSet<Long>();
    gather(deposit, group, freed);
    for (var one : group) {
      for (var written : one.untie()) {
        journal.reverse(
            written, LocalDate.now(clock), "Untied: " + Deposits.text(one), actor.name());
      }
    }
    entries.all(freed).forEach(BankEntryEntity::waitsAgain);
    proposals.mark(deposit.companyId());
    return deposit.companyId();
  }

  private void gather(
      DepositEntity deposit, java.util.Set<DepositEntity> group, java.util.Set<Long> freed) {
    if (!group.add(deposit)) {
      return;
    }
    for (var shown : deposit.shown()) {
      if (freed.add(shown.entryId())) {
        repository.shownBy(shown.entryId()).forEach(other -> gather(other, group, freed));
      }
    }
  }
}
