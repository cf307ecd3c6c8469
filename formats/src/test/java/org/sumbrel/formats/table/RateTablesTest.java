package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.rates.RateListCsv;
import org.sumbrel.formats.rates.RateRow;

class RateTablesTest {

  private static final String HEAD = "rate_date,from,to,rate\n";

  private static List<RateRow> read(String text) throws BrokenFile {
    var content = AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
    assertThat(content.format()).isEqualTo(Format.RATES_CSV);
    return content.rates();
  }

  @Test
  void readsTheDayThePairAndTheRateWithAllItsFigures() throws BrokenFile {
    var rows = read(HEAD + "2026-05-28,EUR,USD,1.085\n2026-05-28,usd,JPY,154.123456\n");
    assertThat(rows).hasSize(2);
    assertThat(rows.get(0).on()).isEqualTo(LocalDate.of(2026, 5, 28));
    assertThat(rows.get(0).rate().from()).isEqualTo(CurrencyUnit.EUR);
    assertThat(rows.get(0).rate().to()).isEqualTo(CurrencyUnit.USD);
    // three decimals are no thousands
    assertThat(rows.get(0).rate().perUnit()).isEqualTo(new BigDecimal("1.085"));
    assertThat(rows.get(1).rate().perUnit()).isEqualTo(new BigDecimal("154.123456"));
  }

  @Test
  void readsBackWhatItWrites() throws BrokenFile {
    var rows = read(HEAD + "2026-05-28,EUR,USD,1.0850\n2026-05-27,GBP,USD,1.27\n");
    var quotes = rows.stream().map(r -> new Quote(r.on(), r.rate())).toList();
    var again = read(new String(RateListCsv.write(quotes), StandardCharsets.UTF_8));
    assertThat(again.stream().map(r -> r.on() + " " + r.rate().perUnit()))
        .containsExactly("2026-05-28 1.085", "2026-05-27 1.27");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2026-05-28,EUR,USD,0|above 0",
        "2026-05-28,EUR,USD,-1.08|is not a rate such as 1.0854",
        "2026-05-28,EUR,USD,|rate is empty",
        "2026-05-28,EUR,EUR,1|from EUR to itself",
        "2026-05-28,EUR,XQQ,1|XQQ",
        "28 or so,EUR,USD,1|28 or so",
        ",EUR,USD,1|rate_date is empty",
        "2026-05-28,EUR,USD,1.08\\n2026-05-28,EUR,USD,1.09|1.09 USD here and 1.08 on line 2",
      })
  void saysWhatIsWrongWithItsLine(String rows, String reason) {
    assertThatThrownBy(() -> read(HEAD + rows.replace("\\n", "\n") + "\n"))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining(reason)
        .hasMessageContaining("ine ");
  }

  @Test
  void aCommaThatMayGroupThousandsIsAskedAbout() throws BrokenFile {
    assertThat(read("rate_date;from;to;rate\n2026-05-28;EUR;USD;1,0854\n").get(0).rate().perUnit())
        .isEqualTo(new BigDecimal("1.0854"));
    assertThatThrownBy(() -> read("rate_date;from;to;rate\n2026-05-28;EUR;USD;1,085\n"))
        .hasMessageContaining("thousands or decimals");
  }
}
