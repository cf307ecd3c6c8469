package org.sumbrel.server.treat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.treat.BankCorrection;
import org.sumbrel.core.treat.BankCorrection.Counterpart;
import org.sumbrel.core.treat.OwnTransfer;
import org.sumbrel.core.treat.OwnTransfer.OtherSide;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.settle.AccountSettlements;
import org.sumbrel.server.settle.Grounds;

/**
 * Money that moves between a company's own bank accounts. Each side is booked against what is under
 * way, when its bank shows it; both together leave nothing there.
 */
@Service
@Transactional
class OwnTransfers {

  private final Treatables treatables;
  private final AccountSettlements posting;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final JdbcClient jdbc;

  OwnTransfers(
      Treatables treatables,
      AccountSettlements posting,
      BankAccounts bankAccounts,
      Charts charts,
      JdbcClient jdbc) {
    this.treatables = treatables;
    this.posting = posting;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.jdbc = jdbc;
  }

  /**
   * What may be the other side of an entry.
   *
   * @param transferId where that side is booked already and awaits this one; else null
   */
  record Side(OtherSide other, Long transferId) {}

  /** The likeliest first; an account that the entry speaks of, where no entry of it fits yet. */
  record Sides(List<Side> found, List<Long> named) {}

  @Transactional(readOnly = true)
  public Sides of(Long company, Treatable entry) {
    var names = names(company, entry);
    var waiting =
        treatables.unexplained(
            company,
            entry.amount().negated(),
            entry.on().minusDays(OwnTransfer.DAYS),
            entry.on().plusDays(OwnTransfer.DAYS));
    var transfers = new HashMap<String, Long>();
    var all = new ArrayList<>(waiting);
    for (var awaited : posting.awaitedOn(Long.valueOf(entry.bankAccountId()))) {
      var other = treatables.one(awaited.entryId());
      if (other != null) {
        all.add(other);
        transfers.put(other.id(), awaited.transferId());
      }
    }
    var found =
        OwnTransfer.of(entry, all, names).stream()
            .map(side -> new Side(side, transfers.get(side.entry().id())))
            // what awaits this side comes before what only may be it
            .sorted(Comparator.comparing(side -> side.transferId() == null))
            .toList();
    var named = OwnTransfer.named(entry, names).stream().map(Long::valueOf).toList();
    return new Sides(found, named);
  }

  private Map<String, List<String>> names(Long company, Treatable entry) {
    var names = new HashMap<String, List<String>>();
    for (var account : bankAccounts.of(company)) {
      if (account.currency().equals(entry.amount().getCurrencyUnit().getCode())) {
        names.put(account.id().toString(), spoken(account));
      }
    }
    return names;
  }

  /** Its number, its name, and its name as banks write it: {@code LOCKBOX ACCOUNT}. */
  private static List<String> spoken(BankAccountEntity account) {
    var plain = account.name().replace(account.currency(), "").strip();
    return List.of(account.number(), account.name(), plain + " account", plain + " acct");
  }

  /**
   * Books an entry as one side of a transfer.
   *
   * @param otherEntry the other side, where the bank has shown it; else null
   * @param otherAccount the account on which it is awaited, where it has not
   * @return the transfer's number
   * @throws Conflict where the two do not fit, or one is explained already
   */
  public Long book(Long company, Long entryId, Long otherEntry, Long otherAccount, Actor actor) {
    var entry = bankEntry(entryId);
    if (otherEntry == null) {
      var account =
          otherAccount == null
              ? null
              : bankAccounts.of(company).stream()
                  .filter(a -> a.id().equals(otherAccount))
                  .findFirst()
                  .orElse(null);
      if (account == null
          || account.id().toString().equals(entry.bankAccountId())
          || !account.currency().equals(entry.amount().getCurrencyUnit().getCode())) {
        throw new BadRequest(
            "Say on which other account of ours, in the same currency, the other side is.");
      }
      var transfer = next();
      post(company, entry, transfer, account.id(), actor);
      return transfer;
    }
    var side =
        of(company, entry).found().stream()
            .filter(s -> s.other().entry().id().equals(otherEntry.toString()))
            .findFirst()
            .orElseThrow(
                () ->
                    new Conflict(
                        "NO_TRANSFER",
                        "The two are not the sides of one transfer: the same amount, once from and once to us, on two accounts, at most "
                            + OwnTransfer.DAYS
                            + " days apart; or one is explained already."));
    var other = side.other().entry();
    var transfer = side.transferId() == null ? next() : side.transferId();
    if (side.transferId() == null) {
      post(company, other, transfer, Long.valueOf(entry.bankAccountId()), actor);
    }
    post(company, entry, transfer, Long.valueOf(other.bankAccountId()), actor);
    return transfer;
  }

  private Treatable bankEntry(Long id) {
    var entry = treatables.one(id);
    if (entry == null) {
      throw new Conflict(
          "NO_TRANSFER", "A receipt of the pouch goes to the bank with a deposit, not a transfer.");
    }
    return entry;
  }

  /** What the bank may have put right itself of an entry. */
  @Transactional(readOnly = true)
  public List<Counterpart> corrections(Long company, Treatable entry) {
    var waiting =
        treatables.unexplained(
            company,
            entry.amount().negated(),
            entry.on().minusDays(BankCorrection.DAYS),
            entry.on().plusDays(BankCorrection.DAYS));
    return BankCorrection.of(entry, waiting);
  }

  /**
   * Books a mistake of the bank and what put it right, which together are nothing.
   *
   * @return the number under which both are taken back together
   * @throws Conflict where the two do not fit, or one is explained already
   */
  public Long correct(Long company, Long entryId, Long otherEntry, Actor actor) {
    var entry = bankEntry(entryId);
    var other =
        corrections(company, entry).stream()
            .map(Counterpart::entry)
            .filter(e -> e.id().equals(otherEntry.toString()))
            .findFirst()
            .orElseThrow(
                () ->
                    new Conflict(
                        "NO_CORRECTION",
                        "The two do not put each other right: the same amount once each way on one account, at most "
                            + BankCorrection.DAYS
                            + " days apart; or one is explained already."));
    var pair = next();
    for (var half : List.of(entry, other)) {
      post(
          half,
          charts.accountFor(company, AccountRole.SUSPENSE),
          "Put right by the bank",
          Grounds.putRight(pair),
          actor);
    }
    return pair;
  }

  private Long next() {
    return jdbc.sql("select next value for own_transfer_seq").query(Long.class).single();
  }

  private void post(Long company, Treatable entry, Long transfer, Long otherAccount, Actor actor) {
    var words =
        (entry.amount().isNegative() ? "To " : "From ") + bankAccounts.account(otherAccount).name();
    post(
        entry,
        charts.accountFor(company, AccountRole.OWN_TRANSFERS),
        words,
        Grounds.transfer(transfer, otherAccount),
        actor);
  }

  private void post(Treatable entry, Long account, String words, Grounds grounds, Actor actor) {
    var zero = Money.zero(entry.amount().getCurrencyUnit());
    posting.post(
        Long.valueOf(entry.id()),
        List.of(new ToAccount(entry.amount().negated(), account.toString(), zero, words)),
        grounds,
        false,
        actor);
  }
}
