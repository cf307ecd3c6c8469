package org.sumbrel.formats.lockbox;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneySum;

/** Writes a BAI lockbox file as {@link BaiLockboxReader} reads it: one lockbox, records of 80. */
public final class BaiLockboxWriter {

  private static final int WIDTH = 80;
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("yyMMdd");
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HHmm");
  private static final String NO_DAY = "000000";

  private final StringBuilder out = new StringBuilder();
  private int records;

  private BaiLockboxWriter() {}

  /**
   * Writes the file.
   *
   * @param destination whom it is for, up to ten characters
   * @param origin which bank it is of, up to ten characters
   * @throws IllegalArgumentException where something is longer than its field
   */
  public static String write(
      String destination, String origin, LocalDateTime at, List<LockboxBatch> batches) {
    var writer = new BaiLockboxWriter();
    writer.record(
        "1", "01", left(destination, 10), left(origin, 10), at.format(DAY), at.format(TIME));
    writer.record("2", left(destination, 10), left(origin, 10), left("", 10), "400", "080");
    batches.forEach(writer::batch);
    var cheques = batches.stream().mapToInt(b -> b.cheques().size()).sum();
    var last = batches.get(batches.size() - 1);
    writer.record(
        "8",
        digits(0, 3),
        digits(0, 3),
        lockbox(last),
        day(last.depositedOn()),
        digits(cheques, 4),
        cents(MoneySum.of(last.currency(), batches, LockboxBatch::total)));
    writer.record("9", digits(writer.records + 1, 6));
    return writer.out.toString();
  }

  private void batch(LockboxBatch batch) {
    record("5", digits(batch.number(), 3), digits(0, 3), lockbox(batch), day(batch.depositedOn()));
    batch.cheques().forEach(cheque -> cheque(batch, cheque));
    record(
        "7",
        digits(batch.number(), 3),
        digits(0, 3),
        lockbox(batch),
        day(batch.depositedOn()),
        digits(batch.claimedCheques().orElse(batch.cheques().size()), 3),
        cents(batch.claimedTotal().orElseGet(batch::total)));
  }

  private void cheque(LockboxBatch batch, LockboxCheque cheque) {
    var head = digits(batch.number(), 3) + digits(cheque.item(), 3);
    record(
        "6",
        head,
        cents(cheque.amount()),
        digits(cheque.routing(), 9),
        digits(cheque.account(), 10),
        digits(cheque.number(), 10),
        left(cheque.payerName().substring(0, Math.min(30, cheque.payerName().length())), 30));
    var n = 0;
    for (var item : cheque.items()) {
      n++;
      record(
          "4",
          head,
          "6",
          digits(n, 2),
          n == cheque.items().size() ? "9" : "0",
          left(item.reference(), 10),
          cents(item.amount()));
    }
  }

  private void record(String... fields) {
    var line = String.join("", fields);
    out.append(line).append(" ".repeat(WIDTH - line.length())).append('\n');
    records++;
  }

  private static String lockbox(LockboxBatch batch) {
    return digits(batch.lockbox(), 7);
  }

  private static String day(Optional<LocalDate> on) {
    return on.map(DAY::format).orElse(NO_DAY);
  }

  private static String cents(Money amount) {
    return digits(String.valueOf(amount.getAmountMinorLong()), 10);
  }

  private static String digits(int number, int width) {
    return digits(String.valueOf(number), width);
  }

  private static String digits(String number, int width) {
    return "0".repeat(Math.max(0, width - fitting(number, width).length())) + number;
  }

  private static String left(String text, int width) {
    return fitting(text, width) + " ".repeat(width - text.length());
  }

  private static String fitting(String text, int width) {
    if (text.length() > width) {
      throw new IllegalArgumentException("\"" + text + "\" is longer than " + width);
    }
    return text;
  }
}
