package org.sumbrel.core.deposit;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * Money that the bank shows, as far as a deposit is held against it.
 *
 * @param amount positive
 * @param text what the bank says about it, word for word
 */
public record BankCredit(String id, LocalDate on, Money amount, String text) {}
