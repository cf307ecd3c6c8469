package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.journal.DepositPosting;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.settle.BankedReceipts;

/**
 * Cheques that came back after they were banked. The receipt stays in its deposit as what it was;
 * where the cheque is to be presented once more, it is recorded again.
 */
@Service
@Transactional
class ReturnedCheques implements BankedReceipts {

  private static final int MOST = 200;

  private final ReceiptRepository receipts;
  private final DepositRepository deposits;
  private final Pouch pouch;
  private final Entries entries;
  private final BankAccounts bankAccounts;
  private final Journal journal;
  private final Clock clock;

  ReturnedCheques(
      ReceiptRepository receipts,
      DepositRepository deposits,
      Pouch pouch,
      Entries entries,
      BankAccounts bankAccounts,
      Journal journal,
      Clock clock) {
    this.receipts = receipts;
    this.deposits = deposits;
    this.pouch = pouch;
    this.entries = entries;
    this.bankAccounts = bankAccounts;
    this.journal = journal;
    this.clock = clock;
  }

  @Override
  @Transactional(readOnly = true)
  public Optional<Long> takenTo(Long entryId) {
    return receipts
        .findById(entryId)
        .map(ReceiptEntity::depositId)
        .flatMap(deposits::findById)
        .map(DepositEntity::bankAccountId);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Long> takenTo(Long bankAccountId, LocalDate since, long least, long most) {
    return receipts.takenTo(bankAccountId, since, least, most, Limit.of(MOST));
  }

  @Override
  public Optional<Long> tookBack(Long entryId, boolean again, String reason, Actor actor) {
    var receipt = receipts.findById(entryId).orElse(null);
    if (receipt == null) {
      return Optional.empty();
    }
    var held = receipt.toHeld();
    var account =
        takenTo(entryId)
            .map(bankAccounts::account)
            .orElseThrow(
                () ->
                    new Conflict(
                        "NOT_BANKED",
                        held.name()
                            + " is still in the pouch; the bank cannot have taken it back."));
    var today = LocalDate.now(clock);
    var company = receipt.companyId();
    var sold = receipt.takingsId() != null;
    var written =
        journal.write(
            DepositPosting.returned(
                company.toString(),
                held,
                sold,
                today,
                "Returned by the bank: " + held.name() + " from " + held.from() + ", " + reason),
            account.ledgerAccountId(),
            actor.name(),
            null);
    if (again) {
      presentAgain(receipt, sold, today, actor);
    }
    return Optional.of(written);
  }

  private void presentAgain(ReceiptEntity receipt, boolean sold, LocalDate today, Actor actor) {
    var held = receipt.toHeld();
    var entry = entries.entry(receipt.id());
    var company = receipt.companyId();
    var cheque =
        HeldReceipt.recorded(
            held.method(),
            today,
            held.amount(),
            held.from(),
            held.reference(),
            Optional.empty(),
            today);
    var written =
        journal.write(
            sold
                ? DepositPosting.presentedAgain(company.toString(), cheque)
                : DepositPosting.recorded(company.toString(), cheque),
            null,
            actor.name(),
            null);
    var known =
        new Pouch.Known(
            entry.payerAccount(), entry.remittance(), receipt.routing(), receipt.pictureId());
    var put = pouch.put(company, cheque, known, written, actor);
    if (sold) {
      entries.entry(put.id()).sold();
      put.soldIn(receipt.takingsId());
    }
  }
}
