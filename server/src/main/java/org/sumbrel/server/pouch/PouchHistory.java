package org.sumbrel.server.pouch;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.settle.ReceiptSettling;

/** Puts receipts and deposits into books that are set up with a past, through the same rules. */
@Service
@Transactional
public class PouchHistory {

  private final Pouch pouch;
  private final TillReports tills;
  private final ReceiptRepository receipts;
  private final Deposits deposits;
  private final ReceiptSettling settling;

  PouchHistory(
      Pouch pouch,
      TillReports tills,
      ReceiptRepository receipts,
      Deposits deposits,
      ReceiptSettling settling) {
    this.pouch = pouch;
    this.tills = tills;
    this.receipts = receipts;
    this.deposits = deposits;
    this.settling = settling;
  }

  /**
   * A cheque that pays these items to the cent.
   *
   * @param heldUntil the date of one that is dated ahead; else null
   * @return its id
   */
  public Long cheque(
      Long company,
      LocalDate on,
      String number,
      Long customerId,
      Money amount,
      List<Long> itemIds,
      LocalDate heldUntil,
      Actor actor) {
    var id =
        pouch.record(
            company,
            new RecordReceipt(
                PaidBy.CHEQUE,
                on,
                MoneyView.of(amount),
                "",
                customerId,
                number,
                "",
                "",
                "",
                heldUntil,
                null,
                itemIds,
                false),
            actor);
    settling.inFull(id, itemIds, actor).orElseThrow();
    return id;
  }

  /**
   * A day of a till.
   *
   * @param taxCode the tax in what was sold
   * @param tillCash the cash by the till
   * @param counted the cash as it was counted
   * @param cards what was paid by card; zero where nothing was
   * @return the ids of its receipts: the cash, and the cards where there were any
   */
  public List<Long> till(
      Long company,
      LocalDate on,
      String name,
      String taxCode,
      Money tillCash,
      Money counted,
      Money cards,
      Actor actor) {
    var cash = new RecordTakings.PaidSent(PaidBy.CASH, MoneyView.of(counted), "", "");
    var card = new RecordTakings.PaidSent(PaidBy.CARD, MoneyView.of(cards), "118", "");
    var sold = new RecordTakings.SaleSent(MoneyView.of(tillCash.plus(cards)), null, taxCode, null);
    var id =
        tills.record(
            company,
            new RecordTakings(
                on,
                name,
                List.of(sold),
                MoneyView.of(tillCash),
                cards.isPositive() ? List.of(cash, card) : List.of(cash)),
            actor);
    return receipts.findByTakingsIdOrderById(id).stream().map(ReceiptEntity::id).toList();
  }

  /** A deposit of these receipts, on its way to the bank. */
  public void deposit(
      Long company, Long bankAccountId, LocalDate on, String slip, List<Long> ids, Actor actor) {
    deposits.make(
        company,
        new MakeDeposit(bankAccountId, on, slip, ids, List.of(), List.of(), null, null),
        actor);
  }
}
