package org.sumbrel.server.api;

import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;

/** Currencies as calls name them. */
public final class Currencies {

  private Currencies() {}

  /** The currency of a code of ISO 4217. */
  public static CurrencyUnit unit(String code) {
    try {
      return CurrencyUnit.of(code);
    } catch (IllegalCurrencyException e) {
      throw new BadRequest("\"" + code + "\" is no currency.");
    }
  }
}
