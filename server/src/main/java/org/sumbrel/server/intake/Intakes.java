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
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.profiles.Profiles;

/** Takes files in, each as a whole or not at all. */
@Service
public class Intakes {

  private static final Logger LOG = LoggerFactory.getLogger(Intakes.class);

  private final IntakeRepository intakes;
  private final IntakeFiles files;
  private final StatementIntake statements;
  private final ReceivablesIntake receivables;
  private final AdviceIntake advices;
  private final Profiles profiles;
  private final Companies companies;
  private final Proposals proposals;
  private final Clock clock;
  private final EntityManager rows;

  Intakes(
      IntakeRepository intakes,
      IntakeFiles files,
      StatementIntake statements,
      ReceivablesIntake receivables,
      AdviceIntake advices,
      Profiles profiles,
      Companies companies,
      Proposals proposals,
      Clock clock,
      EntityManager rows) {
    this.intakes = intakes;
    this.files = files;
    this.statements = statements;
    this.receivables = receivables;
    this.advices = advices;
    this.profiles = profiles;
    this.companies = companies;
    this.proposals = proposals;
    this.clock = clock;
    this.rows = rows;
  }

  /** Reads a file and keeps what is new in it, while nobody follows. */
  @Transactional(rollbackFor = Exception.class)
  public Long take(
      Long company, String fileName, FileBytes file, String profile, Long bankAccount, String by)
      throws BrokenFile, IOException {
    return take(company, fileName, file, profile, bankAccount, by, IntakeWatch.none());
  }

  /**
   * Reads a file and keeps what is new in it.
   *
   * @param company for which, or null for the first
   * @param profile by which the file is to be read, or empty where its headings tell
   * @param bankAccount the account a statement is for, or null where the file says
   * @param watch that follows it and may stop it
   * @return the intake's id
   * @throws BrokenFile where it cannot be kept whole; then nothing of it is
   * @throws IOException where its bytes cannot be read
   */
  @Transactional(rollbackFor = Exception.class)
  Long take(
      Long company,
      String fileName,
      FileBytes file,
      String profile,
      Long bankAccount,
      String by,
      IntakeWatch watch)
      throws BrokenFile, IOException {
    var owner = companies.company(company);
    // both go through all bytes, so one does not wait for the other
    var packing = CompletableFuture.supplyAsync(() -> IntakeFiles.pack(file));
    try {
      return take(owner, fileName, file, packing, profile, bankAccount, by, watch);
    } finally {
      packing
          .handle((packed, e) -> packed)
          .thenAccept(p -> Optional.ofNullable(p).ifPresent(IntakeFiles.Packed::delete));
    }
  }

  private Long take(
      CompanyEntity owner,
      String fileName,
      FileBytes file,
      CompletableFuture<IntakeFiles.Packed> packing,
      String profile,
      Long bankAccount,
      String by,
      IntakeWatch watch)
      throws BrokenFile, IOException {
    var begun = System.nanoTime();
    var content = read(owner, file, profile, bankAccount, watch);
    LOG.info("{} read in {} ms", content.format().word(), (System.nanoTime() - begun) / 1_000_000);
    var packed = packing.join();
    var intake =
        intakes.saveAndFlush(
            new IntakeEntity(
                owner.id(),
                fileName,
                content.format().word(),
                content.profile(),
                packed.fingerprint(),
                file.size(),
                by,
                clock.instant()));
    files.keep(intake.id(), packed);
    var outcome = keptAtOnce(owner, intake, content, bankAccount, by, watch);
    var problems = new ArrayList<String>();
    content
        .problems()
        .forEach(p -> problems.add((p.line() > 0 ? "line " + p.line() + ": " : "") + p.message()));
    problems.addAll(outcome.problems());
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

  private FileContent read(
      CompanyEntity owner, FileBytes file, String profile, Long bankAccount, IntakeWatch watch)
      throws BrokenFile {
    var reading = new Reading(currency(owner, bankAccount), watch::read);
    try {
      return profile.isEmpty()
          ? AnyFile.read(file, reading, profiles.of(owner.id()))
          : AnyFile.readBy(profiles.named(owner.id(), profile), file, reading);
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
      case ALIASES_CSV, HISTORY_CSV ->
          throw new BrokenFile(
              1,
              "a list of "
                  + (content.format() == Format.ALIASES_CSV ? "aliases" : "past payments")
                  + " cannot be taken in here yet");
      case X12_820, REMITTANCE_CSV -> advices.take(owner, intake.id(), content.remittances());
      default -> throw new IllegalStateException("nothing reads " + content.format());
    };
  }

  /** What counts where the file does not say: the chosen account's, or that of all accounts. */
  private Optional<CurrencyUnit> currency(CompanyEntity owner, Long bankAccount) {
    var accounts =
        bankAccount == null
            ? companies.accountsOf(owner.id())
            : List.of(companies.bankAccount(bankAccount));
    var currencies = accounts.stream().map(BankAccountEntity::currency).distinct().toList();
    return currencies.size() == 1
        ? Optional.of(CurrencyUnit.of(currencies.get(0)))
        : Optional.empty();
  }
}
