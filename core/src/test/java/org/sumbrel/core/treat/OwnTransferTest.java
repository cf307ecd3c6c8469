package org.sumbrel.core.treat;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class OwnTransferTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 28);
  private static final Map<String, List<String>> NAMES =
      Map.of(
          "1", List.of("Operating USD", "4410027719"),
          "2", List.of("Lockbox USD", "4410027735"),
          "3", List.of("Reserve USD", "4410027743"));

  private static Treatable entry(String id, int days, String amount, String account, String text) {
    return new Treatable(
        id,
        DAY.plusDays(days),
        Money.of(CurrencyUnit.USD, new BigDecimal(amount)),
        account,
        "",
        "",
        text,
        "");
  }

  @Test
  void findsTheOtherSideDaysApart() {
    var left = entry("out", 0, "-5000.00", "1", "TO LOCKBOX ACCOUNT 4410027735");
    var found =
        OwnTransfer.of(
            left,
            List.of(
                entry("late", 4, "5000.00", "2", "FROM OPERATING"),
                entry("soon", 1, "5000.00", "2", ""),
                entry("elsewhere", 1, "5000.00", "3", "TRANSFER"),
                entry("too late", 6, "5000.00", "2", ""),
                entry("same account", 1, "5000.00", "1", ""),
                entry("same sign", 0, "-5000.00", "2", ""),
                entry("a cent less", 0, "4999.99", "2", "")),
            NAMES);
    assertThat(found).extracting(s -> s.entry().id()).containsExactly("soon", "late", "elsewhere");
    assertThat(found).extracting(OwnTransfer.OtherSide::days).containsExactly(1, 4, 1);
    assertThat(found).extracting(OwnTransfer.OtherSide::named).containsExactly(true, true, false);
    var back = OwnTransfer.of(found.get(1).entry(), List.of(left), NAMES);
    assertThat(back).singleElement().satisfies(s -> assertThat(s.days()).isEqualTo(-4));
  }

  @Test
  void findsWhatTheBankPutRightItself() {
    var charged = entry("charged", 0, "-18.00", "1", "WIRE CHARGE");
    var found =
        BankCorrection.of(
            charged,
            List.of(
                entry("other words", 1, "18.00", "1", "SOMETHING"),
                entry("given back", 9, "18.00", "1", "wire-charge"),
                entry("elsewhere", 1, "18.00", "2", "WIRE CHARGE"),
                entry("too late", 31, "18.00", "1", "WIRE CHARGE"),
                entry("once more", 1, "-18.00", "1", "WIRE CHARGE")));
    assertThat(found).extracting(c -> c.entry().id()).containsExactly("given back", "other words");
    assertThat(found.get(0).alike()).isTrue();
    assertThat(BankCorrection.of(found.get(0).entry(), List.of(charged)).get(0).days())
        .isEqualTo(-9);
  }

  @Test
  void knowsOfWhichAccountAnEntrySpeaks() {
    assertThat(OwnTransfer.named(entry("x", 0, "-1.00", "1", "to lockbox-usd, 44100 27735"), NAMES))
        .containsExactly("2");
    assertThat(OwnTransfer.named(entry("x", 0, "-1.00", "2", "4410027735"), NAMES)).isEmpty();
  }
}
