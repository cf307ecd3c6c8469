package org.sumbrel.server.intake;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Membership;

/** The watched folder, and what it set apart. */
@RestController
@Tag(name = "intake")
class InboxController {

  private final InboxWatch watch;

  InboxController(InboxWatch watch) {
    this.watch = watch;
  }

  record SetApartView(
      @NotNull Long id,
      @NotNull @Schema(description = "from the watched folder") String fileName,
      @NotNull String report,
      @NotNull Instant at) {}

  record InboxView(
      @Schema(description = "missing where no folder is watched") String folder,
      @NotNull List<SetApartView> setApart) {}

  @GetMapping("/api/inbox")
  @Operation(summary = "The watched folder, and the files it set apart because they are broken")
  InboxView view() {
    if (!Membership.current().everywhere()) {
      // the files are those of all companies
      return new InboxView(null, List.of());
    }
    return new InboxView(
        watch.on() ? watch.folder().toString() : null,
        watch.setApart().stream()
            .map(s -> new SetApartView(s.id(), s.fileName(), s.report(), s.at()))
            .toList());
  }

  @DeleteMapping("/api/inbox/set-apart/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a file off the list of those set apart; it stays where it is")
  void seen(@PathVariable Long id) {
    watch.forget(id);
  }
}
