package org.sumbrel.server.api;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/** An amount as the API gives and takes it. */
public record MoneyView(
    @NotNull @Schema(description = "plain decimal, money to us positive", example = "1234.50")
        String amount,
    @NotNull @Schema(description = "ISO 4217", example = "USD") String currency) {

  public static MoneyView of(Money money) {
    return new MoneyView(MoneyText.plain(money), money.getCurrencyUnit().getCode());
  }

  public static MoneyView ofMinor(String currency, long minor) {
    return of(Money.ofMinor(CurrencyUnit.of(currency), minor));
  }

  /**
   * The amount as money.
   *
   * @throws BadRequest where it is none
   */
  public Money toMoney() {
    try {
      return MoneyText.exact(new BigDecimal(amount), CurrencyUnit.of(currency));
    } catch (NumberFormatException | IllegalCurrencyException e) {
      throw new BadRequest(
          "\"" + amount + " " + currency + "\" is not an amount such as 1204.50 USD.");
    } catch (IllegalArgumentException e) {
      throw new BadRequest(e.getMessage() + ".");
    }
  }
}
