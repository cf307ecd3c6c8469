package org.sumbrel.server.treat;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.treat.Condition;
import org.sumbrel.core.treat.Condition.Direction;
import org.sumbrel.core.treat.Share;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.core.treat.Treatment;
import org.sumbrel.core.treat.Treatment.Way;
import org.sumbrel.core.treat.Treatments.Verdict;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.LedgerAccountEntity;
import org.sumbrel.server.settle.AccountSettlements.Used;

/** Treatments as the API gives and takes them. */
@Component
class TreatmentViews {

  private final Charts charts;

  TreatmentViews(Charts charts) {
    this.charts = charts;
  }

  record ShareView(
      @NotNull Long accountId,
      @Schema(description = "code and name; left out by whoever sends one") String account,
      @NotNull @Schema(description = "of the entry's amount; all shares together are 100")
          BigDecimal percent,
      @NotNull @Schema(description = "the rate of the tax contained in it; 0 for none")
          BigDecimal taxPercent,
      @NotNull @Size(max = 200) String words) {}

  /** What somebody says of a treatment. */
  record TreatmentSent(
      @NotBlank @Size(max = 120) String name,
      @NotNull Boolean inUse,
      @NotNull
          @Size(max = 20)
          @Schema(description = "each stands in the counterparty's name or the text")
          List<@NotBlank @Size(max = 80) String> words,
      @NotNull @Size(max = 300) @Schema(description = "the whole name; empty for any")
          String counterparty,
      @NotNull @Size(max = 64) @Schema(description = "empty for any") String counterpartyAccount,
      @Schema(description = "on which of our accounts; null for any") Long bankAccountId,
      @NotNull Direction direction,
      @Valid @Schema(description = "of the amount without its sign; null for any") MoneyView least,
      @Valid MoneyView most,
      @NotNull @Valid @Schema(description = "no larger entry is ever taken") MoneyView cap,
      @NotNull Way way,
      @NotEmpty @Size(max = 20) @Valid List<ShareView> shares,
      @Schema(description = "as it was read, where one is changed") Long version) {

    /**
     * @param place where it stands
     * @throws BadRequest where it contradicts itself
     */
    Treatment toTreatment(int place) {
      try {
        return new Treatment(
            "",
            name.strip(),
            place,
            inUse,
            new Condition(
                words,
                counterparty.strip(),
                counterpartyAccount.strip(),
                Optional.ofNullable(bankAccountId).map(Object::toString),
                direction,
                Optional.ofNullable(least).map(MoneyView::toMoney),
                Optional.ofNullable(most).map(MoneyView::toMoney)),
            shares.stream()
                .map(
                    s ->
                        new Share(
                            s.accountId().toString(),
                            s.percent(),
                            s.taxPercent(),
                            s.words().strip()))
                .toList(),
            cap.toMoney(),
            way);
      } catch (IllegalArgumentException e) {
        throw new BadRequest(e.getMessage());
      }
    }
  }

  record TreatmentView(
      @NotNull Long id,
      @NotNull int place,
      @NotNull TreatmentSent rule,
      @NotNull String madeBy,
      @NotNull Instant madeAt,
      @NotNull String changedBy,
      @NotNull Instant changedAt,
      @NotNull @Schema(description = "how many entries it explains") long times,
      @Schema(description = "when it was followed last; null where it never was")
          LocalDate lastUsed,
      @Schema(description = "what those entries come to, in their sign") MoneyView amount) {}

  TreatmentView of(TreatmentEntity row, Map<Long, LedgerAccountEntity> chart, Used used) {
    return new TreatmentView(
        row.id(),
        row.place(),
        sent(row.toTreatment(), chart, row.version()),
        row.madeBy(),
        row.madeAt(),
        row.changedBy(),
        row.changedAt(),
        used == null ? 0 : used.times(),
        used == null ? null : used.last(),
        used == null ? null : MoneyView.of(used.amount()));
  }

  private static TreatmentSent sent(
      Treatment treatment, Map<Long, LedgerAccountEntity> chart, Long version) {
    var condition = treatment.condition();
    return new TreatmentSent(
        treatment.name(),
        treatment.on(),
        condition.words(),
        condition.counterparty(),
        condition.counterpartyAccount(),
        condition.bankAccountId().map(Long::valueOf).orElse(null),
        condition.direction(),
        condition.least().map(MoneyView::of).orElse(null),
        condition.most().map(MoneyView::of).orElse(null),
        MoneyView.of(treatment.cap()),
        treatment.way(),
        treatment.shares().stream()
            .map(
                s ->
                    new ShareView(
                        Long.valueOf(s.accountId()),
                        name(chart, s.accountId()),
                        s.percent().stripTrailingZeros(),
                        s.taxPercent().stripTrailingZeros(),
                        s.words()))
            .toList(),
        version);
  }

  private static String name(Map<Long, LedgerAccountEntity> chart, String id) {
    var account = chart.get(Long.valueOf(id));
    return account.code() + " " + account.name();
  }

  record PartOfVerdict(
      @NotNull String account,
      @NotNull @Schema(description = "what is booked there: a debit is positive") MoneyView amount,
      @NotNull MoneyView tax,
      @NotNull String words) {}

  /** What a treatment makes of an entry. */
  record VerdictView(
      @NotNull Long treatmentId,
      @NotNull String name,
      @NotNull Way way,
      @NotNull
          @Schema(description = "why it does not go as far as it would by itself; empty if it does")
          String why,
      @NotNull @Schema(description = "whether the entry is within its cap") boolean withinCap,
      @NotNull List<PartOfVerdict> parts) {}

  VerdictView of(Verdict verdict, Treatable entry, Long company) {
    var chart = charts.of(company);
    return new VerdictView(
        Long.valueOf(verdict.treatment().id()),
        verdict.treatment().name(),
        verdict.way(),
        verdict.why(),
        verdict.treatment().withinCap(entry.amount()),
        verdict.treatment().booked(entry.amount()).stream().map(p -> part(p, chart)).toList());
  }

  private static PartOfVerdict part(ToAccount part, Map<Long, LedgerAccountEntity> chart) {
    return new PartOfVerdict(
        name(chart, part.accountId()),
        MoneyView.of(part.amount()),
        MoneyView.of(part.tax()),
        part.text());
  }
}
