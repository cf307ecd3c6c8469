package org.sumbrel.formats.rates;

import java.util.Collection;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.formats.table.OwnList;

/**
 * Writes rates as CSV (RFC 4180, UTF-8) under our own headings, which are read back without a
 * profile: {@code rate_date, from, to, rate}, where one of {@code from} is worth {@code rate} of
 * {@code to}.
 */
public final class RateListCsv {

  private RateListCsv() {}

  public static byte[] write(Collection<Quote> quotes) {
    var list = OwnList.of("rate_date", "from", "to", "rate");
    for (var quote : quotes) {
      list.row(
          quote.on().toString(),
          quote.rate().from().getCode(),
          quote.rate().to().getCode(),
          quote.rate().perUnit().stripTrailingZeros().toPlainString());
    }
    return list.bytes();
  }
}
