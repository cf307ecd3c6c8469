package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.desk.ProposalRenewal;

/** Rows of a file that could not be read: put right in place, or shelved. */
@RestController
@Tag(name = "intake")
class PuttingRightController {

  private final PuttingRight puttingRight;
  private final ProposalRenewal renewal;

  PuttingRightController(PuttingRight puttingRight, ProposalRenewal renewal) {
    this.puttingRight = puttingRight;
    this.renewal = renewal;
  }

  record LeftOutView(
      @NotNull Long id,
      @NotNull int line,
      @NotNull @Schema(description = "empty where the file has none") List<String> headings,
      @NotNull List<String> cells,
      @NotNull String message,
      @NotNull LeftOutEntity.Status status,
      String note,
      String decidedBy,
      Instant decidedAt,
      Long becameIntakeId) {

    static LeftOutView of(LeftOutEntity row) {
      return new LeftOutView(
          row.id(),
          row.line(),
          row.headings(),
          row.cells(),
          row.message(),
          row.status(),
          row.note(),
          row.decidedBy(),
          row.decidedAt(),
          row.becameIntakeId());
    }
  }

  record Cells(@NotEmpty @Size(max = 1_000) List<@NotNull @Size(max = 100_000) String> cells) {}

  record Why(@NotBlank @Size(max = 500) String why) {}

  @GetMapping("/api/intakes/{id}/left-out")
  @Operation(summary = "The rows of an intake's file that could not be read, in their order")
  List<LeftOutView> list(@PathVariable Long id) {
    return puttingRight.of(id).stream().map(LeftOutView::of).toList();
  }

  @PostMapping("/api/left-out/{id}/putting-right")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a row in with these cells, as an intake of its own")
  void putRight(@PathVariable Long id, @Valid @RequestBody Cells cells, Principal principal)
      throws BrokenFile, IOException {
    renewal.after(puttingRight.putRight(id, cells.cells(), Actor.of(principal)));
  }

  @PostMapping("/api/left-out/{id}/shelving")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Sets a row aside with a word why")
  void shelve(@PathVariable Long id, @Valid @RequestBody Why why, Principal principal) {
    puttingRight.shelve(id, why.why().strip(), Actor.of(principal));
  }

  @DeleteMapping("/api/left-out/{id}/shelving")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a row off the shelf")
  void takeOffTheShelf(@PathVariable Long id) {
    puttingRight.takeOffTheShelf(id);
  }
}
