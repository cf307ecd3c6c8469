package org.sumbrel.core.settle;

import org.joda.money.CurrencyUnit;

/** What a company allows in each currency. */
@FunctionalInterface
public interface Policies {

  Policy of(CurrencyUnit currency);
}
