package org.sumbrel.server.companies;

import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.settle.Policies;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccountEntity.Kind;
import org.sumbrel.server.companies.CompanyView.BankAccountView;
import org.sumbrel.server.companies.CompanyView.CompanyName;

/** The companies of the group: bank accounts, chart of accounts, policies. */
@Service
@Transactional(readOnly = true)
public class Companies {

  private static final Long NO_COMPANY = 0L;
  private static final int LONGEST_NAME = 200;
  private static final int FIRST_BANK_CODE = 1010;
  private static final BigDecimal MOST_TAX = BigDecimal.valueOf(100);

  private final CompanyRepository companies;
  private final BankAccountRepository bankAccounts;
  private final LedgerAccountRepository ledgerAccounts;
  private final PolicyRepository policies;
  private final TaxCodeRepository taxCodes;
  private final Map<Long, Long> known = new ConcurrentHashMap<>();
  private final Map<RoleKey, Long> roleAccounts = new ConcurrentHashMap<>();

  private record RoleKey(Long companyId, AccountRole role) {}

  Companies(
      CompanyRepository companies,
      BankAccountRepository bankAccounts,
      LedgerAccountRepository ledgerAccounts,
      PolicyRepository policies,
      TaxCodeRepository taxCodes) {
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.ledgerAccounts = ledgerAccounts;
    this.policies = policies;
    this.taxCodes = taxCodes;
  }

  public List<CompanyView> all() {
    return companies.findAllByOrderById().stream()
        .map(
            c ->
                new CompanyView(
                    c.id(),
                    c.name(),
                    c.currency(),
                    currenciesOf(c.id()).stream().map(CurrencyUnit::getCode).toList(),
                    bankAccounts(c.id())))
        .toList();
  }

  private List<BankAccountView> bankAccounts(Long companyId) {
    return bankAccounts.findByCompanyIdAndKindOrderById(companyId, Kind.BANK).stream()
        .map(a -> new BankAccountView(a.id(), a.name(), a.bank(), a.number(), a.currency()))
        .toList();
  }

  /**
   * The company asked for, or the first one where none is.
   *
   * @throws NotThere where there is no such company
   */
  public CompanyEntity company(Long asked) {
    return asked == null
        ? companies.findAllByOrderById().stream()
            .findFirst()
            .orElseThrow(() -> new NotThere("company", "yet; the administrator sets one up"))
        : companies.findById(asked).orElseThrow(() -> new NotThere("company", asked));
  }

  /**
   * The id of the company asked for, or of the first one where none is; companies stay, so one that
   * was found is not looked up again.
   *
   * @throws NotThere where there is no such company
   */
  public Long idOf(Long asked) {
    return known.computeIfAbsent(asked == null ? NO_COMPANY : asked, id -> company(asked).id());
  }

  /** In which currencies something may stand: its books', its accounts' and its items'. */
  public List<CurrencyUnit> currenciesOf(Long companyId) {
    var codes = new LinkedHashSet<String>();
    bankAccounts(companyId).forEach(account -> codes.add(account.currency()));
    codes.add(company(companyId).currency());
    codes.addAll(companies.currenciesOfItems(companyId));
    return codes.stream().map(CurrencyUnit::of).toList();
  }

  /** All companies, in the order in which they were set up. */
  public List<Long> ids() {
    return companies.findAllByOrderById().stream().map(CompanyEntity::id).toList();
  }

  public List<BankAccountEntity> accountsOf(Long companyId) {
    return bankAccounts.findByCompanyIdAndKindOrderById(companyId, Kind.BANK);
  }

  public BankAccountEntity bankAccount(Long id) {
    return bankAccounts.findById(id).orElseThrow(() -> new NotThere("bank account", id));
  }

  public Optional<BankAccountEntity> bankAccountNumbered(Long companyId, String number) {
    return bankAccounts.findByCompanyIdAndNumber(companyId, number);
  }

  /** The account on which the bank puts the cheques of a lockbox. */
  public Optional<BankAccountEntity> accountOfLockbox(Long companyId, String lockbox) {
    return lockbox.isEmpty()
        ? Optional.empty()
        : bankAccounts.findFirstByCompanyIdAndLockboxOrderById(companyId, lockbox);
  }

  /** The cheques of this lockbox are put on this account from now on. */
  @Transactional
  public void takesLockbox(Long bankAccountId, String lockbox) {
    bankAccount(bankAccountId).takesLockbox(lockbox);
  }

  public Map<Long, LedgerAccountEntity> chartOf(Long companyId) {
    return ledgerAccounts.findByCompanyIdOrderByCode(companyId).stream()
        .collect(Collectors.toMap(LedgerAccountEntity::id, Function.identity()));
  }

  /** The account of a role; the bank's is asked of the bank account instead. */
  public Long accountFor(Long companyId, AccountRole role) {
    var key = new RoleKey(companyId, role);
    var known = roleAccounts.get(key);
    // by its id a transaction reads an account once, however often it is asked for
    if (known != null && ledgerAccounts.findById(known).filter(a -> a.role() == role).isPresent()) {
      return known;
    }
    var found =
        ledgerAccounts
            .findFirstByCompanyIdAndRoleOrderByCode(companyId, role)
            .map(LedgerAccountEntity::id)
            .orElseThrow(() -> new NotThere("ledger account for", role));
    roleAccounts.put(key, found);
    return found;
  }

  /** A company by its name. */
  public CompanyName called(Long id) {
    return new CompanyName(id, company(id).name());
  }

  /** The account in the chart of a company that is kept for another one of the group. */
  public Long groupAccount(Long companyId, Long counterpartId) {
    return ledgerAccounts
        .findByCompanyIdAndCounterpartId(companyId, counterpartId)
        .map(LedgerAccountEntity::id)
        .orElseThrow(() -> new NotThere("ledger account for company", counterpartId));
  }

  /**
   * Adds an account without a part in any rule to the chart of a company.
   *
   * @param from the first code that it may have; the next one that is free is taken
   */
  @Transactional
  public Long addAccount(Long companyId, int from, String name) {
    var taken =
        chartOf(companyId).values().stream()
            .map(LedgerAccountEntity::code)
            .collect(Collectors.toSet());
    var code = from;
    while (taken.contains(Integer.toString(code))) {
      code++;
    }
    return ledgerAccounts
        .saveAndFlush(
            new LedgerAccountEntity(companyId, Integer.toString(code), name, AccountRole.OTHER))
        .id();
  }

  /** What each company allows; the standard policy where it has decided nothing. */
  public Policies policies() {
    return where -> policy(Long.valueOf(where.companyId()), where.currency());
  }

  public Policy policy(Long companyId, CurrencyUnit currency) {
    return policies
        .findById(new PolicyEntity.Key(companyId, currency.getCode()))
        .map(PolicyEntity::toPolicy)
        .orElseGet(() -> Policy.standard(currency));
  }

  /** Whether a second person must release what is posted of lockbox batches. */
  public boolean batchesReleased(Long companyId, CurrencyUnit currency) {
    return policies
        .findById(new PolicyEntity.Key(companyId, currency.getCode()))
        .map(PolicyEntity::batchesReleased)
        .orElse(false);
  }

  /** Sets up a company with the usual chart of accounts. */
  @Transactional
  public CompanyEntity setUp(String name, CurrencyUnit currency) {
    var company = companies.save(new CompanyEntity(name, currency.getCode()));
    Chart.USUAL.forEach(
        a ->
            ledgerAccounts.save(
                new LedgerAccountEntity(company.id(), a.code(), a.name(), a.role())));
    addTaxCode(company, "NONE", "No tax", BigDecimal.ZERO);
    for (var other : companies.findAllByOrderById()) {
      if (!other.id().equals(company.id())) {
        ledgerAccounts.save(new LedgerAccountEntity(company.id(), other));
        ledgerAccounts.save(new LedgerAccountEntity(other.id(), company));
      }
    }
    return company;
  }

  /** Adds a bank account with a ledger account of its own. */
  @Transactional
  public BankAccountEntity addBankAccount(
      CompanyEntity company,
      String code,
      String name,
      String bank,
      String number,
      CurrencyUnit currency) {
    var ledger =
        ledgerAccounts.save(new LedgerAccountEntity(company.id(), code, name, AccountRole.BANK));
    requirePouch(company.id(), currency);
    return bankAccounts.save(
        new BankAccountEntity(
            company.id(), name, bank, number, currency.getCode(), ledger.id(), Kind.BANK));
  }

  /**
   * The pouch of a company in a currency. Its ledger account is not where the receipts stand but
   * where it is kept what of them is to be applied.
   *
   * @throws BadRequest where no bank account could take what is in it
   */
  public BankAccountEntity pouch(Long companyId, CurrencyUnit currency) {
    return bankAccounts
        .findFirstByCompanyIdAndKindAndCurrency(companyId, Kind.POUCH, currency.getCode())
        .orElseThrow(
            () ->
                new BadRequest(
                    "There is no bank account in "
                        + currency
                        + " to which such a receipt could be taken."));
  }

  private void requirePouch(Long companyId, CurrencyUnit currency) {
    if (bankAccounts
        .findFirstByCompanyIdAndKindAndCurrency(companyId, Kind.POUCH, currency.getCode())
        .isEmpty()) {
      makePouch(companyId, currency);
    }
  }

  /** Made with the first bank account of its currency. */
  private void makePouch(Long companyId, CurrencyUnit currency) {
    bankAccounts.save(
        new BankAccountEntity(
            companyId,
            "The pouch",
            "",
            "pouch " + currency.getCode(),
            currency.getCode(),
            accountFor(companyId, AccountRole.RECEIPTS_TO_APPLY),
            Kind.POUCH));
  }

  /**
   * Decides anew what somebody has looked at.
   *
   * @param batchesReleased whether a second person must release what is posted of lockbox batches
   * @param version of the policy as it was looked at
   * @throws Conflict where another has changed it since
   */
  @Transactional
  public void decide(
      CompanyEntity company,
      CurrencyUnit currency,
      Policy policy,
      boolean batchesReleased,
      long version) {
    if (policyVersion(company.id(), currency) != version) {
      throw new Conflict(
          "STALE", "Somebody has changed this policy since you opened it. Look again.");
    }
    decide(company, currency, policy);
    policies
        .findById(new PolicyEntity.Key(company.id(), currency.getCode()))
        .ifPresent(known -> known.release(batchesReleased));
    policies.flush();
  }

  /** Decides what a company allows in a currency, for the first time or anew. */
  @Transactional
  public void decide(CompanyEntity company, CurrencyUnit currency, Policy policy) {
    policies
        .findById(new PolicyEntity.Key(company.id(), currency.getCode()))
        .ifPresentOrElse(
            known -> known.decide(policy),
            () -> policies.save(new PolicyEntity(company.id(), currency, policy)));
    // so that the version that is read next is the new one
    policies.flush();
  }

  /** The version of the policy, by which two people who change it notice each other; 0 at first. */
  long policyVersion(Long companyId, CurrencyUnit currency) {
    return policies
        .findById(new PolicyEntity.Key(companyId, currency.getCode()))
        .map(PolicyEntity::version)
        .orElse(0L);
  }

  /**
   * A company is called otherwise from now on, or keeps its books in another currency.
   *
   * @throws Conflict where something is booked in the currency that it has
   */
  @Transactional
  public CompanyEntity change(Long id, String name, CurrencyUnit currency) {
    var company = company(id);
    company.isCalled(named("company", name));
    ledgerAccounts
        .findByCounterpartId(id)
        .forEach(account -> account.isCalled(account.code(), company.name()));
    if (!company.currency().equals(currency.getCode())) {
      if (companies.hasBooked(id)) {
        throw new Conflict(
            "BOOKED_ALREADY",
            "The books of "
                + company.name()
                + " are in "
                + company.currency()
                + " and have entries; set up another company for "
                + currency
                + ".");
      }
      company.keepsBooksIn(currency.getCode());
    }
    return companies.saveAndFlush(company);
  }

  private static String named(String what, String name) {
    if (name.isBlank() || name.length() > LONGEST_NAME) {
      throw new BadRequest(
          "A " + what + "'s name has between 1 and " + LONGEST_NAME + " characters.");
    }
    return name.strip();
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
    var account = bankAccount(id);
    bankAccountNumbered(account.companyId(), number.strip())
        .filter(other -> !other.id().equals(id))
        .ifPresent(
            other -> {
              throw new Conflict(
                  "NUMBER_TAKEN", "The account " + other.name() + " has this number already.");
            });
    account.isCalled(named("bank account", name), bank.strip(), number.strip());
    if (!account.currency().equals(currency.getCode())) {
      if (bankAccounts.hasEntries(id)) {
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
    return bankAccounts.saveAndFlush(account);
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
    if (bankAccountNumbered(companyId, number.strip()).isPresent()) {
      throw new Conflict("NUMBER_TAKEN", "There is an account with this number already.");
    }
    var taken =
        chartOf(companyId).values().stream()
            .map(LedgerAccountEntity::code)
            .collect(Collectors.toSet());
    var code = FIRST_BANK_CODE;
    while (taken.contains(Integer.toString(code))) {
      code += 10;
    }
    return addBankAccount(
        company(companyId),
        Integer.toString(code),
        named("bank account", name),
        bank.strip(),
        number.strip(),
        currency);
  }

  /**
   * A new account without a part in any rule.
   *
   * @throws Conflict where the code is taken
   */
  @Transactional
  public LedgerAccountEntity addAccount(Long companyId, String code, String name) {
    requireFree(companyId, code, null);
    return ledgerAccounts.saveAndFlush(
        new LedgerAccountEntity(companyId, code, named("ledger account", name), AccountRole.OTHER));
  }

  /** An account has another code or name; its part in the rules stays. */
  @Transactional
  public LedgerAccountEntity renameAccount(Long companyId, Long id, String code, String name) {
    var account = account(companyId, id);
    requireFree(companyId, code, id);
    account.isCalled(code, named("ledger account", name));
    return ledgerAccounts.saveAndFlush(account);
  }

  private void requireFree(Long companyId, String code, Long but) {
    if (!code.matches("[0-9A-Za-z.-]{1,20}")) {
      throw new BadRequest("An account's code has up to 20 letters and digits.");
    }
    chartOf(companyId).values().stream()
        .filter(a -> a.code().equals(code) && !a.id().equals(but))
        .findFirst()
        .ifPresent(
            a -> {
              throw new Conflict("CODE_TAKEN", code + " is " + a.name() + " already.");
            });
  }

  /** A tax code for the first time, or with another name or rate; what was booked stays. */
  @Transactional
  public void taxCode(Long companyId, String code, String name, BigDecimal percent) {
    if (!code.matches("[0-9A-Z]{1,20}")) {
      throw new BadRequest("A tax code has up to 20 capital letters and digits.");
    }
    if (percent.signum() < 0 || percent.compareTo(MOST_TAX) >= 0 || percent.scale() > 4) {
      throw new BadRequest("A tax of " + percent.toPlainString() + " % is none.");
    }
    taxCodes
        .findById(new TaxCodeEntity.Key(companyId, code))
        .ifPresentOrElse(
            known -> known.is(named("tax code", name), percent),
            () ->
                taxCodes.save(
                    new TaxCodeEntity(companyId, code, named("tax code", name), percent)));
    taxCodes.flush();
  }

  @Transactional
  public void addTaxCode(CompanyEntity company, String code, String name, BigDecimal percent) {
    taxCodes.save(new TaxCodeEntity(company.id(), code, name, percent));
  }

  public List<TaxCodeEntity> taxCodes(Long companyId) {
    return taxCodes.findByCompanyIdOrderByPercent(companyId);
  }

  /** The tax code, where the company has it. */
  public TaxCodeEntity taxCode(Long companyId, String code) {
    return taxCodes
        .findById(new TaxCodeEntity.Key(companyId, code))
        .orElseThrow(() -> new NotThere("tax code", code));
  }

  /**
   * An account of the company's chart.
   *
   * @throws NotThere where the company has no such account
   */
  public LedgerAccountEntity account(Long companyId, Long id) {
    return Optional.ofNullable(chartOf(companyId).get(id))
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
}
