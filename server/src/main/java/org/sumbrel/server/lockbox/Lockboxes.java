package org.sumbrel.server.lockbox;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxBatch.Again;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Problem;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.desk.Arrivals;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.pouch.MailedCheques;
import org.sumbrel.server.remittance.Advices;
import org.sumbrel.server.runs.BatchRuns;

/** Batches as they come in with a file, are accepted where they contradict themselves, and go. */
@Service
@Transactional
public class Lockboxes {

  /** So many sentences of a kind are kept and shown. */
  private static final int MOST_SAID = 40;

  private final LockboxBatchRepository batches;
  private final MailedCheques cheques;
  private final Advices advices;
  private final BatchRuns runs;
  private final Arrivals arrivals;
  private final BankAccounts bankAccounts;
  private final Proposals proposals;
  private final Clock clock;

  Lockboxes(
      LockboxBatchRepository batches,
      MailedCheques cheques,
      Advices advices,
      BatchRuns runs,
      Arrivals arrivals,
      BankAccounts bankAccounts,
      Proposals proposals,
      Clock clock) {
    this.batches = batches;
    this.cheques = cheques;
    this.advices = advices;
    this.runs = runs;
    this.arrivals = arrivals;
    this.bankAccounts = bankAccounts;
    this.proposals = proposals;
    this.clock = clock;
  }

  /** How many cheques came and were new, and what is to be said of them. */
  public record Taken(int cheques, int fresh, List<String> said) {}

  /**
   * Takes the batches of a file in. A batch that came before changes nothing.
   *
   * @param asked the bank account the clerk named, or null
   * @param watch is told how many cheques are kept, now and then
   * @throws BrokenFile where a batch is for no account of the company, or holds other cheques than
   *     the same batch did when it came before
   */
  public Taken take(
      CompanyEntity company,
      Long intakeId,
      FileContent content,
      Long asked,
      Actor actor,
      LongConsumer watch)
      throws BrokenFile {
    var all = content.batches();
    var said = new ArrayList<String>();
    var count = 0;
    var fresh = 0;
    for (var batch : all) {
      Fitting.require(batch);
      count += batch.cheques().size();
      var on = batch.depositedOn().orElseGet(() -> LocalDate.now(clock));
      var account = accountOf(company, batch, asked);
      // the same file may come from two people at once
      arrivals.hold(account.id());
      if (batch.cheques().isEmpty()) {
        said.add("batch " + batch.number() + " holds no cheque; nothing of it was kept");
      } else if (!knows(company.id(), batch, on)) {
        var before = (long) fresh;
        fresh += batch.cheques().size();
        said.addAll(twins(company.id(), batch));
        var row =
            batches.saveAndFlush(
                new LockboxBatchEntity(
                    company.id(),
                    intakeId,
                    account.id(),
                    batch,
                    on,
                    contradictions(content.problems(), batch, all)));
        keep(row, batch, kept -> watch.accept(before + kept), actor);
      }
    }
    return new Taken(count, fresh, said);
  }

  private void keep(LockboxBatchEntity row, LockboxBatch batch, LongConsumer watch, Actor actor) {
    var recorded = cheques.record(named(row), batch.cheques(), watch, actor);
    var said = new LinkedHashMap<Long, RemittanceAdvice>();
    recorded.forEach(
        (entry, cheque) -> {
          if (!cheque.items().isEmpty()) {
            said.put(entry, advice(row, cheque));
          }
        });
    advices.addTied(row.companyId(), row.intakeId(), said);
    if (!row.blocked()) {
      bank(row, actor);
    }
  }

  /** What the slip in the envelope says. */
  private static RemittanceAdvice advice(LockboxBatchEntity row, LockboxCheque cheque) {
    return new RemittanceAdvice(
        "", Optional.of(row.depositedOn()), cheque.payerName(), cheque.amount(), cheque.items());
  }

  private void bank(LockboxBatchEntity row, Actor actor) {
    var slip = row.lockbox().isEmpty() ? row.number() : row.lockbox() + "-" + row.number();
    row.banked(cheques.bank(named(row), row.bankAccountId(), slip, actor));
  }

  private static MailedCheques.Batch named(LockboxBatchEntity row) {
    return new MailedCheques.Batch(
        row.id(), row.companyId(), row.intakeId(), row.currency(), row.depositedOn(), row.words());
  }

  /** What of a file's contradictions concerns a batch: all but those of its other batches. */
  private static List<String> contradictions(
      List<Problem> problems, LockboxBatch batch, List<LockboxBatch> all) {
    var others =
        all.stream().filter(b -> b != batch).flatMap(b -> b.contradictions().stream()).toList();
    var own = batch.contradictions();
    var said =
        problems.stream()
            .filter(Problem::contradiction)
            .filter(
                p ->
                    own.stream().anyMatch(c -> p.message().endsWith(c))
                        || others.stream().noneMatch(c -> p.message().endsWith(c)))
            .map(Problem::sentence)
            .toList();
    return shortened(said);
  }

  /** The first of many sentences, and how many more there are. */
  private static List<String> shortened(List<String> said) {
    if (said.size() <= MOST_SAID) {
      return said;
    }
    var first = new ArrayList<>(said.subList(0, MOST_SAID));
    first.add("and " + (said.size() - MOST_SAID) + " more");
    return first;
  }

  private List<String> twins(Long company, LockboxBatch batch) {
    return shortened(
        cheques.twins(company, batch.cheques()).stream()
            .map(
                t ->
                    "cheque "
                        + t.cheque().number()
                        + " of "
                        + MoneyText.grouped(t.cheque().amount())
                        + " was recorded already on "
                        + t.recordedOn()
                        + "; see that it is not settled twice")
            .toList());
  }

  private boolean knows(Long company, LockboxBatch batch, LocalDate on) throws BrokenFile {
    for (var known :
        batches.findByCompanyIdAndLockboxAndNumberAndDepositedOn(
            company, batch.lockbox(), batch.number(), on)) {
      var again = batch.comparedWith(cheques.faces(known.id()));
      if (again == Again.CONTRADICTS) {
        throw new BrokenFile(
            0,
            known.words()
                + " of "
                + DayText.of(on)
                + " was taken in already, with "
                + known.cheques()
                + " cheques of "
                + MoneyText.grouped(known.total())
                + "; this file has "
                + batch.cheques().size()
                + " of "
                + MoneyText.grouped(batch.total())
                + " in it. Where the file is right, take the earlier one back first");
      }
      if (again == Again.SAME) {
        return true;
      }
    }
    return false;
  }

  private BankAccountEntity accountOf(CompanyEntity company, LockboxBatch batch, Long asked)
      throws BrokenFile {
    var known = bankAccounts.ofLockbox(company.id(), batch.lockbox());
    if (known.isPresent() && asked != null && !asked.equals(known.get().id())) {
      throw new BrokenFile(
          0,
          "the cheques of lockbox "
              + batch.lockbox()
              + " are put on "
              + known.get().name()
              + ", not on "
              + bankAccounts.account(asked).name());
    }
    if (known.isEmpty() && asked == null) {
      throw new BrokenFile(
          0,
          "lockbox "
              + batch.lockbox()
              + " belongs to no bank account of "
              + company.name()
              + " yet; choose the account on which the bank puts its cheques");
    }
    var account = known.isPresent() ? known.get() : bankAccounts.account(asked);
    if (!account.currency().equals(batch.currency().getCode())) {
      throw new BrokenFile(
          0,
          "the cheques are in "
              + batch.currency()
              + ", "
              + account.name()
              + " is in "
              + account.currency());
    }
    if (known.isEmpty() && !batch.lockbox().isEmpty()) {
      bankAccounts.takesLockbox(account.id(), batch.lockbox());
    }
    return account;
  }

  /**
   * A supervisor answers for what contradicts; the batch is banked as its cheques are, and may be
   * posted.
   *
   * @return the company whose it is
   */
  Long accept(Long id, String why, Actor actor) {
    var row = batch(id);
    if (actor.role() != Role.SUPERVISOR) {
      throw new AccessDeniedException("Only a supervisor accepts a batch that contradicts itself.");
    }
    row.contradictions().accept("batch", why, actor.name(), clock.instant());
    bank(row, actor);
    return row.companyId();
  }

  LockboxBatchEntity batch(Long id) {
    return batches.findById(id).orElseThrow(() -> new NotThere("lockbox batch", id));
  }

  /** Why the batches of an intake cannot be taken back, a sentence each; empty where they can. */
  @Transactional(readOnly = true)
  public List<String> against(Long intakeId) {
    var against = new ArrayList<String>();
    for (var batch : batches.findByIntakeIdOrderById(intakeId)) {
      if (batch.depositId() != null && cheques.anyShown(batch.depositId())) {
        against.add("The bank has shown the deposit of " + batch.words() + "; untie it first.");
      }
      if (runs.underWay(batch.id())) {
        against.add("A run of " + batch.words() + " is not at its end; call it off first.");
      }
    }
    return against;
  }

  /** Takes the batches of an intake out with it. */
  public void takeBack(Long intakeId, Actor actor) {
    for (var row : batches.findByIntakeIdOrderById(intakeId)) {
      cheques.takeBack(row.id(), row.depositId(), row.words() + " taken back", actor);
      proposals.mark(row.companyId());
      runs.forget(row.id());
      batches.delete(row);
    }
    batches.flush();
  }
}
