package org.sumbrel.cli;

import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.PropertyNamingStrategies;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.settle.Customs;
import org.sumbrel.core.settle.Customs.Shortage;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.Limits;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.Tolerance;

/** A policy as a YAML document; what it leaves out is as the command's documentation says. */
record PolicyFile(
    Discount discount,
    SmallDifference smallDifference,
    List<BigDecimal> bankFees,
    List<CardFee> cardFees,
    Short short_,
    String over,
    BigDecimal clearAt,
    BigDecimal tornWithin) {

  record Discount(Integer graceDays, String late) {}

  record SmallDifference(BigDecimal under, BigDecimal over, String kind) {}

  record CardFee(BigDecimal percent, BigDecimal fixed) {}

  record Short(String withReason, String partPayment) {}

  private static final ObjectMapper YAML =
      new ObjectMapper(new YAMLFactory())
          .setPropertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
          .addMixIn(PolicyFile.class, Names.class);

  private abstract static class Names {
    @com.fasterxml.jackson.annotation.JsonProperty("short")
    abstract Short short_();
  }

  static PolicyFile standard() {
    return new PolicyFile(null, null, null, null, null, null, null, null);
  }

  static PolicyFile read(Path file) throws InputFile.Wrong {
    try {
      var read = YAML.readValue(InputFile.bytes(file), PolicyFile.class);
      var policy = read == null ? standard() : read;
      policy.in(CurrencyUnit.USD);
      return policy;
    } catch (UnrecognizedPropertyException e) {
      throw new InputFile.Wrong(
          file, e.getLocation().getLineNr(), "there is no \"" + e.getPropertyName() + "\"");
    } catch (JsonMappingException e) {
      var line = e.getLocation() == null ? 0 : e.getLocation().getLineNr();
      throw new InputFile.Wrong(file, line, e.getOriginalMessage());
    } catch (IOException e) {
      throw new InputFile.Wrong(file, 0, e.getMessage());
    } catch (IllegalArgumentException e) {
      throw new InputFile.Wrong(file, 0, e.getMessage());
    }
  }

  /**
   * The policy in one currency.
   *
   * @throws IllegalArgumentException where the document contradicts itself
   */
  Policy in(CurrencyUnit currency) {
    var standard = Policy.standard(currency);
    var all = BigDecimal.valueOf(100);
    var under = smallDifference == null ? null : smallDifference.under;
    var over = smallDifference == null ? null : smallDifference.over;
    var digits = currency.getDecimalPlaces();
    var small =
        new Tolerance(
            MoneyText.exact(rounded(under, "2.00", digits), currency),
            MoneyText.exact(rounded(over, "0.00", digits), currency),
            all);
    if (smallDifference != null) {
      word(smallDifference.kind, "write_off", "write_off");
    }
    word(this.over, "on_account", "on_account");
    return new Policy(
        discount == null || discount.graceDays == null ? 3 : discount.graceDays,
        new Limits(
            small,
            standard.clerk().fee(),
            standard.clerk().unearnedDiscount(),
            standard.clerk().refund(),
            standard.clerk().exchange()),
        standard.supervisor(),
        fees(currency),
        BigDecimal.ZERO,
        standard.roundingStep(),
        new Customs(
            shortage(discount == null ? null : discount.late, Shortage.CLAIM),
            shortage(short_ == null ? null : short_.withReason, Shortage.CLAIM),
            shortage(short_ == null ? null : short_.partPayment, Shortage.LEAVE_OPEN)),
        clearAt == null ? standard.clearAt() : clearAt.doubleValue(),
        tornWithin == null ? standard.tornWithin() : tornWithin.doubleValue());
  }

  private List<FeeTerms> fees(CurrencyUnit currency) {
    var fees = new ArrayList<FeeTerms>();
    if (bankFees == null) {
      for (var fee : List.of("15", "20", "25", "35")) {
        fees.add(FeeTerms.parse(fee, currency));
      }
    } else {
      bankFees.forEach(f -> fees.add(FeeTerms.parse(f.toPlainString(), currency)));
    }
    var cards =
        cardFees == null
            ? List.of(new CardFee(new BigDecimal("2.9"), new BigDecimal("0.30")))
            : cardFees;
    for (var card : cards) {
      var fixed = rounded(card.fixed, "0", currency.getDecimalPlaces());
      fees.add(new FeeTerms(orZero(card.percent), MoneyText.exact(fixed, currency)));
    }
    return fees;
  }

  private static BigDecimal orZero(BigDecimal figure) {
    return figure == null ? BigDecimal.ZERO : figure;
  }

  /** In the digits of the currency: 0.30 of a card's fee is nothing where there are no cents. */
  private static BigDecimal rounded(BigDecimal figure, String otherwise, int digits) {
    return (figure == null ? new BigDecimal(otherwise) : figure)
        .setScale(digits, java.math.RoundingMode.HALF_UP);
  }

  private static Shortage shortage(String word, Shortage otherwise) {
    return Shortage.valueOf(
        word(word, otherwise.name().toLowerCase(Locale.ROOT), "grant", "claim", "leave_open")
            .toUpperCase(Locale.ROOT));
  }

  private static String word(String word, String otherwise, String... known) {
    var said = word == null ? otherwise : word;
    if (!List.of(known).contains(said)) {
      throw new IllegalArgumentException("\"" + said + "\" is none of " + String.join(", ", known));
    }
    return said;
  }
}
