package org.sumbrel.server.companies;

import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccountEntity.Kind;

/** The accounts of the companies at banks, and the pouches of what is on its way there. */
@Service
@Transactional(readOnly = true)
public class BankAccounts {

  private static final int FIRST_CODE = 1010;
  private static final int CODE_STEP = 10;

  private final BankAccountRepository accounts;
  private final Charts charts;

  BankAccounts(BankAccountRepository accounts, Charts charts) {
    this.accounts = accounts;
    this.charts = charts;
  }

  public List<BankAccountEntity> of(Long companyId) {
    return accounts.findByCompanyIdAndKindOrderById(companyId, Kind.BANK);
  }

  public BankAccountEntity account(Long id) {
    return accounts.findById(id).orElseThrow(() -> new NotThere("bank account", id));
  }

  /** The account, where it is one of the company's. */
  public BankAccountEntity account(Long companyId, Long id) {
    var account = account(id);
    if (!account.companyId().equals(companyId)) {
      throw new NotThere("bank account", id);
    }
    return account;
  }

  public Optional<BankAccountEntity> numbered(Long companyId, String number) {
    return accounts.findByCompanyIdAndNumber(companyId, number);
  }

  /** The account on which the bank puts the cheques of a lockbox. */
  public Optional<BankAccountEntity> ofLockbox(Long companyId, String lockbox) {
    return lockbox.isEmpty()
        ? Optional.empty()
        : accounts.findFirstByCompanyIdAndLockboxOrderById(companyId, lockbox);
  }

  /** The cheques of this lockbox are put on this account from now on. */
  @Transactional
  public void takesLockbox(Long bankAccountId, String lockbox) {
    account(bankAccountId).takesLockbox(lockbox);
  }

  /** Adds a bank account with a ledger account of its own. */
  @Transactional
  public BankAccountEntity add(
      Long companyId, String code, String name, String bank, String number, CurrencyUnit currency) {
    var ledger = charts.forBank(companyId, code, name);
    requirePouch(companyId, currency);
    return accounts.save(
        new BankAccountEntity(
            companyId, name, bank, number, currency.getCode(), ledger.id(), Kind.BANK));
  }

  /**
   * A new account at a bank, with the next free code of the ledger from 1010 on.
   *
   * @throws Conflict where an account of the company has the number
   */
  @Transactional
  public BankAccountEntity open(
      Long companyId, String name, String bank, String number, CurrencyUnit currency) {
    if (number.isBlank()) {
      throw new BadRequest("Give the account's number as its statements have it.");
    }
    if (numbered(companyId, number.strip()).isPresent()) {
      throw new Conflict("NUMBER_TAKEN", "There is an account with this number already.");
    }
    return add(
        companyId,
        charts.freeCode(companyId, FIRST_CODE, CODE_STEP),
        Names.checked("bank account", name),
        bank.strip(),
        number.strip(),
        currency);
  }

  /**
   * An account at a bank is called otherwise, has another number, or is in another currency.
   *
   * @throws Conflict where another account of the company has the number, or its currency was wrong
   *     and something has arrived on it
   */
  @Transactional
  public BankAccountEntity change(
      Long id, String name, String bank, String number, CurrencyUnit currency) {
    var account = account(id);
    numbered(account.companyId(), number.strip())
        .filter(other -> !other.id().equals(id))
        .ifPresent(
            other -> {
              throw new Conflict(
                  "NUMBER_TAKEN", "The account " + other.name() + " has this number already.");
            });
    account.isCalled(Names.checked("bank account", name), bank.strip(), number.strip());
    if (!account.currency().equals(currency.getCode())) {
      if (accounts.hasEntries(id)) {
        throw new Conflict(
            "ARRIVED_ALREADY",
            account.name()
                + " has entries in "
                + account.currency()
                + "; add another account for "
                + currency
                + ".");
      }
      account.isIn(currency.getCode());
      requirePouch(account.companyId(), currency);
    }
    return accounts.saveAndFlush(account);
  }

  /**
   * The pouch of a company in a currency. Its ledger account is not where the receipts stand but
   * where it is kept what of them is to be applied.
   *
   * @throws BadRequest where no bank account could take what is in it
   */
  public BankAccountEntity pouch(Long companyId, CurrencyUnit currency) {
    return accounts
        .findFirstByCompanyIdAndKindAndCurrency(companyId, Kind.POUCH, currency.getCode())
        .orElseThrow(
            () ->
                new BadRequest(
                    "There is no bank account in "
                        + currency
                        + " to which such a receipt could be taken."));
  }

  private void requirePouch(Long companyId, CurrencyUnit currency) {
    if (accounts
        .findFirstByCompanyIdAndKindAndCurrency(companyId, Kind.POUCH, currency.getCode())
        .isEmpty()) {
      makePouch(companyId, currency);
    }
  }

  /** Made with the first bank account of its currency. */
  private void makePouch(Long companyId, CurrencyUnit currency) {
    accounts.save(
        new BankAccountEntity(
            companyId,
            "The pouch",
            "",
            "pouch " + currency.getCode(),
            currency.getCode(),
            charts.accountFor(companyId, AccountRole.RECEIPTS_TO_APPLY),
            Kind.POUCH));
  }
}
