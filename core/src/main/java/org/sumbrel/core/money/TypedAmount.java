package org.sumbrel.core.money;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * A figure typed into a search line, such as {@code 1,204.50}: an amount of some currency, with a
 * point as its mark and commas between the thousands or none.
 */
public record TypedAmount(BigDecimal figure) {

  /** The figure, where the text is one. */
  public static Optional<TypedAmount> read(String text) {
    var plain = text.strip();
    if (!plain.matches("[-+]?(\\d{1,15}|\\d{1,3}(,\\d{3}){1,4})(\\.\\d{1,4})?")) {
      return Optional.empty();
    }
    return Optional.of(new TypedAmount(new BigDecimal(plain.replace(",", ""))));
  }

  /** Whether the amount is this figure in its own currency. */
  public boolean is(Money amount) {
    return amount.getAmount().compareTo(figure) == 0;
  }

  /**
   * What a text can mean as stored: code and minor units for every currency that has such an
   * amount, such as {@code USD 120450}; nothing where the text is no figure.
   */
  public static Set<String> stored(String text) {
    return read(text).stream()
        .flatMap(
            typed ->
                CurrencyUnit.registeredCurrencies().stream()
                    .filter(unit -> unit.getDecimalPlaces() >= 0)
                    .filter(
                        unit ->
                            typed.figure.stripTrailingZeros().scale() <= unit.getDecimalPlaces())
                    .map(
                        unit ->
                            unit.getCode()
                                + " "
                                + typed
                                    .figure
                                    .movePointRight(unit.getDecimalPlaces())
                                    .toBigIntegerExact()))
        .collect(Collectors.toUnmodifiableSet());
  }
}
