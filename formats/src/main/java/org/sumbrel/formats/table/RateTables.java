package org.sumbrel.formats.table;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.rates.RateRow;

/** Lists of exchange rates. */
final class RateTables {

  private static final Pattern PLAIN = Pattern.compile("\\d{1,9}(?:\\.\\d{1,12})?");
  private static final Pattern WITH_COMMA = Pattern.compile("\\d{1,9},\\d{1,12}");
  private static final Pattern EITHER = Pattern.compile("[1-9]\\d{0,2},\\d{3}");

  private RateTables() {}

  private record PairAndDay(CurrencyUnit from, CurrencyUnit to, LocalDate on) {}

  static List<RateRow> read(TableProfile profile, List<TableRow> rows, Reading reading) {
    var read = new ArrayList<RateRow>();
    var before = new HashMap<PairAndDay, RateRow>();
    for (var row : rows) {
      var cells = new ProfiledRow(profile, row, reading);
      rate(cells, profile)
          .ifPresent(
              rate -> {
                var twin =
                    before.putIfAbsent(
                        new PairAndDay(rate.rate().from(), rate.rate().to(), rate.on()), rate);
                if (twin == null) {
                  read.add(rate);
                } else if (twin.rate().perUnit().compareTo(rate.rate().perUnit()) != 0) {
                  cells.wrong(
                      "one "
                          + rate.rate().from()
                          + " is "
                          + rate.rate().perUnit().toPlainString()
                          + " "
                          + rate.rate().to()
                          + " here and "
                          + twin.rate().perUnit().toPlainString()
                          + " on line "
                          + twin.line()
                          + ", for the same day");
                }
              });
    }
    return read;
  }

  private static Optional<RateRow> rate(ProfiledRow row, TableProfile profile) {
    row.required(RateFields.ON);
    var on = row.date(RateFields.ON);
    var from = currency(row, profile, RateFields.FROM);
    var to = currency(row, profile, RateFields.TO);
    var perUnit = perUnit(row, profile);
    if (on.isEmpty() || from.isEmpty() || to.isEmpty() || perUnit.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(
          new RateRow(on.get(), new Rate(from.get(), to.get(), perUnit.get()), row.line()));
    } catch (IllegalArgumentException e) {
      row.wrong(e.getMessage());
      return Optional.empty();
    }
  }

  private static Optional<CurrencyUnit> currency(
      ProfiledRow row, TableProfile profile, TableField field) {
    var code = row.required(field);
    if (code.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(CurrencyUnit.of(code.strip().toUpperCase(Locale.ROOT)));
    } catch (IllegalCurrencyException e) {
      row.wrong(
          profile.heading(field)
              + " \""
              + FileAmount.shortened(code)
              + "\" is not a currency code such as USD");
      return Optional.empty();
    }
  }

  private static Optional<BigDecimal> perUnit(ProfiledRow row, TableProfile profile) {
    var cell = row.required(RateFields.RATE).strip();
    if (PLAIN.matcher(cell).matches()) {
      return Optional.of(new BigDecimal(cell));
    }
    if (EITHER.matcher(cell).matches()) {
      row.wrong("the rate \"" + cell + "\" may have thousands or decimals; write it with a point");
    } else if (WITH_COMMA.matcher(cell).matches()) {
      return Optional.of(new BigDecimal(cell.replace(',', '.')));
    } else if (!cell.isEmpty()) {
      row.wrong(
          profile.heading(RateFields.RATE)
              + " \""
              + FileAmount.shortened(cell)
              + "\" is not a rate such as 1.0854");
    }
    return Optional.empty();
  }
}
