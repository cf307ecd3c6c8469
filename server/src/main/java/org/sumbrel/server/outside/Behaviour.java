package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/** How the simulated bank misbehaves from now on. */
record Behaviour(
    @NotNull @Schema(description = "a day's statement lies ready a day later") Boolean late,
    @NotNull @Schema(description = "it delivers each statement two times") Boolean twice,
    @NotNull @Schema(description = "it cannot be reached") Boolean offLine,
    @NotNull @Schema(description = "its closing balance is 10.00 too high") Boolean wrongBalance,
    @NotNull @Schema(description = "its statement is in another currency than the account")
        Boolean wrongCurrency) {

  static final Behaviour GOOD = new Behaviour(false, false, false, false, false);
}
