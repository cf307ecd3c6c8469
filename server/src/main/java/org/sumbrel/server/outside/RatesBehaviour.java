package org.sumbrel.server.outside;

import jakarta.validation.constraints.NotNull;

/**
 * How the simulated rate service misbehaves.
 *
 * @param late a day's rates come a day later
 * @param offLine it does not answer
 */
record RatesBehaviour(@NotNull boolean late, @NotNull boolean offLine) {}
