package org.sumbrel.core.settle;

/** What each company allows in each currency. */
@FunctionalInterface
public interface Policies {

  Policy of(Place place);
}
