package org.sumbrel.server.pouch;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;

/** What a processor sent: a deposit that nobody carried to the bank. */
@Service
@Transactional
public class PaidOut {

  private final Deposits deposits;
  private final DepositRepository rows;

  PaidOut(Deposits deposits, DepositRepository rows) {
    this.deposits = deposits;
    this.rows = rows;
  }

  /**
   * Makes the deposit of a payout.
   *
   * @param receiptIds what was recorded before and is paid out now
   * @param rest what else goes from the clearing account to the bank
   * @return its id
   * @throws Conflict where one of the receipts is in another deposit
   */
  public Long make(
      Long company,
      Long payoutId,
      Long bankAccountId,
      LocalDate on,
      String slip,
      List<Long> receiptIds,
      Optional<DepositLine> rest,
      Actor actor) {
    var lines =
        rest.stream()
            .map(
                line ->
                    new MakeDeposit.LineSent(
                        line.kind(),
                        MoneyView.of(line.amount()),
                        line.accountId().map(Long::valueOf).orElse(null),
                        line.words()))
            .toList();
    var id =
        deposits.make(
            company,
            new MakeDeposit(bankAccountId, on, slip, receiptIds, lines, List.of(), null, null),
            actor);
    deposits.deposit(id).paidOut(payoutId);
    return id;
  }

  /** How the bank shows a deposit. */
  public record Arrival(Long depositId, String slip, String bankAccount, boolean shown) {}

  /** What is known of a payout's deposit. */
  @Transactional(readOnly = true)
  public Arrival arrival(Long depositId) {
    var deposit = deposits.deposit(depositId);
    return new Arrival(
        depositId,
        deposit.slip(),
        deposits.accountName(deposit),
        deposit.status() == DepositEntity.Status.TIED);
  }

  /**
   * Takes a payout's deposit back.
   *
   * @throws Conflict where the bank has shown anything of it
   */
  public void takeBack(Long depositId, String why, Actor actor) {
    var deposit = deposits.deposit(depositId);
    if (!deposit.shown().isEmpty()) {
      throw new Conflict(
          "TIED",
          "The bank has shown deposit " + deposit.slip() + " of this payout; untie it first.");
    }
    deposits.takeBack(deposit, why, actor);
    rows.save(deposit);
  }
}
