package org.sumbrel.server.tieout;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.sumbrel.core.tieout.GapLeads.Lead;
import org.sumbrel.core.tieout.GapLeads.Slip;
import org.sumbrel.core.tieout.TieOut;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Side;
import org.sumbrel.core.tieout.TieOut.Way;
import org.sumbrel.server.api.MoneyView;

/** Tie-outs as the API gives them. */
final class TieOutViews {

  private TieOutViews() {}

  record WayView(
      @NotNull Kind kind,
      @NotNull Side side,
      @NotNull
          @Schema(
              example = "entry-12",
              description =
                  "what it is: an entry, deposit, settlement, journal entry or an error written down")
          String id,
      @NotNull LocalDate on,
      @NotNull String words,
      @NotNull @Schema(description = "what its side's balance changes by") MoneyView amount) {

    static WayView of(Way way) {
      return new WayView(
          way.kind(),
          way.kind().side(),
          way.id(),
          way.on(),
          way.words(),
          MoneyView.of(way.amount()));
    }
  }

  record LeadView(
      @NotNull Slip slip,
      @NotNull @Schema(description = "with the figures") String sentence,
      @NotNull @Schema(description = "what it is about, as in the ways; empty for the balance")
          List<String> ids) {

    static LeadView of(Lead lead) {
      return new LeadView(
          lead.slip(), lead.sentence(), lead.figures().stream().map(f -> f.id()).toList());
    }
  }

  record KindSum(@NotNull Kind kind, @NotNull MoneyView amount) {}

  record TieOutFigures(
      @NotNull LocalDate asOf,
      @NotNull MoneyView statement,
      @NotNull MoneyView books,
      @NotNull MoneyView adjustedStatement,
      @NotNull MoneyView adjustedBooks,
      @NotNull @Schema(description = "positive where the bank shows more than the books")
          MoneyView gap,
      @NotNull
          @Schema(description = "what the ways of each kind come to; kinds without any left out")
          List<KindSum> sums,
      @NotNull List<WayView> ways) {

    static TieOutFigures of(TieOut tieOut) {
      return new TieOutFigures(
          tieOut.asOf(),
          MoneyView.of(tieOut.statement()),
          MoneyView.of(tieOut.books()),
          MoneyView.of(tieOut.adjustedStatement()),
          MoneyView.of(tieOut.adjustedBooks()),
          MoneyView.of(tieOut.gap()),
          tieOut.ways().stream()
              .map(Way::kind)
              .distinct()
              .map(kind -> new KindSum(kind, MoneyView.of(tieOut.sum(kind))))
              .toList(),
          tieOut.ways().stream().map(WayView::of).toList());
    }
  }

  record ClosedView(
      @NotNull Long id,
      @NotNull LocalDate asOf,
      @NotNull MoneyView statement,
      @NotNull String closedBy,
      @NotNull Instant closedAt,
      String reopenedBy,
      Instant reopenedAt,
      String reopenedWhy) {

    static ClosedView of(TieOutEntity row) {
      return new ClosedView(
          row.id(),
          row.asOf(),
          MoneyView.of(row.statement()),
          row.closing().closedBy(),
          row.closing().closedAt(),
          row.closing().reopenedBy(),
          row.closing().reopenedAt(),
          row.closing().reopenedWhy());
    }
  }

  record TieOutView(
      @NotNull Long bankAccountId,
      @NotNull TieOutFigures figures,
      @NotNull @Schema(description = "whether the bank's balance was typed") boolean typed,
      @NotNull @Schema(description = "where the gap may come from, likeliest kinds first")
          List<LeadView> leads,
      @Schema(description = "the one closed last before") ClosedView startsFrom) {

    static TieOutView of(TieOuts.Looked looked) {
      return new TieOutView(
          looked.account().id(),
          TieOutFigures.of(looked.tieOut()),
          looked.typed(),
          looked.leads().stream().map(LeadView::of).toList(),
          looked.startsFrom().map(ClosedView::of).orElse(null));
    }
  }

  record BalanceView(@NotNull LocalDate on, @NotNull MoneyView amount) {
    static BalanceView of(BankBalances.Balance balance) {
      return new BalanceView(balance.on(), MoneyView.of(balance.amount()));
    }
  }

  record AccountTieOut(
      @NotNull Long bankAccountId,
      @NotNull String name,
      @NotNull String bank,
      @NotNull String number,
      @NotNull String currency,
      @Schema(description = "what stood there when the books began; null where nobody has said")
          BalanceView opening,
      @Schema(description = "what must have stood there, by the first statement")
          BalanceView openingSuggested,
      @NotNull @Schema(description = "closing balances of statements, the latest first")
          List<BalanceView> balances,
      @NotNull @Schema(description = "what was closed, the latest first; reopened ones too")
          List<ClosedView> closed) {}

  record PeriodView(
      @NotNull Long id,
      @NotNull LocalDate until,
      @NotNull String closedBy,
      @NotNull Instant closedAt,
      String reopenedBy,
      Instant reopenedAt,
      String reopenedWhy) {

    static PeriodView of(ClosedPeriodEntity row) {
      return new PeriodView(
          row.id(),
          row.untilDay(),
          row.closing().closedBy(),
          row.closing().closedAt(),
          row.closing().reopenedBy(),
          row.closing().reopenedAt(),
          row.closing().reopenedWhy());
    }
  }
}
