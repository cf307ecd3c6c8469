package org.sumbrel.core.payout;

/**
 * The ledger accounts that a payout is booked to.
 *
 * @param clearing what the processor owes us
 * @param reserve what the processor holds back as a security
 * @param sales of what is recorded from the payout
 * @param refunds what was given back of sales
 * @param chargebacks what was taken back of sales that no customer is known for
 * @param fees what the processor keeps; where more comes back than is kept, it goes there too
 * @param adjustments what the processor adds or takes without a sale
 * @param exchange what was changed into or out of the payout's currency, in both
 */
public record PayoutAccounts(
    String clearing,
    String reserve,
    String sales,
    String refunds,
    String chargebacks,
    String fees,
    String adjustments,
    String exchange) {}
