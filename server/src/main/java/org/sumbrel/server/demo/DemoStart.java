package org.sumbrel.server.demo;

import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.core.settle.Limits;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.settle.Tolerance;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.access.Users;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.companies.LedgerAccountEntity;
import org.sumbrel.server.companies.TaxCodes;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.intake.Intakes;
import org.sumbrel.server.outside.Envelopes;
import org.sumbrel.server.profiles.Profiles;
import org.sumbrel.server.rates.Rates;
import org.sumbrel.server.settle.AccountSettlements;
import org.sumbrel.server.settle.HistoryPosting;
import org.sumbrel.server.tieout.OpeningBalances;

/**
 * Puts the demo company into an empty database: through the same intakes and settlements that a
 * clerk uses, so that what the demo shows has been through every rule.
 */
@Component
@Order(2)
class DemoStart implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(DemoStart.class);
  private static final String EXPORT_ACCOUNT = "FR849999999999HALAGE0000142";

  private static final Actor DEMO = new Actor("demo", Role.SUPERVISOR);

  /** Receipts of the last days before the day are left for the clerk. */
  private static final int LEFT_WAITING = 7;

  private final SumbrelSettings settings;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final CompanyPolicies policies;
  private final TaxCodes taxCodes;
  private final Customers customers;
  private final Entries entries;
  private final Intakes intakes;
  private final HistoryPosting settlements;
  private final DemoPouch pouch;
  private final Envelopes envelopes;
  private final Profiles profiles;
  private final OpeningBalances openings;
  private final AccountSettlements charges;
  private final Rates rates;
  private final Users users;
  private final TransactionTemplate transaction;
  private final EntityManager rows;

  DemoStart(
      SumbrelSettings settings,
      Companies companies,
      BankAccounts bankAccounts,
      Charts charts,
      CompanyPolicies policies,
      TaxCodes taxCodes,
      Customers customers,
      Entries entries,
      Intakes intakes,
      HistoryPosting settlements,
      DemoPouch pouch,
      Envelopes envelopes,
      Profiles profiles,
      OpeningBalances openings,
      AccountSettlements charges,
      Rates rates,
      Users users,
      TransactionTemplate transaction,
      EntityManager rows) {
    this.rates = rates;
    this.users = users;
    this.settings = settings;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.policies = policies;
    this.taxCodes = taxCodes;
    this.customers = customers;
    this.entries = entries;
    this.intakes = intakes;
    this.settlements = settlements;
    this.pouch = pouch;
    this.envelopes = envelopes;
    this.profiles = profiles;
    this.openings = openings;
    this.charges = charges;
    this.transaction = transaction;
    this.rows = rows;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (!settings.demo().enabled() || !companies.all().isEmpty()) {
      return;
    }
    // one unit: a start that is interrupted leaves an empty database, which the next start fills
    transaction.executeWithoutResult(
        status -> {
          try {
            fill();
            users.worksIn("sela", List.of(companies.ids().get(1)));
          } catch (BrokenFile | IOException e) {
            throw new IllegalStateException("the demo's own files are broken", e);
          }
        });
  }

  private void fill() throws BrokenFile, IOException {
    rates.fetch(DemoBooks.FIRST_RATES, DemoBooks.TODAY.minusDays(1), DEMO.name());
    var books = DemoBooks.make();
    var mill = mill();
    take(mill, "customers.csv", DemoFiles.customers(books), null);
    take(mill, "invoices-2026.csv", DemoFiles.invoices(books.invoices()), null);
    var operating = bankAccounts.numbered(mill.id(), DemoBooks.OPERATING).orElseThrow().id();
    var told = new ArrayList<>(books.history());
    told.addAll(DemoBooks.charges());
    told.sort(Comparator.comparing(DemoReceipt::on).thenComparing(DemoReceipt::id));
    var opening = DemoFiles.BEFORE_TODAY - told.stream().mapToInt(DemoReceipt::cents).sum();
    var balance = opening;
    var months = told.stream().collect(Collectors.groupingBy(r -> r.on().getMonthValue()));
    for (var month : months.keySet().stream().sorted().toList()) {
      var receipts = months.get(month);
      var last = receipts.get(receipts.size() - 1).on();
      take(
          mill,
          "larkstow-operating-" + last + ".ofx",
          DemoFiles.statement(receipts, last, balance),
          operating);
      balance += receipts.stream().mapToInt(DemoReceipt::cents).sum();
    }
    openings.say(operating, told.get(0).on().minusDays(1), usd(opening), DEMO);
    settleHistory(mill, books);
    bookCharges(mill);
    pouch.fill(mill.id(), operating, books);
    envelopes.keep(
        mill.id(), DemoLockbox.BOX, DemoBooks.TODAY, DemoLockbox.BATCH, DemoLockbox.seen(books));
    for (var profile : DemoProfiles.all()) {
      profiles.add(mill.id(), profile, "demo");
    }
    openings.say(
        bankAccounts.numbered(mill.id(), DemoBooks.LOCKBOX).orElseThrow().id(),
        DemoBooks.TODAY.minusDays(3),
        usd(DemoFiles.LOCKBOX_BEFORE),
        DEMO);
    forgetWhatIsWritten();
    export();
    if (settings.demo().big()) {
      big(mill, operating);
    }
  }

  private static Money usd(int cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  private CompanyEntity mill() {
    var usd = CurrencyUnit.USD;
    var mill = companies.setUp("Larkstow Mill Ltd", usd);
    bankAccounts.add(
        mill.id(), "1010", "Operating USD", "Copperbeck Savings Bank", DemoBooks.OPERATING, usd);
    var lockbox =
        bankAccounts.add(
            mill.id(), "1020", "Lockbox USD", "Copperbeck Savings Bank", DemoBooks.LOCKBOX, usd);
    bankAccounts.takesLockbox(lockbox.id(), DemoLockbox.BOX);
    policies.decide(mill, usd, policy(usd));
    taxCodes.add(mill.id(), "SALES6", "Sales tax 6 %", BigDecimal.valueOf(6));
    return mill;
  }

  private void export() throws BrokenFile, IOException {
    var export = companies.setUp("Larkstow Grain Export Ltd", CurrencyUnit.USD);
    bankAccounts.add(
        export.id(), "1010", "Halage EUR", "Banque du Halage", EXPORT_ACCOUNT, CurrencyUnit.EUR);
    policies.decide(export, CurrencyUnit.EUR, policy(CurrencyUnit.EUR));
    take(export, "export-customers.csv", DemoFiles.exportCustomers(), null);
    take(export, "export-invoices.csv", DemoFiles.exportInvoices(), null);
  }

  private static Policy policy(CurrencyUnit currency) {
    var standard = Policy.standard(currency);
    var clerk = standard.clerk();
    return new Policy(
        standard.discountGraceDays(),
        new Limits(
            new Tolerance(
                Money.ofMajor(currency, 2), Money.ofMajor(currency, 1), BigDecimal.valueOf(5)),
            clerk.fee(),
            clerk.unearnedDiscount(),
            clerk.refund(),
            clerk.exchange()),
        standard.supervisor(),
        standard.usualFees(),
        BigDecimal.ZERO,
        Money.zero(currency),
        standard.customs(),
        standard.clearAt(),
        standard.tornWithin());
  }

  private void take(CompanyEntity company, String name, String text, Long bankAccount)
      throws BrokenFile, IOException {
    var file = FileBytes.of(text.getBytes(StandardCharsets.UTF_8));
    intakes.take(company.id(), name, file, "", bankAccount, "demo");
    forgetWhatIsWritten();
  }

  /** Else every step would look through all rows of the steps before. */
  private void forgetWhatIsWritten() {
    rows.flush();
    rows.clear();
  }

  private void settleHistory(CompanyEntity mill, DemoBooks books) {
    var items =
        customers.itemsOf(mill.id()).stream()
            .collect(Collectors.toMap(OpenItemEntity::number, OpenItemEntity::id));
    var waiting =
        entries.waiting(mill.id()).stream()
            .collect(Collectors.toMap(BankEntryEntity::entryKey, BankEntryEntity::id));
    var history = books.history();
    for (var receipt : history.subList(0, history.size() - LEFT_WAITING)) {
      settlements.post(waiting.get("ofx:" + receipt.id()), taken(receipt, items), "maren");
      forgetWhatIsWritten();
    }
  }

  /** What the bank charged and paid was booked by hand month after month. */
  private void bookCharges(CompanyEntity mill) {
    var chart =
        charts.of(mill.id()).values().stream()
            .collect(Collectors.toMap(LedgerAccountEntity::code, a -> a.id().toString()));
    var unexplained =
        entries.unexplained(mill.id()).stream()
            .collect(Collectors.toMap(BankEntryEntity::entryKey, BankEntryEntity::id));
    for (var charge : DemoBooks.charges()) {
      var account = chart.get(charge.cents() < 0 ? "6100" : "7100");
      charges.postOfThePast(
          unexplained.get("ofx:" + charge.id()),
          List.of(new ToAccount(usd(-charge.cents()), account, usd(0), charge.memo())),
          new Actor("maren", Role.CLERK));
    }
  }

  private static List<HistoryPosting.Taken> taken(DemoReceipt receipt, Map<String, Long> items) {
    var discounts = new HashMap<String, Integer>();
    if (receipt.discountCents() > 0) {
      discounts.put(receipt.pays().get(0).number(), receipt.discountCents());
    }
    return receipt.pays().stream()
        .map(
            i ->
                new HistoryPosting.Taken(
                    items.get(i.number()), i.cents(), discounts.getOrDefault(i.number(), 0)))
        .toList();
  }

  private void big(CompanyEntity mill, Long operating) throws BrokenFile, IOException {
    LOG.info("Making the big set: 100,000 open items, 5,000 customers, 10,000 waiting entries.");
    var big = new BigBooks();
    take(mill, "big-customers.csv", big.customers(), null);
    take(mill, "big-invoices.csv", big.invoices(), null);
    take(mill, "big-statement.csv", big.entries(), operating);
  }
}
