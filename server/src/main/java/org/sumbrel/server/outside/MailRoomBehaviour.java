package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/** How the simulated mail room misbehaves from now on. */
record MailRoomBehaviour(
    @NotNull @Schema(description = "a day's file lies ready a day later") Boolean late,
    @NotNull @Schema(description = "it delivers each file two times") Boolean twice,
    @NotNull @Schema(description = "it cannot be reached: no file, no picture") Boolean offLine,
    @NotNull @Schema(description = "it claims 10.00 more than its cheques come to")
        Boolean wrongTotal) {

  static final MailRoomBehaviour GOOD = new MailRoomBehaviour(false, false, false, false);
}
