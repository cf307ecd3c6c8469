package org.sumbrel.formats.table;

import java.util.List;
import org.sumbrel.formats.table.TableField.Kind;

/** What the columns of a list of exchange rates hold: one pair and day a line. */
final class RateFields {

  static final TableField ON =
      TableField.of(
          "rate_date", Kind.DATE, "date", "quote date", "valid from", "datum", "kursdatum");
  static final TableField FROM =
      TableField.of(
          "from",
          Kind.TEXT,
          "from currency",
          "base",
          "base currency",
          "unit currency",
          "von waehrung");
  static final TableField TO =
      TableField.of(
          "to",
          Kind.TEXT,
          "to currency",
          "quote currency",
          "quoted currency",
          "counter currency",
          "nach waehrung");

  /** Read as a text: where three decimals are usual, they are no thousands. */
  static final TableField RATE =
      TableField.of("rate", Kind.TEXT, "exchange rate", "per unit", "kurs", "wechselkurs", "cours");

  static final List<TableField> ALL = List.of(ON, FROM, TO, RATE);

  private RateFields() {}
}
