package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Problem;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.intake.Intakes;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/** Files that lie ready outside: shown, fetched and taken in. */
@Component
class Deliveries {

  private static final int MOST_SHOWN = 60;

  private final SimulatedDeliveryRepository rows;
  private final Intakes intakes;
  private final ProposalRenewal renewal;
  private final TransactionTemplate transaction;
  private final Clock clock;

  Deliveries(
      SimulatedDeliveryRepository rows,
      Intakes intakes,
      ProposalRenewal renewal,
      TransactionTemplate transaction,
      Clock clock) {
    this.rows = rows;
    this.intakes = intakes;
    this.renewal = renewal;
    this.transaction = transaction;
    this.clock = clock;
  }

  record DeliveryView(
      @NotNull Long id,
      @NotNull String fileName,
      @NotNull LocalDate madeOn,
      @NotNull @Schema(description = "from which day on it can be fetched") LocalDate readyOn,
      Instant fetchedAt,
      @Schema(description = "what it became, where it was taken in") Long intakeId,
      @Schema(description = "why it was not taken in") String refused) {

    static DeliveryView of(SimulatedDeliveryEntity delivery) {
      return new DeliveryView(
          delivery.id(),
          delivery.fileName(),
          delivery.madeOn(),
          delivery.readyOn(),
          delivery.fetchedAt(),
          delivery.intakeId(),
          delivery.refused());
    }
  }

  List<DeliveryView> of(Long companyId, Source source) {
    return rows
        .findByCompanyIdAndSourceOrderByIdDesc(companyId, source, Limit.of(MOST_SHOWN))
        .stream()
        .map(DeliveryView::of)
        .toList();
  }

  /**
   * Takes files in, each as an intake of its own. Stopped in the middle, a file that came in but
   * was not marked is fetched once more, and everything in it is known.
   */
  void fetch(Long companyId, List<SimulatedDeliveryEntity> ready, String by) throws IOException {
    for (var delivery : ready) {
      try {
        var file = FileBytes.of(delivery.content().getBytes(StandardCharsets.UTF_8));
        var intake = intakes.take(companyId, delivery.fileName(), file, "", null, by);
        mark(delivery.id(), one -> one.becameIntake(intake, clock.instant()));
      } catch (BrokenFile broken) {
        var why = String.join("; ", broken.problems().stream().map(Problem::message).toList());
        mark(delivery.id(), one -> one.wasRefused(why, clock.instant()));
      }
    }
    renewal.after(companyId);
  }

  private void mark(Long id, Consumer<SimulatedDeliveryEntity> how) {
    transaction.executeWithoutResult(t -> how.accept(rows.findById(id).orElseThrow()));
  }
}
