package org.sumbrel.formats.rates;

import java.time.LocalDate;
import org.sumbrel.core.exchange.Rate;

/**
 * A rate as a file quotes it.
 *
 * @param on the day for which it was quoted
 * @param line where it stands
 */
public record RateRow(LocalDate on, Rate rate, int line) {}
