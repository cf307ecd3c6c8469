package org.sumbrel.formats.deposit;

import org.sumbrel.core.deposit.CashCount;
import org.sumbrel.core.deposit.Deposit;

/**
 * What a deposit slip says.
 *
 * @param bankAccount name of the bank and of the account, and its number
 * @param number of the slip
 * @param count the cash by denomination; empty where it was not counted so
 */
public record DepositSlip(
    String company, String bankAccount, String number, Deposit deposit, CashCount count) {}
