package org.sumbrel.formats.tieout;

import java.time.LocalDate;
import java.util.Optional;
import org.sumbrel.core.tieout.TieOut;

/**
 * What stands on a reconciliation statement beside the figures.
 *
 * @param account name and number of the bank account
 * @param closedBy who closed it and when, in words; empty where it is open
 * @param startsFrom the day of the one closed before
 */
public record TieOutSheet(
    String company,
    String bank,
    String account,
    TieOut tieOut,
    String closedBy,
    Optional<LocalDate> startsFrom) {}
