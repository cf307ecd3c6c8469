package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongConsumer;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.journal.Journal;

/**
 * Cheques that the bank's mail room took out of their envelopes: receipts like those of the office,
 * but in nobody's hands here, and banked by the bank itself.
 */
@Service
@Transactional
public class MailedCheques {

  private static final String NOBODY = "Nobody named";

  /** Banks take no cheque that is older. */
  private static final int DAYS_BACK = 180;

  private final ReceiptRepository receipts;
  private final DepositRepository deposits;
  private final Deposits making;
  private final BankAccounts bankAccounts;
  private final Entries entries;
  private final Journal journal;
  private final Clock clock;

  MailedCheques(
      ReceiptRepository receipts,
      DepositRepository deposits,
      Deposits making,
      BankAccounts bankAccounts,
      Entries entries,
      Journal journal,
      Clock clock) {
    this.receipts = receipts;
    this.deposits = deposits;
    this.making = making;
    this.bankAccounts = bankAccounts;
    this.entries = entries;
    this.journal = journal;
    this.clock = clock;
  }

  /**
   * Whose cheques they are.
   *
   * @param words how the batch is spoken of: {@code batch 001 of lockbox 4410}
   */
  public record Batch(
      Long id, Long company, Long intake, CurrencyUnit currency, LocalDate on, String words) {}

  /**
   * Records the cheques of a batch; each waits to be settled.
   *
   * @param watch is told how many are recorded, now and then
   * @return the cheques by the entry as which each waits
   */
  public Map<Long, LockboxCheque> record(
      Batch batch, List<LockboxCheque> cheques, LongConsumer watch, Actor actor) {
    var company = batch.company().toString();
    var held = cheques.stream().map(c -> held(c, batch.on())).toList();
    var written =
        journal.writeAll(
            held.stream()
                .<JournalEntry>map(h -> DepositPosting.mailed(company, h, batch.words()))
                .toList(),
            actor.name());
    var pouch = bankAccounts.pouch(batch.company(), batch.currency());
    var recorded = new LinkedHashMap<Long, LockboxCheque>();
    var rows = new ArrayList<ReceiptEntity>();
    for (var n = 0; n < held.size(); n++) {
      var cheque = cheques.get(n);
      var entry =
          entries.receive(
              pouch.id(),
              "lockbox:" + batch.id() + ":" + n,
              new Receipt(
                  "new",
                  company,
                  batch.on(),
                  cheque.amount(),
                  cheque.payerName(),
                  cheque.account(),
                  ""),
              cheque.number(),
              batch.intake());
      var known = new Pouch.Known(cheque.account(), "", cheque.routing(), null);
      var row =
          new ReceiptEntity(
              entry.id(),
              batch.company(),
              held.get(n),
              known,
              written.get(n),
              actor.name(),
              clock.instant());
      row.mailedIn(batch.id(), cheque.item(), cheque.items().size(), cheque.itemTotal());
      rows.add(row);
      recorded.put(entry.id(), cheque);
      watch.accept(n + 1L);
    }
    // whoever asks next must find them, though an intake looks nothing up in between
    receipts.saveAllAndFlush(rows);
    return recorded;
  }

  private static HeldReceipt held(LockboxCheque cheque, LocalDate on) {
    return new HeldReceipt(
        "new",
        PaidBy.CHEQUE,
        on,
        cheque.amount(),
        cheque.payerName().isBlank() ? NOBODY : cheque.payerName(),
        cheque.number(),
        Optional.empty());
  }

  /**
   * A cheque that was recorded already under another batch: the same code line, number and amount.
   *
   * @param recordedOn as a sentence says the day
   */
  public record Twin(LockboxCheque cheque, Long entryId, String recordedOn) {}

  /** Those of these cheques that seem to have come before. */
  @Transactional(readOnly = true)
  public List<Twin> twins(Long company, List<LockboxCheque> cheques) {
    var known = new HashMap<LockboxCheque.Face, ReceiptEntity>();
    for (var receipt : receipts.chequesSince(company, LocalDate.now(clock).minusDays(DAYS_BACK))) {
      known.putIfAbsent(withoutAccount(face(receipt)), receipt);
    }
    var twins = new ArrayList<Twin>();
    for (var cheque : cheques) {
      var before = known.get(withoutAccount(cheque.face()));
      if (before != null && !cheque.number().isEmpty()) {
        twins.add(new Twin(cheque, before.id(), DayText.of(before.toHeld().receivedOn())));
      }
    }
    return twins;
  }

  private static LockboxCheque.Face face(ReceiptEntity receipt) {
    return new LockboxCheque.Face(
        receipt.routing(), receipt.drawerAccount(), receipt.toHeld().reference(), receipt.amount());
  }

  /** A scanner in the office writes the account otherwise than a mail room. */
  private static LockboxCheque.Face withoutAccount(LockboxCheque.Face face) {
    return new LockboxCheque.Face(face.routing(), "", face.number(), face.amount());
  }

  /** The faces of a batch's cheques. */
  @Transactional(readOnly = true)
  public List<LockboxCheque.Face> faces(Long batchId) {
    return receipts.findByLockboxBatchIdOrderById(batchId).stream()
        .map(MailedCheques::face)
        .toList();
  }

  /**
   * The one deposit by which the bank put a batch on an account.
   *
   * @return its id
   */
  public Long bank(Batch batch, Long bankAccountId, String slip, Actor actor) {
    var ids =
        receipts.findByLockboxBatchIdOrderById(batch.id()).stream().map(ReceiptEntity::id).toList();
    return making.make(
        batch.company(),
        new MakeDeposit(bankAccountId, batch.on(), slip, ids, List.of(), List.of(), null, null),
        actor);
  }

  /**
   * What is known of one of these cheques.
   *
   * @param item its number in the batch
   */
  public record Known(String item, String from, LockboxCheque.Face face) {}

  @Transactional(readOnly = true)
  public Known cheque(Long entryId) {
    return receipts
        .findById(entryId)
        .map(r -> new Known(r.batchItem(), r.toHeld().from(), face(r)))
        .orElseThrow(() -> new NotThere("lockbox cheque", entryId));
  }

  /** How the bank shows a deposit. */
  public record Banked(Long depositId, String slip, boolean shown) {}

  @Transactional(readOnly = true)
  public Banked banked(Long depositId) {
    var deposit = making.deposit(depositId);
    return new Banked(depositId, deposit.slip(), deposit.status() == DepositEntity.Status.TIED);
  }

  /** Whether the bank has shown anything of a deposit. */
  @Transactional(readOnly = true)
  public boolean anyShown(Long depositId) {
    return !making.deposit(depositId).shown().isEmpty();
  }

  /**
   * Takes the cheques of a batch out, as if they had never come; their entries are left to whoever
   * takes the file back.
   */
  public void takeBack(Long batchId, Long depositId, String why, Actor actor) {
    var today = LocalDate.now(clock);
    if (depositId != null) {
      var deposit = making.deposit(depositId);
      making.takeBack(deposit, why, actor);
      deposits.save(deposit);
    }
    var rows = receipts.findByLockboxBatchIdOrderById(batchId);
    rows.forEach(
        r ->
            journal.reverse(
                r.journalEntryId(), today, r.toHeld().name() + ": " + why, actor.name()));
    receipts.deleteAll(rows);
    receipts.flush();
  }
}
