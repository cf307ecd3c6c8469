package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/** How the simulated processor misbehaves from now on. */
record ProcessorBehaviour(
    @NotNull @Schema(description = "a week's file lies ready a week later") Boolean late,
    @NotNull @Schema(description = "it delivers each file two times") Boolean twice,
    @NotNull @Schema(description = "it cannot be reached") Boolean offLine,
    @NotNull @Schema(description = "it claims to have sent 10.00 more than its items come to")
        Boolean wrongTotal,
    @NotNull @Schema(description = "an item of its file is of a type that nobody has heard of")
        Boolean unknownType) {}
