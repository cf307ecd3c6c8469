package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.payout.Join;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.core.payout.PayoutStep;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.journal.JournalController.LineView;
import org.sumbrel.server.payouts.JoinText.Kind;
import org.sumbrel.server.pouch.PaidOut;

/** How payouts and their items are shown. */
@Service
@Transactional(readOnly = true)
class PayoutViews {

  private final PayoutItems items;
  private final Processors processors;
  private final PayoutConcerns concerns;
  private final PayoutPosting posting;
  private final PayoutJobs jobs;
  private final JoinNames names;
  private final PaidOut paidOut;

  PayoutViews(
      PayoutItems items,
      Processors processors,
      PayoutConcerns concerns,
      PayoutPosting posting,
      PayoutJobs jobs,
      JoinNames names,
      PaidOut paidOut) {
    this.items = items;
    this.processors = processors;
    this.concerns = concerns;
    this.posting = posting;
    this.jobs = jobs;
    this.names = names;
    this.paidOut = paidOut;
  }

  record PayoutRow(
      @NotNull Long id,
      @NotNull String processor,
      @NotNull @Schema(description = "the processor's own number of it; may be empty")
          String number,
      @NotNull String words,
      LocalDate periodStart,
      LocalDate periodEnd,
      @NotNull LocalDate paidOn,
      @NotNull @Schema(description = "what its items come to") MoneyView net,
      @NotNull @Schema(description = "what was sent to the bank") MoneyView paidOut,
      @NotNull int items,
      @NotNull @Schema(description = "whether it contradicts itself and nobody has accepted that")
          boolean blocked,
      @Schema(description = "who booked it; null where nobody has") String postedBy) {}

  record StepView(
      @NotNull PayoutStep.Kind kind,
      @NotNull @Schema(description = "what it adds; negative for what it takes") MoneyView amount,
      @NotNull int items,
      @NotNull @Schema(description = "what it has come to with this step") MoneyView after) {}

  record PayoutAcceptance(@NotNull String by, @NotNull Instant acceptedAt, @NotNull String why) {}

  record JoinCount(@NotNull Kind kind, @NotNull int items, @NotNull MoneyView gross) {}

  record BankArrival(
      @NotNull Long depositId,
      @NotNull String slip,
      @NotNull String bankAccount,
      @NotNull @Schema(description = "whether the bank has shown it") boolean shown) {}

  @Schema(
      description =
          "net = the amounts of all steps; what of it is not sent stays with the processor")
  record PayoutView(
      @NotNull PayoutRow payout,
      @NotNull Long intakeId,
      @NotNull List<StepView> steps,
      @NotNull @Schema(description = "what of the net stays with the processor") MoneyView carried,
      @NotNull List<String> contradictions,
      @Schema(description = "who answers for what contradicts; null where nobody does yet")
          PayoutAcceptance accepted,
      @NotNull @Schema(description = "what the sales and what is taken back belong to")
          List<JoinCount> joins,
      Instant postedAt,
      Long settlementId,
      BankArrival arrival,
      @Schema(description = "how far it is being booked or taken back; null where it is not")
          PayoutJob job) {}

  record PayoutBookingView(
      @NotNull @Schema(description = "what booking writes, or wrote") List<LineView> lines,
      @Schema(description = "why it cannot be booked yet; null where it can") String refused) {}

  record PayoutJob(
      @NotNull PayoutJobs.Doing doing,
      @NotNull String by,
      @NotNull @Schema(description = "items so far; 0 while that is not known") long done,
      @NotNull @Schema(description = "items in all") long items,
      @Schema(description = "why nothing was done, where it ended so; else null") String refused) {

    static PayoutJob of(PayoutJobs.Progress progress) {
      return new PayoutJob(
          progress.doing(), progress.by(), progress.done(), progress.items(), progress.refused());
    }
  }

  record PayoutItemView(
      @NotNull Long id,
      @NotNull int line,
      @NotNull PayoutItemType type,
      @NotNull @Schema(description = "what the file calls it") String word,
      @NotNull String number,
      @NotNull String reference,
      LocalDate on,
      @NotNull MoneyView gross,
      @NotNull @Schema(description = "what is kept; negative where it comes back") MoneyView fee,
      @NotNull MoneyView net,
      @NotNull String method,
      @NotNull String payer,
      @NotNull String words,
      @NotNull JoinNames.JoinView join,
      @NotNull List<JoinNames.JoinView> candidates,
      @NotNull @Schema(description = "why somebody is asked; else empty") String asked,
      @Schema(
              description =
                  "of a chargeback the invoice that its sale paid, of one that was won what it settles; null where none is known")
          JoinNames.JoinView concerns,
      String decidedBy) {}

  record PayoutItemPage(@NotNull List<PayoutItemView> rows, String next) {}

  record PairSide(
      @NotNull Long payoutId,
      @NotNull PayoutItemType type,
      @NotNull String reference,
      LocalDate on,
      @NotNull MoneyView gross,
      @NotNull @Schema(description = "what is kept; negative where it comes back") MoneyView fee) {}

  record SalePair(
      @NotNull PairSide sale,
      @NotNull @Schema(description = "what was taken back of it, and what was charged for that")
          List<PairSide> back,
      @NotNull @Schema(description = "what is left of the sale") MoneyView left,
      @NotNull @Schema(description = "what the processor kept of it all in the end")
          MoneyView kept) {}

  /** The sales that items of a payout are about, each beside what was taken back of it. */
  List<SalePair> pairs(PayoutEntity payout) {
    var ids =
        items.of(payout.id()).stream()
            .filter(i -> i.join() instanceof Join.ToSale)
            .map(i -> Long.valueOf(((Join.ToSale) i.join()).saleId()))
            .distinct()
            .toList();
    var about = new HashMap<Long, List<PayoutItemRow>>();
    for (var row : items.about(ids)) {
      about
          .computeIfAbsent(
              Long.valueOf(((Join.ToSale) row.join()).saleId()), id -> new ArrayList<>())
          .add(row);
    }
    return items.some(ids).stream()
        .map(sale -> pair(sale, about.get(sale.id()), payout.currency()))
        .toList();
  }

  private static SalePair pair(
      PayoutItemRow sale, List<PayoutItemRow> back, CurrencyUnit currency) {
    var all = new ArrayList<>(back);
    all.add(sale);
    return new SalePair(
        side(sale),
        back.stream().map(PayoutViews::side).toList(),
        MoneyView.of(MoneySum.of(currency, all, i -> i.item().gross())),
        MoneyView.of(MoneySum.of(currency, all, i -> i.item().fee())));
  }

  private static PairSide side(PayoutItemRow row) {
    var item = row.item();
    return new PairSide(
        row.payoutId(),
        item.type(),
        item.reference(),
        item.on().orElse(null),
        MoneyView.of(item.gross()),
        MoneyView.of(item.fee()));
  }

  PayoutRow row(PayoutEntity payout) {
    var processor = processors.processor(payout.processorId());
    return new PayoutRow(
        payout.id(),
        processor.name(),
        payout.number(),
        Payouts.words(payout, processor),
        payout.periodStart(),
        payout.periodEnd(),
        payout.paidOn(),
        MoneyView.of(payout.net()),
        MoneyView.of(payout.paidOut()),
        payout.items(),
        payout.blocked(),
        payout.postedBy());
  }

  PayoutView view(PayoutEntity payout) {
    var all = items.of(payout.id());
    var told = payout.toPayout("", all.stream().map(PayoutItemRow::item).toList());
    return new PayoutView(
        row(payout),
        payout.intakeId(),
        told.steps().stream()
            .map(
                s ->
                    new StepView(
                        s.kind(), MoneyView.of(s.amount()), s.items(), MoneyView.of(s.after())))
            .toList(),
        MoneyView.of(told.carried()),
        payout.contradictions().sentences(),
        payout.contradictions().acceptedBy() == null
            ? null
            : new PayoutAcceptance(
                payout.contradictions().acceptedBy(),
                payout.contradictions().acceptedAt(),
                payout.contradictions().acceptedWhy()),
        joins(payout, all),
        payout.postedAt(),
        payout.settlementId(),
        payout.depositId() == null ? null : arrival(paidOut.arrival(payout.depositId())),
        jobs.of(payout.id()).map(PayoutJob::of).orElse(null));
  }

  PayoutBookingView booking(PayoutEntity payout, boolean eachSale) {
    var preview = posting.preview(payout, eachSale);
    return new PayoutBookingView(preview.lines(), preview.refused());
  }

  private static BankArrival arrival(PaidOut.Arrival arrival) {
    return new BankArrival(
        arrival.depositId(), arrival.slip(), arrival.bankAccount(), arrival.shown());
  }

  private static List<JoinCount> joins(PayoutEntity payout, List<PayoutItemRow> all) {
    var by = new EnumMap<Kind, List<Money>>(Kind.class);
    for (var one : all) {
      var kind = JoinText.of(one.join()).kind();
      if (kind != Kind.NOTHING) {
        by.computeIfAbsent(kind, k -> new ArrayList<>()).add(one.item().gross());
      }
    }
    return by.entrySet().stream()
        .map(
            e ->
                new JoinCount(
                    e.getKey(),
                    e.getValue().size(),
                    MoneyView.of(MoneySum.of(payout.currency(), e.getValue(), m -> m))))
        .toList();
  }

  /**
   * A page of the items of a payout, in the order of the file.
   *
   * @param types only these; all where empty
   * @param kinds only what belongs to these; all where empty
   * @param withFee only those of which something is kept or comes back
   * @param skip how many are before it
   */
  PayoutItemPage items(
      PayoutEntity payout,
      List<PayoutItemType> types,
      List<Kind> kinds,
      boolean withFee,
      int skip,
      int most) {
    var fitting =
        items.of(payout.id()).stream()
            .filter(i -> types.isEmpty() || types.contains(i.item().type()))
            .filter(i -> kinds.isEmpty() || kinds.contains(JoinText.of(i.join()).kind()))
            .filter(i -> !withFee || !i.item().fee().isZero())
            .skip(skip)
            .limit(most + 1L)
            .toList();
    var page = fitting.stream().limit(most).toList();
    var names = this.names.of(page, concerns.of(page));
    return new PayoutItemPage(
        page.stream().map(i -> view(i, names)).toList(),
        fitting.size() > most ? Integer.toString(skip + most) : null);
  }

  private static PayoutItemView view(PayoutItemRow row, JoinNames.Page names) {
    var item = row.item();
    return new PayoutItemView(
        row.id(),
        item.line(),
        item.type(),
        item.word(),
        item.id(),
        item.reference(),
        item.on().orElse(null),
        MoneyView.of(item.gross()),
        MoneyView.of(item.fee()),
        MoneyView.of(item.net()),
        item.method(),
        item.payer(),
        item.text(),
        names.of(row.join()),
        row.join() instanceof Join.Asked asked
            ? asked.candidates().stream().map(names::of).toList()
            : List.of(),
        JoinText.why(row.join()),
        names.concerned(row.id()),
        row.decidedBy());
  }
}
