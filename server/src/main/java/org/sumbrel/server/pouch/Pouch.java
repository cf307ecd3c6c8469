package org.sumbrel.server.pouch;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
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
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.BankEntryEntity.Status;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;

/** What is in the office and not at the bank yet. */
@Service
@Transactional
class Pouch {

  private final ReceiptRepository receipts;
  private final Companies companies;
  private final Customers customers;
  private final Entries entries;
  private final Proposals proposals;
  private final Journal journal;
  private final Clock clock;

  Pouch(
      ReceiptRepository receipts,
      Companies companies,
      Customers customers,
      Entries entries,
      Proposals proposals,
      Journal journal,
      Clock clock) {
    this.receipts = receipts;
    this.companies = companies;
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
    var today = LocalDate.now(clock);
    var amount = call.amount().toMoney();
    if (!amount.isPositive()) {
      throw new BadRequest("A receipt is of an amount above zero, not " + amount.getAmount() + ".");
    }
    if (call.receivedOn().isAfter(today)) {
      throw new BadRequest(
          "It cannot have been received on "
              + DayText.of(call.receivedOn())
              + ", which is after today, "
              + DayText.of(today)
              + ".");
    }
    var routing = text(call.routing());
    if (!routing.isEmpty()) {
      requireRouting(routing);
    }
    var from =
        text(call.from()).isEmpty() && call.customerId() != null
            ? customers.customer(company, call.customerId()).name()
            : text(call.from());
    var held =
        call.heldUntil() != null && call.heldUntil().isAfter(call.receivedOn())
            ? java.util.Optional.of(call.heldUntil())
            : java.util.Optional.<LocalDate>empty();
    if (held.isPresent() && call.method() != PaidBy.CHEQUE) {
      throw new BadRequest("Only a cheque can be dated ahead.");
    }
    var pouch = companies.pouch(company, amount.getCurrencyUnit());
    var named = from.isEmpty() ? "Nobody named" : from;
    var before =
        new HeldReceipt(
            "new", call.method(), call.receivedOn(), amount, named, text(call.reference()), held);
    if (!Boolean.TRUE.equals(call.again())) {
      requireNew(company, before);
    }
    var entry =
        entries.receive(
            pouch.id(),
            "receipt:" + UUID.randomUUID(),
            new Receipt(
                "new",
                company.toString(),
                call.receivedOn(),
                amount,
                from,
                text(call.drawerAccount()),
                text(call.text())),
            call.method() == PaidBy.CHEQUE ? text(call.reference()) : "");
    var written =
        journal.write(
            DepositPosting.recorded(company.toString(), before), null, actor.name(), null);
    receipts.save(
        new ReceiptEntity(
            entry.id(), company, before, routing, written, actor.name(), clock.instant()));
    proposals.mark(company);
    return entry.id();
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
    if (receipt.method() != PaidBy.CHEQUE || receipt.reference().isEmpty()) {
      return;
    }
    receipts
        .alike(company, PaidBy.CHEQUE, receipt.reference(), receipt.amount().getAmountMinorLong())
        .stream()
        .filter(r -> r.toHeld().from().equalsIgnoreCase(receipt.from()))
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
    if (receipt.depositId() != null) {
      throw new Conflict(
          "BANKED",
          receipt.toHeld().name()
              + " is in deposit "
              + receipt.depositId()
              + "; open that again first.");
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
