package org.sumbrel.formats.statement;

import java.util.Optional;
import org.joda.money.Money;

/**
 * One transaction of an entry; an entry that the bank booked for a whole batch has several.
 *
 * @param amount money to us is positive; empty where the file does not say it
 * @param payer whoever is on the other side
 * @param ultimatePayer for whom he pays, where the file says so
 * @param endToEnd the reference that the payer gave it, or empty
 * @param charges what the bank kept, positive; zero where nothing is said
 * @param exchange how it was converted, where it was
 */
public record EntryDetail(
    Optional<Money> amount,
    String payerName,
    String payerAccount,
    String ultimatePayer,
    String remittance,
    String bankReference,
    String endToEnd,
    String checkNumber,
    Money charges,
    Optional<Exchange> exchange) {}
