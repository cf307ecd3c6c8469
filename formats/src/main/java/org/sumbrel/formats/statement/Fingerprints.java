package org.sumbrel.formats.statement;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import org.sumbrel.core.money.MoneyText;

/**
 * Stable ids for entries to which the bank gives none: out of account, days, amount and texts, and
 * of how many alike stood before. The same entry gets the same one in every file of the format.
 */
final class Fingerprints {

  private static final int BYTES = 12;

  private final MessageDigest sha = sha256();
  private final Map<String, Integer> alike = new HashMap<>();

  String of(String account, StatementEntry entry) {
    var said =
        String.join(
            "\n",
            account,
            entry.bookingDate().toString(),
            entry.valueDate().toString(),
            MoneyText.plain(entry.amount()),
            entry.amount().getCurrencyUnit().getCode(),
            entry.payerName(),
            entry.payerAccount(),
            entry.remittance(),
            entry.bankReference(),
            entry.checkNumber(),
            entry.status().name());
    var print =
        HexFormat.of().formatHex(sha.digest(said.getBytes(StandardCharsets.UTF_8)), 0, BYTES);
    var before = alike.merge(print, 1, Integer::sum) - 1;
    var id = StatementEntry.FINGERPRINT + print;
    return before == 0 ? id : id + "-" + (before + 1);
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }
}
