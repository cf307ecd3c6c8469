package org.sumbrel.core.settle;

import org.joda.money.CurrencyUnit;

/**
 * Where a part of a receipt counts: in the books of which company, and in which currency.
 *
 * @param companyId a company of the group
 */
public record Place(String companyId, CurrencyUnit currency) {}
