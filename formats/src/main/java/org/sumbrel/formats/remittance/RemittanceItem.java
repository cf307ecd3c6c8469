package org.sumbrel.formats.remittance;

import org.joda.money.Money;

/**
 * One line of a remittance advice: what is paid of one document.
 *
 * @param reference the document's number as the payer has it; empty where an adjustment is for none
 * @param amount what is paid of it; negative where a credit note is set off
 * @param discount what the payer took for paying early
 * @param adjustment what is paid more (positive) or less (negative) for another reason
 * @param reason of the adjustment, as the payer gives it
 */
public record RemittanceItem(
    String reference, Money amount, Money discount, Money adjustment, String reason, int line) {}
