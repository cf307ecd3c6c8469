package org.sumbrel.server.outside;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.stream.LongStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.CodeLine;
import org.sumbrel.server.outside.DepositCredits.Brought;

/** What the simulated bank makes of deposits, and the simulated scanner of cheques. */
class DepositCreditsTest {

  private static final LocalDate DAY = LocalDate.of(2026, 6, 1);

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  private static Brought brought(long id, String cash, boolean cards, String credited) {
    return new Brought(
        id, "S" + id, DAY.minusDays(1), usd("500.00"), usd(cash), cards, usd(credited));
  }

  @Test
  void creditsNothingOnTheDayItIsBrought() {
    assertThat(DepositCredits.on(DAY.minusDays(1), List.of(brought(1, "0.00", false, "0.00"))))
        .isEmpty();
  }

  @Test
  void creditsMostWholeSomeInPartsSomeShortAndNeverMoreThanWasBrought() {
    var kinds = new HashSet<String>();
    var whole = 0;
    for (var id : LongStream.range(0, 300).toArray()) {
      var credit = DepositCredits.on(DAY, List.of(brought(id, "100.00", false, "0.00"))).get(0);
      assertThat(credit.amount()).isBetween(usd("0.01"), usd("500.00"));
      assertThat(credit.text()).contains("S" + id);
      if (credit.text().endsWith("PART")) {
        kinds.add("part");
        var left = credit.amount().getAmount().toPlainString();
        var rest = DepositCredits.on(DAY, List.of(brought(id, "100.00", false, left))).get(0);
        assertThat(credit.amount().plus(rest.amount())).isEqualTo(usd("500.00"));
      } else if (credit.amount().equals(usd("500.00"))) {
        whole++;
      } else {
        kinds.add(credit.amount().getAmount().toPlainString());
      }
    }
    assertThat(kinds).containsExactlyInAnyOrder("part", "485.00", "480.00");
    assertThat(whole).isBetween(150, 240);
  }

  @Test
  void theAcquirerKeepsHisPercentage() {
    var credit = DepositCredits.on(DAY, List.of(brought(4, "0.00", true, "0.00"))).get(0);
    assertThat(credit.amount()).isEqualTo(usd("488.00"));
  }

  @Test
  void writesAmountsOut() {
    assertThat(AmountInWords.of(usd("412.30"))).isEqualTo("Four hundred twelve and 30/100");
    assertThat(AmountInWords.of(usd("0.07"))).isEqualTo("Zero and 07/100");
    assertThat(AmountInWords.of(usd("1021900.00")))
        .isEqualTo("One million twenty-one thousand nine hundred and 00/100");
    assertThat(AmountInWords.of(usd("80.00"))).isEqualTo("Eighty and 00/100");
  }

  @Test
  void drawsAChequeWhoseCodeLineReadsBackAndWhoseNamesCannotBreakThePicture() throws Exception {
    var drawing =
        new ChequeDrawing(
            "Oskar & <Daughters>",
            "Larkstow Mill Ltd",
            DAY,
            usd("412.30"),
            "LM-0020826",
            "111000025",
            "7700012345",
            "1187");
    var read = CodeLine.parse(drawing.codeLine());
    assertThat(read).isEqualTo(new CodeLine("111000025", "7700012345", "1187"));
    var parsed =
        javax.xml.parsers.DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(
                new java.io.ByteArrayInputStream(
                    drawing.svg().getBytes(java.nio.charset.StandardCharsets.UTF_8)));
    assertThat(parsed.getDocumentElement().getTextContent())
        .contains("Oskar & <Daughters>", "LM-0020826", "USD 412.30", "1187");
  }
}
