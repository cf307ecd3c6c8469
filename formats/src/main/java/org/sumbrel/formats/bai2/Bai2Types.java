package org.sumbrel.formats.bai2;

import java.util.Map;

/**
 * Names of the type codes that receivables meet, after the code list of the BTRS standard (X9.121);
 * others go by their number.
 */
final class Bai2Types {

  private static final Map<Integer, String> NAMES =
      Map.ofEntries(
          Map.entry(115, "Lockbox deposit"),
          Map.entry(142, "ACH credit received"),
          Map.entry(165, "Preauthorized ACH credit"),
          Map.entry(169, "Miscellaneous ACH credit"),
          Map.entry(174, "Other deposit"),
          Map.entry(175, "Check deposit package"),
          Map.entry(195, "Incoming money transfer"),
          Map.entry(206, "Book transfer credit"),
          Map.entry(208, "International money transfer credit"),
          Map.entry(301, "Commercial deposit"),
          Map.entry(354, "Interest credit"),
          Map.entry(399, "Miscellaneous credit"),
          Map.entry(451, "ACH debit received"),
          Map.entry(455, "Preauthorized ACH debit"),
          Map.entry(475, "Check paid"),
          Map.entry(495, "Outgoing money transfer"),
          Map.entry(555, "Deposited item returned"),
          Map.entry(557, "Individual ACH return item"),
          Map.entry(698, "Miscellaneous fees"),
          Map.entry(699, "Miscellaneous debit"),
          Map.entry(890, "Information"));

  private static final int CHECK_PAID = 475;

  private Bai2Types() {}

  static String name(int type) {
    return NAMES.getOrDefault(type, "Type " + type);
  }

  static boolean isCheque(int type) {
    return type == CHECK_PAID;
  }

  /** Returned items and returned payments take an earlier movement back. */
  static boolean isReversal(int type) {
    return type == 555 || type == 557 || type == 257 || type == 255;
  }
}
