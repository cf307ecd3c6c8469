package org.sumbrel.core.find;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;

/**
 * What a search line is held against.
 *
 * @param names the payer, the customer
 * @param references numbers, orders, the bank's references
 * @param told everything else that is said of it
 * @param amounts every amount it may be known by: received, total, open
 * @param on its day
 * @param paidBy how the money came; empty where none came
 */
public record Findable(
    List<String> names,
    List<String> references,
    List<String> told,
    List<Money> amounts,
    LocalDate on,
    Optional<PaidBy> paidBy) {}
