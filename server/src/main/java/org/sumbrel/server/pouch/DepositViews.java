package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.deposit.DepositMatch;
import org.sumbrel.formats.deposit.DepositSlip;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.pouch.DepositEntity.Status;
import org.sumbrel.server.pouch.PouchViews.HeldView;

/** How deposits are shown, and what may explain them. */
@Service
@Transactional(readOnly = true)
class DepositViews {

  private static final Set<Status> CURRENT = EnumSet.of(Status.OPEN, Status.MADE);
  private static final Set<Status> ALL = EnumSet.of(Status.OPEN, Status.MADE, Status.TIED);

  private final DepositRepository repository;
  private final ReceiptRepository receipts;
  private final Deposits deposits;
  private final PouchViews pouch;
  private final Entries entries;
  private final Companies companies;
  private final BankAccounts bankAccounts;

  DepositViews(
      DepositRepository repository,
      ReceiptRepository receipts,
      Deposits deposits,
      PouchViews pouch,
      Entries entries,
      Companies companies,
      BankAccounts bankAccounts) {
    this.repository = repository;
    this.receipts = receipts;
    this.deposits = deposits;
    this.pouch = pouch;
    this.entries = entries;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
  }

  record DepositBrief(
      @NotNull Long id,
      @NotNull LocalDate on,
      @NotNull String slip,
      @NotNull String bankAccount,
      @NotNull Status status,
      @NotNull int receipts,
      @NotNull MoneyView total,
      @NotNull @Schema(description = "what the bank has not shown of it") MoneyView left,
      @Schema(description = "the payout that was sent so; null where people brought it")
          Long payoutId) {}

  record DepositLineView(
      @NotNull DepositLine.Kind kind,
      @NotNull MoneyView amount,
      Long ledgerAccountId,
      @NotNull String words) {}

  record CountedView(@NotNull MoneyView piece, @NotNull int pieces) {}

  record EntryBrief(
      @NotNull Long entryId,
      @NotNull LocalDate bookedOn,
      @NotNull String text,
      @NotNull MoneyView amount) {}

  record DepositView(
      @NotNull Long id,
      @NotNull Long bankAccountId,
      @NotNull String bankAccount,
      @NotNull LocalDate on,
      @NotNull String slip,
      @NotNull Status status,
      @NotNull MoneyView total,
      @NotNull MoneyView receiptTotal,
      @NotNull MoneyView cash,
      @NotNull MoneyView left,
      @NotNull List<HeldView> receipts,
      @NotNull List<DepositLineView> lines,
      @NotNull List<CountedView> counted,
      @NotNull @Schema(description = "entries of the bank, with what each shows of this deposit")
          List<EntryBrief> shown,
      @NotNull String madeBy,
      @Schema(description = "the payout that a processor sent with it; null where there is none")
          Long payoutId,
      @NotNull Long version) {}

  record FixView(
      @NotNull DepositMatch.Fix.What what,
      @NotNull List<Long> receiptIds,
      DepositLineView line,
      @NotNull String says) {}

  record MatchView(
      @NotNull DepositMatch.Kind kind,
      @NotNull List<DepositBrief> deposits,
      @NotNull List<EntryBrief> entries,
      @NotNull @Schema(description = "receipts in the pouch that make exactly the amount")
          List<HeldView> receipts,
      @NotNull @Schema(description = "what the bank shows more (positive) or less") MoneyView gap,
      @NotNull List<String> reasons,
      @NotNull List<FixView> fixes) {}

  List<DepositBrief> list(Long company, CurrencyUnit currency, boolean tied) {
    return briefly(repository.those(company, currency.getCode(), tied ? ALL : CURRENT));
  }

  private List<DepositBrief> briefly(List<DepositEntity> some) {
    var counts =
        some.isEmpty()
            ? Map.<Long, Long>of()
            : receipts
                .findByCompanyIdAndDepositIdIn(
                    some.get(0).companyId(), some.stream().map(DepositEntity::id).toList())
                .stream()
                .collect(Collectors.groupingBy(ReceiptEntity::depositId, Collectors.counting()));
    return some.stream()
        .map(
            d ->
                new DepositBrief(
                    d.id(),
                    d.bankedOn(),
                    d.slip(),
                    bankAccounts.account(d.bankAccountId()).name(),
                    d.status(),
                    counts.getOrDefault(d.id(), 0L).intValue(),
                    MoneyView.of(d.total()),
                    MoneyView.of(d.left()),
                    d.payoutId()))
        .toList();
  }

  DepositView one(Long id) {
    var deposit = deposits.deposit(id);
    var whole = deposits.toDeposit(deposit);
    var rows =
        entries.all(deposit.shown().stream().map(DepositEntity.Shown::entryId).toList()).stream()
            .collect(Collectors.toMap(BankEntryEntity::id, Function.identity()));
    return new DepositView(
        id,
        deposit.bankAccountId(),
        bankAccounts.account(deposit.bankAccountId()).name(),
        deposit.bankedOn(),
        deposit.slip(),
        deposit.status(),
        MoneyView.of(whole.total()),
        MoneyView.of(whole.receiptTotal()),
        MoneyView.of(whole.cash()),
        MoneyView.of(deposit.left()),
        pouch.ofDeposit(id),
        whole.lines().stream().map(DepositViews::line).toList(),
        deposit.count().pieces().entrySet().stream()
            .map(e -> new CountedView(MoneyView.of(e.getKey()), e.getValue()))
            .toList(),
        deposit.shown().stream()
            .map(
                s ->
                    entry(
                        rows.get(s.entryId()), Money.ofMinor(deposit.currency(), s.amountMinor())))
            .toList(),
        deposit.madeBy(),
        deposit.payoutId(),
        deposit.version());
  }

  private static DepositLineView line(DepositLine line) {
    return new DepositLineView(
        line.kind(),
        MoneyView.of(line.amount()),
        line.accountId().map(Long::valueOf).orElse(null),
        line.words());
  }

  private static EntryBrief entry(BankEntryEntity entry, Money amount) {
    var text = (entry.payerName() + " " + entry.remittance()).strip();
    return new EntryBrief(entry.id(), entry.bookedOn(), text, MoneyView.of(amount));
  }

  List<MatchView> matches(List<DepositMatch> matches) {
    return matches.stream().map(this::match).toList();
  }

  private MatchView match(DepositMatch match) {
    return new MatchView(
        match.kind(),
        briefly(match.depositIds().stream().map(Long::valueOf).map(deposits::deposit).toList()),
        match.entryIds().stream()
            .map(Long::valueOf)
            .map(entries::entry)
            .map(e -> entry(e, e.amount()))
            .toList(),
        match.receiptIds().stream().map(Long::valueOf).map(pouch::one).toList(),
        MoneyView.of(match.gap()),
        match.reasons(),
        match.fixes().stream()
            .map(
                f ->
                    new FixView(
                        f.what(),
                        f.receiptIds().stream().map(Long::valueOf).toList(),
                        f.line().map(DepositViews::line).orElse(null),
                        f.says()))
            .toList());
  }

  DepositSlip slip(Long id) {
    var deposit = deposits.deposit(id);
    var account = bankAccounts.account(deposit.bankAccountId());
    return new DepositSlip(
        companies.company(deposit.companyId()).name(),
        account.bank() + ", " + account.name() + ", " + account.number(),
        deposit.slip(),
        deposits.toDeposit(deposit),
        deposit.count());
  }
}
