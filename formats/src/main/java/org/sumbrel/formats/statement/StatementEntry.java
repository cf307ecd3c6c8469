package org.sumbrel.formats.statement;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * One movement as the bank reports it.
 *
 * @param entryId the bank's own id where there is one, else a stable fingerprint
 * @param amount money to us is positive
 * @param pending whether the bank has not booked it yet
 * @param line where it begins in the file, counted from 1
 */
public record StatementEntry(
    String entryId,
    LocalDate bookingDate,
    LocalDate valueDate,
    Money amount,
    String payerName,
    String payerAccount,
    String remittance,
    String bankReference,
    String checkNumber,
    boolean pending,
    int line) {}
