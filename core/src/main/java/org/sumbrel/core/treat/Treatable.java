package org.sumbrel.core.treat;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * A bank entry as a treatment sees it.
 *
 * @param amount positive for money to us, negative for money from us
 * @param bankAccountId on which it was booked
 * @param counterparty who sent or got it, as the bank says; may be empty
 * @param counterpartyAccount may be empty
 * @param text what it is for, as whoever sent it says; may be empty
 * @param bankText the bank's own words for such an entry; may be empty
 */
public record Treatable(
    String id,
    LocalDate on,
    Money amount,
    String bankAccountId,
    String counterparty,
    String counterpartyAccount,
    String text,
    String bankText) {}
