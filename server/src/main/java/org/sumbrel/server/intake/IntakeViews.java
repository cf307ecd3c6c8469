package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.sumbrel.server.api.MoneyView;

/** Intakes as the API tells them: their totals and what became of what they brought. */
@Component
class IntakeViews {

  private final IntakeRepository intakes;
  private final IntakeProgress progress;

  IntakeViews(IntakeRepository intakes, IntakeProgress progress) {
    this.intakes = intakes;
    this.progress = progress;
  }

  record Part(@NotNull String currency, @NotNull long entries, @NotNull MoneyView amount) {}

  record IntakeView(
      @NotNull Long id,
      @NotNull String fileName,
      @NotNull String format,
      @NotNull @Schema(description = "by which it was read; empty where none was needed")
          String profile,
      @NotNull String takenBy,
      @NotNull Instant takenAt,
      @NotNull int records,
      @NotNull int fresh,
      @NotNull int known,
      @NotNull int passedOver,
      String sameAs,
      @NotNull List<Part> waiting,
      @NotNull List<Part> settled,
      @NotNull List<Part> debits,
      @NotNull List<Part> announced,
      @NotNull List<String> problems,
      @Schema(description = "who took it back, where somebody did") String takenBackBy,
      Instant takenBackAt) {}

  IntakeView of(Long id) {
    return of(List.of(intakes.findById(id).orElseThrow())).get(0);
  }

  List<IntakeView> of(List<IntakeEntity> intakesShown) {
    var parts = progress.of(intakesShown.stream().map(IntakeEntity::id).toList());
    return intakesShown.stream().map(i -> view(i, parts.getOrDefault(i.id(), Map.of()))).toList();
  }

  private IntakeView view(IntakeEntity intake, Map<String, List<Part>> parts) {
    var first =
        intakes
            .findFirstByCompanyIdAndFingerprintAndTakenBackByIsNullOrderById(
                intake.companyId(), intake.fingerprint())
            .filter(other -> !other.id().equals(intake.id()))
            .map(IntakeEntity::fileName)
            .orElse(null);
    return new IntakeView(
        intake.id(),
        intake.fileName(),
        intake.format(),
        intake.profile(),
        intake.takenBy(),
        intake.takenAt(),
        intake.records(),
        intake.fresh(),
        intake.known(),
        intake.passedOver(),
        first,
        parts.getOrDefault("WAITING", List.of()),
        parts.getOrDefault("SETTLED", List.of()),
        parts.getOrDefault("DEBIT", List.of()),
        parts.getOrDefault("PENDING", List.of()),
        intake.problems(),
        intake.takenBackBy(),
        intake.takenBackAt());
  }
}
