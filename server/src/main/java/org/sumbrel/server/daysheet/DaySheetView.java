package org.sumbrel.server.daysheet;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.sumbrel.core.day.TimeToApply.Wait;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.books.DifferenceKind;

/** The day sheet as the API gives it. */
record DaySheetView(
    @NotNull LocalDate on,
    @NotNull @Schema(description = "whether the day is over") boolean past,
    @NotNull String currency,
    @NotNull SheetSum arrived,
    @NotNull SheetSum settled,
    @NotNull List<DayHour> hours,
    @NotNull @Schema(description = "the last fourteen days, this one last") List<DayTotal> days,
    @NotNull HandShare hands,
    @NotNull WaitingMoney waiting,
    @NotNull WaitedFor day,
    @NotNull @Schema(description = "of the thirty days that end with this one") WaitedFor month,
    @NotNull AgeingOfDay ageing,
    @NotNull OutstandingDays outstanding,
    @NotNull List<DifferenceSum> differences,
    @NotNull @Schema(description = "the first of the thirty days that end with this one")
        LocalDate monthFrom,
    @NotNull @Schema(description = "of the thirty days that end with this one")
        List<DifferenceSum> differencesOfMonth,
    @NotNull
        @Schema(
            description =
                "what each clerk still holds; empty for a past day, of which it is not kept")
        List<Holder> holders) {

  record SheetSum(@NotNull long count, @NotNull MoneyView amount) {}

  record DayHour(@NotNull int hour, @NotNull SheetSum arrived, @NotNull SheetSum settled) {}

  record DayTotal(@NotNull LocalDate on, @NotNull SheetSum arrived, @NotNull SheetSum settled) {}

  /** How a settlement came about. */
  enum Hand {
    /** Posted as it came, as clear under the policy. */
    UNATTENDED,
    /** Posted as it came by a house rule. */
    TREATMENT,
    /** Posted with all that was clear, after a look at the list. */
    CLEAR,
    /** An explanation that somebody took. */
    EXPLANATION,
    /** Put together by hand. */
    HAND
  }

  record HandSum(@NotNull Hand hand, @NotNull long count, @NotNull MoneyView amount) {}

  record HandShare(
      @NotNull @Schema(description = "posted as they came") long without,
      @NotNull long all,
      @Schema(description = "in per cent to one decimal; null where nothing was posted")
          BigDecimal percent,
      @NotNull List<HandSum> hands) {}

  record WaitingEntry(
      @NotNull Long entryId,
      @NotNull LocalDate bookedOn,
      @NotNull @Schema(description = "days since the bank booked it") long days,
      @NotNull String payer,
      @NotNull MoneyView amount) {}

  record WaitingMoney(
      @NotNull long count,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "at most five") List<WaitingEntry> oldest) {}

  record WaitedFor(
      @NotNull int receipts,
      @Schema(description = "days from the bank's booking to ours; null where nothing was settled")
          BigDecimal median,
      @NotNull Map<Wait, Integer> counts) {}

  record AgeingOfDay(
      @NotNull Map<Ageing.Bucket, MoneyView> amounts,
      @NotNull MoneyView total,
      @NotNull @Schema(description = "whether items and ledger agree at the end of the day")
          boolean agrees) {}

  record OutstandingAt(
      @NotNull LocalDate on,
      @Schema(
              description =
                  "receivables over the sales of the 90 days before, times 90; null without sales")
          BigDecimal days) {}

  record OutstandingDays(
      @Schema(
              description =
                  "receivables over the sales of the 90 days before, times 90; null without sales")
          BigDecimal days,
      @Schema(description = "counted back month by month; null where more is open than was sold")
          BigDecimal countedBack,
      @NotNull MoneyView receivables,
      @NotNull @Schema(description = "the first of the 90 days") LocalDate from,
      @NotNull @Schema(description = "of the 90 days") MoneyView sales,
      @NotNull @Schema(description = "at the ends of the last months, this day last")
          List<OutstandingAt> trend) {}

  record DifferenceSum(
      @NotNull DifferenceKind kind, @NotNull long count, @NotNull MoneyView amount) {}

  record Holder(
      @NotNull String user,
      @NotNull @Schema(description = "drafts that he works on") long drafts,
      @NotNull @Schema(description = "handed to a supervisor") long handed,
      @NotNull @Schema(description = "handed back to him") long returned,
      @NotNull @Schema(description = "what the receipts of his drafts come to") MoneyView amount,
      @NotNull @Schema(description = "questions to him that are not answered") long questions) {}

  /** What a line behind a figure is. */
  enum BehindKind {
    ENTRY,
    SETTLEMENT,
    ITEM,
    DRAFT
  }

  record Behind(
      @NotNull BehindKind kind,
      @NotNull @Schema(description = "of the entry, settlement or item; of a draft its entry's")
          Long id,
      @NotNull LocalDate on,
      @NotNull String who,
      @NotNull String words,
      @NotNull MoneyView amount,
      @Schema(description = "what explains an entry, where a settlement does") Long settlementId) {}

  record BehindFigure(@NotNull List<Behind> rows, @NotNull boolean more) {}
}
