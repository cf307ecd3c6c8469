package org.sumbrel.server.lockbox;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.lockbox.BatchTotals;
import org.sumbrel.core.lockbox.ChequeState;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.EntryRows;
import org.sumbrel.server.desk.EntryRows.EntryRow;
import org.sumbrel.server.lockbox.BatchSheets.Cheque;
import org.sumbrel.server.lockbox.BatchSheets.Sheet;
import org.sumbrel.server.pouch.MailedCheques;

/** How batches and their cheques are shown. */
@Service
@Transactional(readOnly = true)
class BatchViews {

  private final BatchSheets sheets;
  private final Entries entries;
  private final EntryRows rows;
  private final MailedCheques mailed;
  private final BankAccounts bankAccounts;
  private final CompanyPolicies policies;

  BatchViews(
      BatchSheets sheets,
      Entries entries,
      EntryRows rows,
      MailedCheques mailed,
      BankAccounts bankAccounts,
      CompanyPolicies policies) {
    this.sheets = sheets;
    this.entries = entries;
    this.rows = rows;
    this.mailed = mailed;
    this.bankAccounts = bankAccounts;
    this.policies = policies;
  }

  /** What of a batch is asked for. */
  enum Show {
    ALL,
    /** What leaves something, of the cheque or of an item, or whose slip says another sum. */
    BALANCE_LEFT,
    /** What nothing accounts for yet. */
    UNEXPLAINED,
    /** What somebody changed. */
    BY_HAND;

    boolean holds(Cheque cheque) {
      return switch (this) {
        case ALL -> true;
        case BALANCE_LEFT ->
            cheque.state() != ChequeState.POSTED
                && (cheque.state() == ChequeState.SHORT
                    || cheque.byHand() && !cheque.use().left().isZero()
                    || !cheque.beyondItems().isZero());
        case UNEXPLAINED ->
            cheque.state() == ChequeState.UNEXPLAINED || cheque.state() == ChequeState.UNDECIDED;
        case BY_HAND -> cheque.byHand();
      };
    }
  }

  record BatchRow(
      @NotNull Long id,
      @NotNull String number,
      @NotNull String lockbox,
      @NotNull String bankAccount,
      @NotNull LocalDate depositedOn,
      @NotNull int cheques,
      @NotNull MoneyView total,
      @NotNull @Schema(description = "whether it contradicts itself and nobody has accepted that")
          boolean blocked,
      @NotNull int posted,
      @NotNull @Schema(description = "what is not posted yet") MoneyView waiting) {}

  @Schema(
      description =
          "control = applied + onAccount + differences + toAccounts + left, to the cent; what is posted, drafted or clear counts as explained")
  record BatchTotalsView(
      @NotNull int cheques,
      @NotNull MoneyView control,
      @NotNull @Schema(description = "how many documents the slips name") int items,
      @NotNull MoneyView itemTotal,
      @NotNull @Schema(description = "what items' balances fall by") MoneyView applied,
      @NotNull MoneyView onAccount,
      @NotNull
          @Schema(description = "discounts, write-offs, fees, claims; negative where we got less")
          MoneyView differences,
      @NotNull @Schema(description = "promised back, or to accounts of the ledger")
          MoneyView toAccounts,
      @NotNull @Schema(description = "what nobody has explained yet") MoneyView left) {}

  record ChequeGroup(@NotNull ChequeState state, @NotNull int cheques, @NotNull MoneyView amount) {}

  @Schema(description = "so many cheques, and what they come to")
  record ChequeSum(@NotNull int cheques, @NotNull MoneyView amount) {}

  record Acceptance(@NotNull String by, @NotNull Instant acceptedAt, @NotNull String why) {}

  record BatchView(
      @NotNull BatchRow batch,
      @NotNull Long bankAccountId,
      @NotNull Long intakeId,
      @Schema(description = "how many cheques the bank's file claims") Integer claimedCheques,
      @Schema(description = "what the bank's file claims they come to") MoneyView claimedTotal,
      @NotNull List<String> contradictions,
      @Schema(description = "who answers for what contradicts; null where nobody does yet")
          Acceptance accepted,
      @NotNull BatchTotalsView totals,
      @NotNull @Schema(description = "what is left to do first") List<ChequeGroup> groups,
      @NotNull @Schema(description = "what whoever asks would post now") ChequeSum ready,
      @NotNull
          @Schema(
              description = "what would stay in the batch: not explained, or a colleague's draft")
          ChequeSum staying,
      @Schema(description = "null while it waits to be accepted") Long depositId,
      String slip,
      @NotNull @Schema(description = "whether the bank has shown the deposit") boolean shown,
      @NotNull @Schema(description = "whether a second person must release its runs")
          boolean needsRelease) {}

  record ChequeRow(
      @NotNull EntryRow entry,
      @NotNull @Schema(description = "its number in the batch") String item,
      @NotNull String chequeNumber,
      @NotNull ChequeState state,
      @NotNull @Schema(description = "what is posted or drafted of it, or stands clear")
          MoneyView explained,
      @NotNull MoneyView left,
      @NotNull @Schema(description = "how many documents its slip names") int items,
      @NotNull @Schema(description = "what the cheque is more than its slip says; negative if less")
          MoneyView beyondItems,
      @NotNull boolean byHand,
      @NotNull @Schema(description = "who holds its draft or posted it; or nothing") String by,
      Long settlementId) {}

  record ChequePage(@NotNull List<ChequeRow> rows, String next) {}

  BatchRow row(LockboxBatchEntity batch) {
    var posted = sheets.posted(batch);
    return new BatchRow(
        batch.id(),
        batch.number(),
        batch.lockbox(),
        bankAccounts.account(batch.bankAccountId()).name(),
        batch.depositedOn(),
        batch.cheques(),
        MoneyView.of(batch.total()),
        batch.blocked(),
        posted.cheques(),
        MoneyView.of(batch.total().minus(posted.amount())));
  }

  /**
   * A batch as it stands.
   *
   * @param who looks at it
   */
  BatchView view(LockboxBatchEntity batch, String who) {
    var sheet = sheets.of(batch);
    var banked = batch.depositId() == null ? null : mailed.banked(batch.depositId());
    return new BatchView(
        row(batch),
        batch.bankAccountId(),
        batch.intakeId(),
        batch.claimedCheques().orElse(null),
        batch.claimedTotal().map(MoneyView::of).orElse(null),
        batch.contradictions().sentences(),
        batch.contradictions().acceptedBy() == null
            ? null
            : new Acceptance(
                batch.contradictions().acceptedBy(),
                batch.contradictions().acceptedAt(),
                batch.contradictions().acceptedWhy()),
        totals(sheet),
        Arrays.stream(ChequeState.values())
            .map(state -> group(state, sum(sheet, c -> c.state() == state)))
            .filter(g -> g.cheques() > 0)
            .toList(),
        sum(sheet, c -> c.readyFor(who)),
        sum(sheet, c -> c.staysFor(who)),
        batch.depositId(),
        banked == null ? null : banked.slip(),
        banked != null && banked.shown(),
        policies.batchesReleased(batch.companyId(), batch.currency()));
  }

  private static BatchTotalsView totals(Sheet sheet) {
    BatchTotals totals = sheet.totals();
    return new BatchTotalsView(
        totals.cheques(),
        MoneyView.of(totals.control()),
        sheet.cheques().stream().mapToInt(Cheque::items).sum(),
        MoneyView.of(MoneySum.of(sheet.currency(), sheet.cheques(), Cheque::itemTotal)),
        MoneyView.of(totals.applied()),
        MoneyView.of(totals.onAccount()),
        MoneyView.of(totals.differences()),
        MoneyView.of(totals.toAccounts()),
        MoneyView.of(totals.left()));
  }

  private static ChequeGroup group(ChequeState state, ChequeSum sum) {
    return new ChequeGroup(state, sum.cheques(), sum.amount());
  }

  private static ChequeSum sum(Sheet sheet, Predicate<Cheque> which) {
    var some = sheet.cheques().stream().filter(which).toList();
    return new ChequeSum(
        some.size(), MoneyView.of(MoneySum.of(sheet.currency(), some, c -> c.use().amount())));
  }

  /** What the mail room needs to know of a cheque to find its picture. */
  MailRoomPictures.Asked asked(LockboxBatchEntity batch, Long entryId) {
    var cheque = mailed.cheque(entryId);
    var face = cheque.face();
    return new MailRoomPictures.Asked(
        batch.companyId(),
        batch.lockbox(),
        batch.depositedOn(),
        batch.number(),
        cheque.item(),
        cheque.from(),
        face.amount(),
        face.routing(),
        face.account(),
        face.number());
  }

  /** The cheques that somebody would post as they are. */
  List<Long> ready(LockboxBatchEntity batch, String who) {
    return sheets.of(batch).cheques().stream()
        .filter(c -> c.readyFor(who))
        .map(Cheque::entryId)
        .toList();
  }

  /**
   * A page of the cheques of a batch.
   *
   * @param skip how many are before it
   */
  ChequePage cheques(
      LockboxBatchEntity batch, Show show, List<ChequeState> states, int skip, int most) {
    var fitting =
        sheets.of(batch).cheques().stream()
            .filter(show::holds)
            .filter(c -> states.isEmpty() || states.contains(c.state()))
            .skip(skip)
            .limit(most + 1L)
            .toList();
    var page = fitting.stream().limit(most).toList();
    var found =
        rows.of(entries.all(page.stream().map(Cheque::entryId).toList())).stream()
            .collect(Collectors.toMap(EntryRow::id, Function.identity()));
    return new ChequePage(
        page.stream().map(c -> chequeRow(c, found.get(c.entryId()))).toList(),
        fitting.size() > most ? Integer.toString(skip + most) : null);
  }

  private static ChequeRow chequeRow(Cheque cheque, EntryRow entry) {
    return new ChequeRow(
        entry,
        cheque.item(),
        cheque.number(),
        cheque.state(),
        MoneyView.of(cheque.use().explained()),
        MoneyView.of(cheque.use().left()),
        cheque.items(),
        MoneyView.of(cheque.beyondItems()),
        cheque.byHand(),
        cheque.by(),
        cheque.settlementId());
  }
}
