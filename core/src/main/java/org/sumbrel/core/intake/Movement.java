package org.sumbrel.core.intake;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * One movement on a bank account as a file tells it.
 *
 * @param source the family of formats that its id belongs to; ids of different families say nothing
 *     about each other
 * @param id within the source
 * @param idOfBank whether the bank gave the id; else it is a fingerprint of what the file says
 * @param amount money to us is positive
 * @param booked whether it is on the account; else it is only announced
 * @param told payer and text as the file has them
 */
public record Movement(
    String source,
    String id,
    boolean idOfBank,
    LocalDate bookedOn,
    LocalDate valueOn,
    Money amount,
    boolean booked,
    String told) {}
