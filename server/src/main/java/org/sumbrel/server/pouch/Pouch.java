package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.CodeLine;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.BankEntryEntity.Status;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;

/** What is in the office and not at the bank yet. */
@Service
@Transactional
class Pouch {

  private static final String NOBODY = "Nobody named";

  private final ReceiptRepository receipts;
  private final ChequePictures pictures;
  private final BankAccounts bankAccounts;
  private final Customers customers;
  private final Entries entries;
  private final Proposals proposals;
  private final Journal journal;
  private final Clock clock;

  Pouch(
      ReceiptRepository receipts,
      ChequePictures pictures,
      BankAccounts bankAccounts,
      Customers customers,
      Entries entries,
      Proposals proposals,
      Journal journal,
      Clock clock) {
    this.receipts = receipts;
    this.pictures = pictures;
    this.bankAccounts = bankAccounts;
    this.customers = customers;
    this.entries = entries;
    this.proposals = proposals;
    this.journal = journal;
    this.clock = clock;
  }

  /**
   * Records a receipt: its money is on hand from now on, and it waits to be settled.
   *
   * @return its id, which is that of the entry as which it waits
   * @throws Conflict where the same cheque is recorded already and nobody says that it came again
   */
  Long record(Long company, RecordReceipt call, Actor actor) {
    var routing = text(call.routing());
    if (!routing.isEmpty()) {
      requireRouting(routing);
    }
    var from =
        text(call.from()).isEmpty() && call.customerId() != null
            ? customers.customer(company, call.customerId()).name()
            : text(call.from());
    var receipt =
        HeldReceipt.recorded(
            call.method(),
            call.receivedOn(),
            call.amount().toMoney(),
            from.isEmpty() ? NOBODY : from,
            text(call.reference()),
            Optional.ofNullable(call.heldUntil()),
            LocalDate.now(clock));
    if (!Boolean.TRUE.equals(call.again())) {
      requireNew(company, receipt);
    }
    var written =
        journal.write(
            DepositPosting.recorded(company.toString(), receipt), null, actor.name(), null);
    var known = new Known(text(call.drawerAccount()), text(call.text()), routing, call.pictureId());
    var put = put(company, receipt, known, written, actor);
    proposals.mark(company);
    return put.id();
  }

  /** What is known of a receipt beside what the core needs; the picture may be null. */
  record Known(String drawerAccount, String text, String routing, Long pictureId) {
    static final Known NOTHING = new Known("", "", "", null);
  }

  /** Puts a receipt in: its row, and the entry as which it waits. */
  ReceiptEntity put(
      Long company, HeldReceipt receipt, Known known, Long journalEntry, Actor actor) {
    var pouch = bankAccounts.pouch(company, receipt.amount().getCurrencyUnit());
    var entry =
        entries.receive(
            pouch.id(),
            "receipt:" + UUID.randomUUID(),
            new Receipt(
                "new",
                company.toString(),
                receipt.receivedOn(),
                receipt.amount(),
                receipt.from().equals(NOBODY) ? "" : receipt.from(),
                known.drawerAccount(),
                known.text()),
            receipt.method() == PaidBy.CHEQUE ? receipt.reference() : "");
    if (known.pictureId() != null) {
      pictures.picture(company, known.pictureId());
    }
    return receipts.save(
        new ReceiptEntity(
            entry.id(), company, receipt, known, journalEntry, actor.name(), clock.instant()));
  }

  private static String text(String given) {
    return given == null ? "" : given.strip();
  }

  private static void requireRouting(String routing) {
    try {
      CodeLine.requireRouting(routing);
    } catch (CodeLine.Unreadable e) {
      throw new BadRequest(e.getMessage());
    }
  }

  private void requireNew(Long company, HeldReceipt receipt) {
    receipts
        .alike(
            company, receipt.method(), receipt.reference(), receipt.amount().getAmountMinorLong())
        .stream()
        .filter(r -> receipt.seemsToBe(r.toHeld()))
        .findFirst()
        .ifPresent(
            known -> {
              throw new Conflict(
                  "RECORDED_ALREADY",
                  receipt.name()
                      + " of "
                      + MoneyText.grouped(receipt.amount())
                      + " from "
                      + receipt.from()
                      + " was recorded on "
                      + DayText.of(known.toHeld().receivedOn())
                      + " by "
                      + known.recordedBy()
                      + "; nothing was recorded.");
            });
  }

  /** Takes a receipt out that was recorded by mistake or given back. */
  Long withdraw(Long id, String why, Actor actor) {
    var receipt = receipt(id);
    if (receipt.lockboxBatchId() != null) {
      throw new Conflict(
          "MAILED",
          receipt.toHeld().name()
              + " of "
              + MoneyText.grouped(receipt.amount())
              + " came with a lockbox file; it goes only with the whole file, where that is taken back.");
    }
    if (receipt.depositId() != null) {
      throw new Conflict(
          "BANKED",
          receipt.toHeld().name()
              + " is in deposit "
              + receipt.depositId()
              + "; open that again first.");
    }
    if (receipt.takingsId() != null) {
      throw new Conflict(
          "SOLD",
          receipt.toHeld().name()
              + " of "
              + MoneyText.grouped(receipt.amount())
              + " is part of a day's takings; take those back as a whole.");
    }
    var entry = entries.entry(id);
    if (entry.status() != Status.WAITING) {
      throw new Conflict(
          "SETTLED",
          receipt.toHeld().name()
              + " of "
              + MoneyText.grouped(receipt.amount())
              + " is settled; take its settlement back first.");
    }
    entries.withdraw(id);
    receipt.withdraw(why, actor.name(), clock.instant());
    journal.reverse(
        receipt.journalEntryId(),
        LocalDate.now(clock),
        "Withdrawn: " + receipt.toHeld().name() + ", " + why,
        actor.name());
    proposals.mark(receipt.companyId());
    return receipt.companyId();
  }

  ReceiptEntity receipt(Long id) {
    return receipts
        .findById(id)
        .filter(r -> !r.withdrawn())
        .orElseThrow(() -> new NotThere("receipt", id));
  }

  @Transactional(readOnly = true)
  public List<ReceiptEntity> inPouch(Long company, CurrencyUnit currency) {
    return receipts.inPouch(company, currency.getCode());
  }
}
