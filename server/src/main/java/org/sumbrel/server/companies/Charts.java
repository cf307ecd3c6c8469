package org.sumbrel.server.companies;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/** The charts of accounts of the companies. */
@Service
@Transactional(readOnly = true)
public class Charts {

  private final LedgerAccountRepository accounts;
  private final Map<RoleKey, Long> roleAccounts = new ConcurrentHashMap<>();

  private record RoleKey(Long companyId, AccountRole role) {}

  Charts(LedgerAccountRepository accounts) {
    this.accounts = accounts;
  }

  public Map<Long, LedgerAccountEntity> of(Long companyId) {
    return accounts.findByCompanyIdOrderByCode(companyId).stream()
        .collect(Collectors.toMap(LedgerAccountEntity::id, Function.identity()));
  }

  /** The account of a role; the bank's is asked of the bank account instead. */
  public Long accountFor(Long companyId, AccountRole role) {
    var key = new RoleKey(companyId, role);
    var known = roleAccounts.get(key);
    // by its id a transaction reads an account once, however often it is asked for
    if (known != null && accounts.findById(known).filter(a -> a.role() == role).isPresent()) {
      return known;
    }
    var found =
        accounts
            .findFirstByCompanyIdAndRoleOrderByCode(companyId, role)
            .map(LedgerAccountEntity::id)
            .orElseThrow(() -> new NotThere("ledger account for", role));
    roleAccounts.put(key, found);
    return found;
  }

  /** The account in the chart of a company that is kept for another one of the group. */
  public Long groupAccount(Long companyId, Long counterpartId) {
    return accounts
        .findByCompanyIdAndCounterpartId(companyId, counterpartId)
        .map(LedgerAccountEntity::id)
        .orElseThrow(() -> new NotThere("ledger account for company", counterpartId));
  }

  /**
   * An account of the company's chart.
   *
   * @throws NotThere where the company has no such account
   */
  public LedgerAccountEntity account(Long companyId, Long id) {
    return Optional.ofNullable(of(companyId).get(id))
        .orElseThrow(() -> new NotThere("account", id));
  }

  /**
   * The account, where it is one of the company's and a hand may book to it.
   *
   * @throws BadRequest where its balance is proved by records of its own
   */
  public LedgerAccountEntity bookable(Long companyId, Long id) {
    var account = account(companyId, id);
    if (!account.role().bookable()) {
      throw new BadRequest(
          account.code()
              + " "
              + account.name()
              + " cannot be booked to by hand: its balance is proved by its own records.");
    }
    return account;
  }

  /**
   * Adds an account without a part in any rule to the chart of a company.
   *
   * @param from the first code that it may have; the next one that is free is taken
   */
  @Transactional
  public Long add(Long companyId, int from, String name) {
    return accounts
        .saveAndFlush(
            new LedgerAccountEntity(
                companyId, freeCode(companyId, from, 1), name, AccountRole.OTHER))
        .id();
  }

  /**
   * A new account without a part in any rule.
   *
   * @throws Conflict where the code is taken
   */
  @Transactional
  public LedgerAccountEntity add(Long companyId, String code, String name) {
    requireFree(companyId, code, null);
    return accounts.saveAndFlush(
        new LedgerAccountEntity(
            companyId, code, Names.checked("ledger account", name), AccountRole.OTHER));
  }

  /** An account has another code or name; its part in the rules stays. */
  @Transactional
  public LedgerAccountEntity rename(Long companyId, Long id, String code, String name) {
    var account = account(companyId, id);
    requireFree(companyId, code, id);
    account.isCalled(code, Names.checked("ledger account", name));
    return accounts.saveAndFlush(account);
  }

  private void requireFree(Long companyId, String code, Long but) {
    if (!code.matches("[0-9A-Za-z.-]{1,20}")) {
      throw new BadRequest("An account's code has up to 20 letters and digits.");
    }
    of(companyId).values().stream()
        .filter(a -> a.code().equals(code) && !a.id().equals(but))
        .findFirst()
        .ifPresent(
            a -> {
              throw new Conflict("CODE_TAKEN", code + " is " + a.name() + " already.");
            });
  }

  /** The usual chart for a new company, and for each other one an account that both keep. */
  @Transactional
  void begin(CompanyEntity company, List<CompanyEntity> others) {
    Chart.USUAL.forEach(
        a -> accounts.save(new LedgerAccountEntity(company.id(), a.code(), a.name(), a.role())));
    for (var other : others) {
      accounts.save(new LedgerAccountEntity(company.id(), other));
      accounts.save(new LedgerAccountEntity(other.id(), company));
    }
  }

  /** The account of a bank account. */
  @Transactional
  LedgerAccountEntity forBank(Long companyId, String code, String name) {
    return accounts.save(new LedgerAccountEntity(companyId, code, name, AccountRole.BANK));
  }

  /** The accounts that others keep for a company are called as it is. */
  @Transactional
  void isCalled(CompanyEntity company) {
    accounts
        .findByCounterpartId(company.id())
        .forEach(account -> account.isCalled(account.code(), company.name()));
  }

  /** The first code from one on, in steps, that the chart of a company does not have. */
  String freeCode(Long companyId, int from, int step) {
    var taken =
        of(companyId).values().stream().map(LedgerAccountEntity::code).collect(Collectors.toSet());
    var code = from;
    while (taken.contains(Integer.toString(code))) {
      code += step;
    }
    return Integer.toString(code);
  }
}
