package org.sumbrel.server.intake;

import jakarta.persistence.EntityManager;
import jakarta.persistence.FlushModeType;
import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.LeftOut;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.formats.table.TableProfile;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.lockbox.Lockboxes;
import org.sumbrel.server.payouts.Payouts;
import org.sumbrel.server.profiles.Profiles;
import org.sumbrel.server.rates.Rates;

/** Takes files in, each as a whole or not at all. */
@Service
public class Intakes {

  private static final Logger LOG = LoggerFactory.getLogger(Intakes.class);

  private final IntakeRepository intakes;
  private final IntakeFiles files;
  private final StatementIntake statements;
  private final ReceivablesIntake receivables;
  private final AdviceIntake advices;
  private final Lockboxes lockboxes;
  private final Payouts payouts;
  private final LeftOutRepository leftOut;
  private final Profiles profiles;
  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final Proposals proposals;
  private final Clock clock;
  private final Rates rates;
  private final EntityManager rows;

  Intakes(
      IntakeRepository intakes,
      IntakeFiles files,
      StatementIntake statements,
      ReceivablesIntake receivables,
      AdviceIntake advices,
      Lockboxes lockboxes,
      Payouts payouts,
      LeftOutRepository leftOut,
      Profiles profiles,
      Companies companies,
      BankAccounts bankAccounts,
      Proposals proposals,
      Rates rates,
      Clock clock,
      EntityManager rows) {
    this.rates = rates;
    this.intakes = intakes;
    this.files = files;
    this.statements = statements;
    this.receivables = receivables;
    this.advices = advices;
    this.lockboxes = lockboxes;
    this.payouts = payouts;
    this.leftOut = leftOut;
    this.profiles = profiles;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.proposals = proposals;
    this.clock = clock;
    this.rows = rows;
  }

  /** Reads a file and keeps what is new in it, while nobody follows. */
  @Transactional(rollbackFor = Exception.class)
  public Long take(
      Long company, String fileName, FileBytes file, String profile, Long bankAccount, String by)
      throws BrokenFile, IOException {
    var incoming = new Incoming(fileName, file, profile, bankAccount, false);
    return take(company, incoming, by, IntakeWatch.none());
  }

  /**
   * A file on its way in.
   *
   * @param profile by which it is to be read, or empty where its headings tell
   * @param bankAccount the account a statement is for, or null where the file says
   * @param around whether the rows of a table that cannot be read are left out, to be put right
   *     later
   */
  record Incoming(
      String fileName, FileBytes file, String profile, Long bankAccount, boolean around) {}

  /**
   * Reads a file and keeps what is new in it.
   *
   * @param company for which, or null for the first
   * @param watch that follows it and may stop it
   * @return the intake's id
   * @throws BrokenFile where it cannot be kept; then nothing of it is
   * @throws IOException where its bytes cannot be read
   */
  @Transactional(rollbackFor = Exception.class)
  Long take(Long company, Incoming incoming, String by, IntakeWatch watch)
      throws BrokenFile, IOException {
    var owner = companies.company(company);
    return take(owner, incoming, by, watch, reading -> read(owner, incoming, reading));
  }

  /**
   * Takes in a row that somebody has put right.
   *
   * @param profile by which the row's file was read
   */
  @Transactional(rollbackFor = Exception.class)
  Long takeRow(
      Long company,
      String fileName,
      FileBytes file,
      TableProfile profile,
      Long bankAccount,
      String by)
      throws BrokenFile, IOException {
    return take(
        companies.company(company),
        new Incoming(fileName, file, profile.name(), bankAccount, false),
        by,
        IntakeWatch.none(),
        reading -> Read.whole(AnyFile.readBy(profile, file, reading)));
  }

  /**
   * What was read.
   *
   * @param shape the profile by which the rows that were left out are to be read, as YAML
   */
  private record Read(FileContent content, List<LeftOut> leftOut, String shape) {

    static Read whole(FileContent content) {
      return new Read(content, List.of(), "");
    }
  }

  @FunctionalInterface
  private interface Reader {
    Read read(Reading reading) throws BrokenFile;
  }

  private Long take(
      CompanyEntity owner, Incoming incoming, String by, IntakeWatch watch, Reader reader)
      throws BrokenFile, IOException {
    // both go through all bytes, so one does not wait for the other
    var packing = CompletableFuture.supplyAsync(() -> IntakeFiles.pack(incoming.file()));
    try {
      return take(owner, incoming, packing, by, watch, reader);
    } finally {
      packing
          .handle((packed, e) -> packed)
          .thenAccept(p -> Optional.ofNullable(p).ifPresent(IntakeFiles.Packed::delete));
    }
  }

  private Long take(
      CompanyEntity owner,
      Incoming incoming,
      CompletableFuture<IntakeFiles.Packed> packing,
      String by,
      IntakeWatch watch,
      Reader reader)
      throws BrokenFile, IOException {
    var begun = System.nanoTime();
    var bankAccount = incoming.bankAccount();
    requireOf(owner, bankAccount);
    var read = stoppable(reader, new Reading(currency(owner, bankAccount), watch::read), watch);
    var content = read.content();
    LOG.info("{} read in {} ms", content.format().word(), (System.nanoTime() - begun) / 1_000_000);
    var packed = packing.join();
    var intake =
        intakes.saveAndFlush(
            new IntakeEntity(
                owner.id(),
                incoming.fileName(),
                content.format().word(),
                content.profile(),
                packed.fingerprint(),
                incoming.file().size(),
                by,
                clock.instant()));
    files.keep(intake.id(), packed);
    var outcome = keptAtOnce(owner, intake, content, bankAccount, by, watch);
    var problems = new ArrayList<String>();
    content.problems().forEach(p -> problems.add(p.sentence()));
    problems.addAll(outcome.problems());
    if (!read.leftOut().isEmpty()) {
      problems.add(leaveOut(intake, read));
    }
    if (outcome.fresh() > 0) {
      problems.addAll(advices.tie(owner, intake.id()));
    }
    intake.became(
        new Outcome(
            outcome.records(), outcome.fresh(), outcome.known(), outcome.passedOver(), problems));
    if (outcome.fresh() > 0) {
      proposals.mark(owner.id());
    }
    return intake.id();
  }

  private Read read(CompanyEntity owner, Incoming incoming, Reading reading) throws BrokenFile {
    var named =
        incoming.profile().isEmpty()
            ? Optional.<TableProfile>empty()
            : Optional.of(profiles.named(owner.id(), incoming.profile()));
    if (incoming.around()) {
      var partly = AnyFile.readAround(incoming.file(), named, reading, profiles.of(owner.id()));
      if (partly.isPresent()) {
        return new Read(
            partly.get().content(),
            partly.get().leftOut(),
            ProfileYaml.write(partly.get().profile().named("the file's own")));
      }
    }
    return Read.whole(
        named.isPresent()
            ? AnyFile.readBy(named.get(), incoming.file(), reading)
            : AnyFile.read(incoming.file(), reading, profiles.of(owner.id())));
  }

  private static Read stoppable(Reader reader, Reading reading, IntakeWatch watch)
      throws BrokenFile {
    try {
      return reader.read(reading);
    } catch (BrokenFile broken) {
      if (watch.stopped()) {
        throw new IntakeWatch.Stopped();
      }
      throw broken;
    }
  }

  /**
   * Looks up what is known without writing first: else each look-up would go through all rows that
   * are new.
   */
  private Outcome keptAtOnce(
      CompanyEntity owner,
      IntakeEntity intake,
      FileContent content,
      Long bankAccount,
      String by,
      IntakeWatch watch)
      throws BrokenFile {
    rows.setFlushMode(FlushModeType.COMMIT);
    try {
      return keep(owner, intake, content, bankAccount, by, watch);
    } finally {
      rows.setFlushMode(FlushModeType.AUTO);
    }
  }

  private Outcome keep(
      CompanyEntity owner,
      IntakeEntity intake,
      FileContent content,
      Long bankAccount,
      String by,
      IntakeWatch watch)
      throws BrokenFile {
    return switch (content.format()) {
      case OFX, CAMT_052, CAMT_053, CAMT_054, MT940, MT942, BAI2, STATEMENT_CSV ->
          statements.take(
              owner, intake.id(), content.format(), content.accounts(), bankAccount, watch);
      case INVOICES_CSV, UBL_INVOICE, UBL_CREDIT_NOTE ->
          receivables.takeInvoices(owner, intake.id(), content.invoices(), by, watch);
      case CUSTOMERS_CSV -> receivables.takeCustomers(owner, intake.id(), content.customers());
      case RATES_CSV -> {
        var taken =
            rates.takeIn(
                content.rates().stream().map(r -> new Quote(r.on(), r.rate())).toList(),
                intake.id(),
                by);
        yield new Outcome(
            content.rates().size(), taken.fresh(), taken.known(), 0, taken.problems());
      }
      case ALIASES_CSV, HISTORY_CSV ->
          throw new BrokenFile(
              1,
              "a list of "
                  + (content.format() == Format.ALIASES_CSV ? "aliases" : "past payments")
                  + " cannot be taken in here yet");
      case X12_820, REMITTANCE_CSV -> advices.take(owner, intake.id(), content.remittances());
      case LOCKBOX_BAI, LOCKBOX_CSV, X12_823 ->
          batches(owner, intake.id(), content, bankAccount, by, watch);
      case PAYOUT_CSV -> payouts(owner, intake.id(), content, watch);
    };
  }

  private Outcome payouts(
      CompanyEntity owner, Long intakeId, FileContent content, IntakeWatch watch)
      throws BrokenFile {
    var all = content.payouts().stream().mapToInt(p -> p.items().size()).sum();
    var taken = payouts.take(owner, intakeId, content, kept -> watch.kept(kept, all));
    return new Outcome(
        taken.items(), taken.fresh(), taken.items() - taken.fresh(), 0, taken.said());
  }

  private Outcome batches(
      CompanyEntity owner,
      Long intakeId,
      FileContent content,
      Long bankAccount,
      String by,
      IntakeWatch watch)
      throws BrokenFile {
    var all = content.batches().stream().mapToInt(b -> b.cheques().size()).sum();
    var taken =
        lockboxes.take(
            owner,
            intakeId,
            content,
            bankAccount,
            new Actor(by, Role.CLERK),
            kept -> watch.kept(kept, all));
    return new Outcome(
        taken.cheques(), taken.fresh(), taken.cheques() - taken.fresh(), 0, taken.said());
  }

  private String leaveOut(IntakeEntity intake, Read read) {
    var accounts = statements.accountsOf(intake.id());
    var account = accounts.size() == 1 ? accounts.get(0) : null;
    leftOut.saveAll(
        read.leftOut().stream()
            .map(row -> new LeftOutEntity(intake.id(), account, row, read.shape()))
            .toList());
    return read.leftOut().size() == 1
        ? "1 line could not be read and was left out; it waits to be put right"
        : read.leftOut().size()
            + " lines could not be read and were left out; they wait to be put right";
  }

  private void requireOf(CompanyEntity owner, Long bankAccount) {
    if (bankAccount == null) {
      return;
    }
    var account = bankAccounts.account(bankAccount);
    if (!account.companyId().equals(owner.id())) {
      throw new BadRequest(
          account.name()
              + " is an account of "
              + companies.company(account.companyId()).name()
              + ", and the file was brought for "
              + owner.name()
              + "; nothing of it was kept.");
    }
  }

  /** What counts where the file does not say: the chosen account's, or that of all accounts. */
  private Optional<CurrencyUnit> currency(CompanyEntity owner, Long bankAccount) {
    var accounts =
        bankAccount == null
            ? bankAccounts.of(owner.id())
            : List.of(bankAccounts.account(bankAccount));
    var currencies = accounts.stream().map(BankAccountEntity::currency).distinct().toList();
    return currencies.size() == 1
        ? Optional.of(CurrencyUnit.of(currencies.get(0)))
        : Optional.empty();
  }
}
