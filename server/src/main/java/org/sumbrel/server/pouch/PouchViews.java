package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.settle.ReceiptSettling;

/** How receipts are shown. */
@Service
@Transactional(readOnly = true)
class PouchViews {

  private final ReceiptRepository receipts;
  private final Pouch pouch;
  private final Entries entries;
  private final ReceiptSettling settling;
  private final Journal journal;
  private final Clock clock;

  PouchViews(
      ReceiptRepository receipts,
      Pouch pouch,
      Entries entries,
      ReceiptSettling settling,
      Journal journal,
      Clock clock) {
    this.receipts = receipts;
    this.pouch = pouch;
    this.entries = entries;
    this.settling = settling;
    this.journal = journal;
    this.clock = clock;
  }

  record HeldView(
      @NotNull @Schema(description = "also the id of the entry as which it waits") Long id,
      @NotNull PaidBy method,
      @NotNull String name,
      @NotNull String from,
      @NotNull String reference,
      @NotNull LocalDate receivedOn,
      @NotNull long days,
      @Schema(description = "the date of a post-dated cheque that has not come")
          LocalDate heldUntil,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "WAITING, SETTLED, SOLD or SHELVED") String status,
      Long settlementId,
      @NotNull @Schema(description = "numbers of what it pays") List<String> pays,
      @NotNull String recordedBy,
      Long depositId,
      @Schema(description = "the takings it is part of, where it was for a sale on the spot")
          Long takingsId,
      @Schema(description = "where there is a picture of it") Long pictureId,
      @Schema(description = "the lockbox batch whose cheque it is") Long lockboxBatchId) {}

  record MethodSum(@NotNull PaidBy method, @NotNull int receipts, @NotNull MoneyView amount) {}

  record DaySum(
      @NotNull LocalDate receivedOn,
      @NotNull long days,
      @NotNull int receipts,
      @NotNull MoneyView amount) {}

  record PouchView(
      @NotNull List<HeldView> receipts,
      @NotNull List<MethodSum> byMethod,
      @NotNull @Schema(description = "the oldest first") List<DaySum> byDay,
      @NotNull @Schema(description = "what is to be carried to a bank: all but cards")
          MoneyView onHand,
      @NotNull
          @Schema(
              description =
                  "cheques of lockbox batches that wait for a supervisor; on hand in the books, in nobody's hands here")
          MoneyView inMailRoom,
      @NotNull
          @Schema(
              description = "what the books say is on hand; always onHand and inMailRoom together")
          MoneyView inBooks) {}

  HeldView one(Long id) {
    return of(List.of(pouch.receipt(id))).get(0);
  }

  PouchView pouch(Long company, CurrencyUnit currency) {
    var inPouch = pouch.inPouch(company, currency);
    var carried = inPouch.stream().filter(r -> r.toHeld().method() != PaidBy.CARD).toList();
    return new PouchView(
        of(inPouch),
        byMethod(inPouch, currency),
        byDay(inPouch, currency),
        MoneyView.of(MoneySum.of(currency, carried, ReceiptEntity::amount)),
        sum(receipts.inMailRoom(company, currency.getCode()), currency),
        MoneyView.of(journal.balance(company, AccountRole.RECEIPTS_ON_HAND, currency)));
  }

  private static List<MethodSum> byMethod(List<ReceiptEntity> some, CurrencyUnit currency) {
    var methods = new EnumMap<PaidBy, List<ReceiptEntity>>(PaidBy.class);
    some.forEach(r -> methods.computeIfAbsent(r.toHeld().method(), m -> new ArrayList<>()).add(r));
    return methods.entrySet().stream()
        .map(m -> new MethodSum(m.getKey(), m.getValue().size(), sum(m.getValue(), currency)))
        .toList();
  }

  private List<DaySum> byDay(List<ReceiptEntity> some, CurrencyUnit currency) {
    var today = LocalDate.now(clock);
    var days = new TreeMap<LocalDate, List<ReceiptEntity>>();
    some.forEach(r -> days.computeIfAbsent(r.toHeld().receivedOn(), d -> new ArrayList<>()).add(r));
    return days.entrySet().stream()
        .map(
            d ->
                new DaySum(
                    d.getKey(),
                    ChronoUnit.DAYS.between(d.getKey(), today),
                    d.getValue().size(),
                    sum(d.getValue(), currency)))
        .toList();
  }

  private static MoneyView sum(List<ReceiptEntity> some, CurrencyUnit currency) {
    return MoneyView.of(MoneySum.of(currency, some, ReceiptEntity::amount));
  }

  /** How some takings were paid: receipt by receipt, and by method. */
  record PaidView(List<HeldView> receipts, List<MethodSum> byMethod) {}

  /** How these takings were paid, by their id. */
  Map<Long, PaidView> ofTakings(Collection<Long> takingsIds, CurrencyUnit currency) {
    var rows = receipts.findByTakingsIdInOrderById(takingsIds);
    var views = of(rows).stream().collect(Collectors.toMap(HeldView::id, Function.identity()));
    return rows.stream()
        .collect(
            Collectors.groupingBy(
                ReceiptEntity::takingsId,
                Collectors.collectingAndThen(
                    Collectors.toList(),
                    those ->
                        new PaidView(
                            those.stream().map(r -> views.get(r.id())).toList(),
                            byMethod(those, currency)))));
  }

  List<HeldView> ofDeposit(Long depositId) {
    return of(receipts.findByDepositIdOrderById(depositId));
  }

  private List<HeldView> of(Collection<ReceiptEntity> some) {
    var ids = some.stream().map(ReceiptEntity::id).toList();
    var rows =
        entries.all(ids).stream()
            .collect(Collectors.toMap(BankEntryEntity::id, Function.identity()));
    var settled = settling.settledWith(ids);
    var today = LocalDate.now(clock);
    var views = new ArrayList<HeldView>();
    for (var receipt : some) {
      var held = receipt.toHeld();
      var with = settled.get(receipt.id());
      views.add(
          new HeldView(
              receipt.id(),
              held.method(),
              held.name(),
              held.from(),
              held.reference(),
              held.receivedOn(),
              ChronoUnit.DAYS.between(held.receivedOn(), today),
              held.heldUntil().filter(today::isBefore).orElse(null),
              MoneyView.of(held.amount()),
              rows.get(receipt.id()).status().name(),
              with == null ? null : with.settlementId(),
              with == null ? List.of() : with.numbers(),
              receipt.recordedBy(),
              receipt.depositId(),
              receipt.takingsId(),
              receipt.pictureId(),
              receipt.lockboxBatchId()));
    }
    return views;
  }
}
