package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.NotThere;

/** Intakes while they run: followed and stopped. */
@RestController
@Tag(name = "intake")
class RunningIntakeController {

  private final RunningIntakes running;

  RunningIntakeController(RunningIntakes running) {
    this.running = running;
  }

  record ProgressView(
      @NotNull @Schema(description = "READING or KEEPING") String phase,
      @NotNull @Schema(description = "records so far") long done,
      @NotNull @Schema(description = "records in all; 0 while that is not known") long total) {}

  @GetMapping("/api/intakes/running/{run}")
  @Operation(summary = "How far an intake is; nothing before it begins and after it ends")
  @ApiResponse(responseCode = "200")
  @ApiResponse(responseCode = "204", content = @Content)
  ResponseEntity<ProgressView> progress(@PathVariable UUID run) {
    return running
        .progress(run.toString())
        .map(p -> ResponseEntity.ok(new ProgressView(p.phase(), p.done(), p.total())))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  @DeleteMapping("/api/intakes/running/{run}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Stops an intake; nothing of its file is kept")
  void stop(@PathVariable UUID run) {
    if (!running.stop(run.toString())) {
      throw new NotThere("running intake", run);
    }
  }
}
