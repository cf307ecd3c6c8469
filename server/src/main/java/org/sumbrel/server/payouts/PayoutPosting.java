package org.sumbrel.server.payouts;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.Join;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutBooking;
import org.sumbrel.core.payout.PayoutBooking.Joined;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.core.payout.PayoutRefused;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.JournalController.LineView;
import org.sumbrel.server.pouch.PaidOut;
import org.sumbrel.server.settle.ReportedSettlements;
import org.sumbrel.server.settle.ReportedSettlements.Origin;

/** Books payouts and takes them back, each as a whole. */
@Service
@Transactional
class PayoutPosting {

  private final Payouts payouts;
  private final PayoutItems items;
  private final Processors processors;
  private final PayoutConcerns concerns;
  private final Customers customers;
  private final BankAccounts bankAccounts;
  private final ReportedSettlements settlements;
  private final PaidOut paidOut;
  private final Proposals proposals;
  private final Clock clock;

  PayoutPosting(
      Payouts payouts,
      PayoutItems items,
      Processors processors,
      PayoutConcerns concerns,
      Customers customers,
      BankAccounts bankAccounts,
      ReportedSettlements settlements,
      PaidOut paidOut,
      Proposals proposals,
      Clock clock) {
    this.payouts = payouts;
    this.items = items;
    this.processors = processors;
    this.concerns = concerns;
    this.customers = customers;
    this.bankAccounts = bankAccounts;
    this.settlements = settlements;
    this.paidOut = paidOut;
    this.proposals = proposals;
    this.clock = clock;
  }

  private record Assembled(
      PayoutBooking booking, Payout payout, Map<Long, OpenItemEntity> items, Origin origin) {

    boolean writes() {
      return !booking.draft().applications().isEmpty() || !booking.draft().adjustments().isEmpty();
    }
  }

  /** What booking would write; or why it cannot be booked yet. */
  record Preview(List<LineView> lines, String refused) {}

  /** What booking would write; what it wrote where that is done. */
  @Transactional(readOnly = true)
  public Preview preview(PayoutEntity row, boolean eachSale) {
    if (row.posted()) {
      return new Preview(
          row.settlementId() == null ? List.of() : settlements.written(row.settlementId()), null);
    }
    try {
      var assembled = assemble(row, eachSale);
      return new Preview(
          assembled.writes()
              ? settlements.preview(assembled.booking().draft(), assembled.origin())
              : List.of(),
          null);
    } catch (PayoutRefused | SettlementRefused e) {
      return new Preview(List.of(), e.getMessage());
    }
  }

  private Assembled assemble(PayoutEntity row, boolean eachSale) {
    var processor = processors.processor(row.processorId());
    var all = items.of(row.id());
    var concerned = concerns.of(all);
    var applied =
        all.stream()
            .filter(i -> i.join() instanceof Join.ToInvoice)
            .map(i -> Long.valueOf(((Join.ToInvoice) i.join()).itemId()))
            .collect(Collectors.toCollection(HashSet::new));
    applied.addAll(concerned.values());
    var found = new HashMap<Long, OpenItemEntity>();
    customers.itemsThere(row.companyId(), applied).forEach(i -> found.put(i.id(), i));
    applied.stream()
        .filter(id -> !found.containsKey(id))
        .findFirst()
        .ifPresent(
            id -> {
              throw new PayoutRefused(
                  "An item that is paid or opened again is not there any more; look again what the items belong to.");
            });
    var payout = row.toPayout(processor.name(), all.stream().map(PayoutItemRow::item).toList());
    var joined =
        all.stream()
            .filter(i -> i.item().type() != PayoutItemType.TRANSFER)
            .map(
                i ->
                    new Joined(
                        i.item(),
                        i.join(),
                        Optional.ofNullable(concerned.get(i.id())).map(Object::toString)))
            .toList();
    return new Assembled(
        PayoutBooking.of(
            row.companyId().toString(),
            payout,
            joined,
            id -> found.get(Long.valueOf(id)).toItem(),
            processors.accounts(processor),
            eachSale,
            LocalDate.now(clock)),
        payout,
        found,
        new Origin(row.id(), Payouts.words(row, processor)));
  }

  /**
   * Books a payout.
   *
   * @param bankAccountId to which the processor sends; null where nothing was sent
   * @param eachSale whether every new sale is written as a line of its own; else by day
   * @param watch is told now and then how many items are done
   * @throws PayoutRefused where something is not decided yet
   * @throws SettlementRefused where an invoice is not open with what a sale pays of it
   * @throws Conflict where it is booked, or one of its receipts is paid out already
   */
  void post(Long id, Long bankAccountId, boolean eachSale, Actor actor, LongConsumer watch) {
    var row = payouts.held(id);
    if (row.posted()) {
      throw new Conflict(
          "POSTED", "This payout was booked by " + row.postedBy() + " already; nothing was done.");
    }
    if (row.blocked()) {
      throw new BadRequest(
          "This payout contradicts itself: "
              + row.contradictions().sentences().get(0)
              + ". A supervisor has to accept that with a reason first.");
    }
    var assembled = assemble(row, eachSale);
    var beside = row.items() - (long) assembled.booking().draft().applications().size();
    watch.accept(beside);
    var settlement =
        assembled.writes()
            ? settlements.post(
                assembled.booking().draft(),
                assembled.items(),
                assembled.origin(),
                actor,
                settled -> watch.accept(beside + settled))
            : null;
    row.posted(
        settlement, bank(row, assembled, bankAccountId, actor), actor.name(), clock.instant());
    proposals.mark(row.companyId());
  }

  private Long bank(PayoutEntity row, Assembled assembled, Long bankAccountId, Actor actor) {
    if (!row.paidOut().isPositive()) {
      if (!assembled.booking().receiptIds().isEmpty()) {
        throw new PayoutRefused(
            "Nothing was sent with this payout, but receipts that are recorded belong to it; they would stay with the processor. Record them with the next one.");
      }
      return null;
    }
    if (bankAccountId == null) {
      throw new BadRequest("Say to which bank account the processor sent the money.");
    }
    var account = bankAccounts.account(bankAccountId);
    if (!account.currency().equals(row.currency().getCode())) {
      throw new BadRequest(
          "The payout is in "
              + row.currency()
              + ", "
              + account.name()
              + " is in "
              + account.currency()
              + ".");
    }
    var processor = processors.processor(row.processorId());
    var words = assembled.origin().words();
    return paidOut.make(
        row.companyId(),
        row.id(),
        bankAccountId,
        row.paidOn(),
        row.number().isEmpty() ? "PO" + row.id() : row.number(),
        assembled.booking().receiptIds().stream().map(Long::valueOf).toList(),
        assembled.booking().bankedLine(processor.clearingAccountId().toString(), words),
        actor);
  }

  /**
   * Takes a payout back; everything is as it was before it was booked.
   *
   * @throws Conflict where it is not booked, or the bank has shown its money
   * @throws SettlementRefused where something later depends on it
   */
  void reverse(Long id, String reason, Actor actor) {
    var row = payouts.held(id);
    if (!row.posted()) {
      throw new Conflict("NOT_POSTED", "This payout is not booked; there is nothing to take back.");
    }
    var words = Payouts.words(row, processors.processor(row.processorId()));
    if (row.depositId() != null) {
      paidOut.takeBack(row.depositId(), "Reversal of " + words + ": " + reason, actor);
    }
    if (row.settlementId() != null) {
      settlements.reverse(row.settlementId(), words + ": " + reason, actor);
    }
    row.reversed();
    proposals.mark(row.companyId());
  }
}
