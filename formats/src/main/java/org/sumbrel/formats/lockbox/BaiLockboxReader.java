package org.sumbrel.formats.lockbox;

import java.io.IOException;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.CodeLine;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.FileDate;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.TextOf;

/**
 * The BAI lockbox file: records of fixed width, told apart by their first character. 1 opens the
 * file, 2 a lockbox service, 5 a batch; 6 is a cheque, 4 what it pays; 7, 8 and 9 close batch,
 * service and file with counts and totals. The positions stand in {@code docs/formats.md}.
 */
public final class BaiLockboxReader {

  private static final String KNOWN = "12456789";
  private static final int INVOICES_OF_A_RECORD = 3;
  private static final int FIRST_INVOICE = 12;
  private static final int INVOICE_WIDTH = 20;

  private final Reading reading;
  private final CurrencyUnit currency;
  private final List<LockboxBatch> batches = new ArrayList<>();
  private int records;
  private boolean closed;

  /** The batches of which no lockbox total has been read yet. */
  private final List<LockboxBatch> notTotalled = new ArrayList<>();

  private Batch batch;

  private BaiLockboxReader(Reading reading) {
    this.reading = reading;
    // the layout has no currency; US dollars by common practice, no source
    this.currency = reading.currency().orElse(CurrencyUnit.USD);
  }

  /** A batch that is open. */
  private static final class Batch {
    private final String number;
    private final String lockbox;
    private final Optional<LocalDate> on;
    private final int line;
    private final List<LockboxCheque> cheques = new ArrayList<>();
    private BaiLine cheque;
    private List<RemittanceItem> items = new ArrayList<>();
    private int nextOverflow = 1;
    private boolean lastOverflow;

    Batch(String number, String lockbox, Optional<LocalDate> on, int line) {
      this.number = number;
      this.lockbox = lockbox;
      this.on = on;
      this.line = line;
    }
  }

  /**
   * Reads the file whole.
   *
   * @throws BrokenFile where a record cannot be read, stands where it cannot, or the end is missing
   */
  public static FileContent read(FileBytes file, Reading reading) throws BrokenFile {
    var reader = new BaiLockboxReader(reading);
    try (var in = file.open()) {
      reader.lines(TextOf.withLineFeeds(TextOf.bytes(in.readAllBytes(), reading)));
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
    reading.requireSound();
    return FileContent.ofBatches(Format.LOCKBOX_BAI, reader.batches, reading.odd());
  }

  private void lines(String text) throws BrokenFile {
    var at = 0;
    for (var line : text.split("\n", -1)) {
      at++;
      if (line.isBlank()) {
        continue;
      }
      reading.record(at);
      records++;
      if (KNOWN.indexOf(line.charAt(0)) < 0) {
        throw new BrokenFile(
            at,
            "a record begins with \"" + line.charAt(0) + "\"; expected 1, 2, 4, 5, 6, 7, 8 or 9");
      }
      record(new BaiLine(line, at));
    }
    if (!closed) {
      throw new BrokenFile(
          at,
          "the file has no record 9 at its end"
              + (batch == null
                  ? ""
                  : ", and batch " + batch.number + " of line " + batch.line + " has no record 7")
              + "; it was cut off");
    }
  }

  private void record(BaiLine line) throws BrokenFile {
    if (closed) {
      throw new BrokenFile(line.number(), "a record stands behind the file's end, record 9");
    }
    if (records == 1 && line.type() != '1') {
      throw new BrokenFile(line.number(), "the file begins with record " + line.type() + ", not 1");
    }
    switch (line.type()) {
      case '1' -> require(line, records == 1, "only the first record is a 1");
      case '2' -> require(line, batch == null, "the batch before it has no record 7");
      case '5' -> {
        require(line, batch == null, "the batch before it has no record 7");
        batch = new Batch(line.at(2, 4), line.numberAt(8, 14), day(line, 15, 20), line.number());
      }
      case '6' -> {
        requireBatch(line);
        closeCheque();
        batch.cheque = line;
      }
      case '4' -> overflow(line);
      case '7' -> closeBatch(line);
      case '8' -> closeBox(line);
      default -> closeFile(line);
    }
  }

  private static void require(BaiLine line, boolean holds, String message) throws BrokenFile {
    if (!holds) {
      throw new BrokenFile(line.number(), "record " + line.type() + " stands here, but " + message);
    }
  }

  private void requireBatch(BaiLine line) throws BrokenFile {
    require(line, batch != null, "no batch is open (record 5)");
  }

  private void overflow(BaiLine line) throws BrokenFile {
    requireBatch(line);
    require(line, batch.cheque != null, "no cheque stands before it (record 6)");
    if (!line.at(2, 7).equals(batch.cheque.at(2, 7))) {
      reading.wrong(
          line.number(),
          "it is of batch and item "
              + line.at(2, 7)
              + ", the cheque before it of "
              + batch.cheque.at(2, 7));
    }
    var sequence = line.at(9, 10);
    if (batch.lastOverflow || !sequence.equals("%02d".formatted(batch.nextOverflow))) {
      reading.contradicted(
          line.number(),
          batch.lastOverflow
              ? "the record before it was marked as the cheque's last"
              : "record 4 number "
                  + sequence
                  + " stands where number "
                  + "%02d".formatted(batch.nextOverflow)
                  + " should; one may be missing");
    }
    batch.nextOverflow++;
    batch.lastOverflow = line.at(11, 11).equals("9");
    for (var n = 0; n < INVOICES_OF_A_RECORD; n++) {
      var from = FIRST_INVOICE + n * INVOICE_WIDTH;
      var reference = line.at(from, from + 9);
      var amount = line.at(from + 10, from + 19);
      if (!reference.isEmpty() || !amount.isEmpty()) {
        money(line, from + 10, from + 19, amount)
            .ifPresent(
                m ->
                    batch.items.add(
                        new RemittanceItem(
                            reference, m, Money.zero(currency), Money.zero(currency), "")));
      }
    }
  }

  private void closeCheque() {
    var line = batch.cheque;
    if (line == null) {
      return;
    }
    if (batch.nextOverflow > 1 && !batch.lastOverflow) {
      reading.contradicted(
          line.number(),
          "the cheque's last record 4 is not marked as its last; something of it may be missing");
    }
    var amount = money(line, 8, 17, line.at(8, 17));
    if (amount.isPresent() && !amount.get().isPositive()) {
      reading.wrong(line.number(), "the cheque is of 0.00");
    } else if (amount.isPresent()) {
      batch.cheques.add(
          new LockboxCheque(
              line.numberAt(5, 7),
              line.numberAt(37, 46),
              routing(line),
              line.numberAt(27, 36),
              amount.get(),
              line.at(47, 76),
              batch.on,
              batch.items));
    }
    batch.cheque = null;
    batch.items = new ArrayList<>();
    batch.nextOverflow = 1;
    batch.lastOverflow = false;
  }

  private String routing(BaiLine line) {
    var routing = line.at(18, 26);
    if (!routing.isEmpty() && !routing.matches("0+")) {
      try {
        CodeLine.requireRouting(routing);
        return routing;
      } catch (CodeLine.Unreadable e) {
        // the money is there all the same; only the payer cannot be told by it
        reading.odd(line.number(), e.getMessage().replaceFirst("\\.$", ""));
      }
    }
    return "";
  }

  private void closeBatch(BaiLine line) throws BrokenFile {
    requireBatch(line);
    closeCheque();
    var closing =
        new LockboxBatch(
            batch.number,
            batch.lockbox,
            currency,
            batch.on,
            count(line, 21, 23),
            money(line, 24, 33, line.at(24, 33)),
            batch.cheques);
    if (!line.at(2, 4).equals(batch.number)) {
      reading.contradicted(
          line.number(), "it closes batch " + line.at(2, 4) + ", open is batch " + batch.number);
    }
    closing.contradictions().forEach(said -> reading.contradicted(line.number(), said));
    batches.add(closing);
    notTotalled.add(closing);
    batch = null;
  }

  private void closeBox(BaiLine line) throws BrokenFile {
    require(
        line, batch == null, "batch " + (batch == null ? "" : batch.number) + " has no record 7");
    require(line, !notTotalled.isEmpty(), "no batch of a lockbox is without a total");
    var named = line.numberAt(8, 14);
    var own = notTotalled.stream().filter(b -> b.lockbox().equals(named)).toList();
    if (own.isEmpty()) {
      // the total names no lockbox, or one that no batch names: it is of all before it
      own = List.copyOf(notTotalled);
    }
    notTotalled.removeAll(own);
    var cheques = own.stream().mapToInt(b -> b.cheques().size()).sum();
    var total = own.stream().map(LockboxBatch::total).reduce(Money.zero(currency), Money::plus);
    count(line, 21, 24)
        .filter(claimed -> claimed != cheques)
        .ifPresent(
            claimed ->
                reading.contradicted(
                    line.number(),
                    "the lockbox says it holds "
                        + claimed
                        + " cheques, "
                        + cheques
                        + " are in it"));
    money(line, 25, 34, line.at(25, 34))
        .filter(claimed -> !claimed.equals(total))
        .ifPresent(
            claimed ->
                reading.contradicted(
                    line.number(),
                    "the lockbox says it comes to "
                        + MoneyText.grouped(claimed)
                        + ", its cheques come to "
                        + MoneyText.grouped(total)));
  }

  private void closeFile(BaiLine line) throws BrokenFile {
    require(
        line, batch == null, "batch " + (batch == null ? "" : batch.number) + " has no record 7");
    if (!notTotalled.isEmpty()) {
      reading.contradicted(
          line.number(),
          "the lockbox of batch "
              + notTotalled.get(0).number()
              + " has no total (record 8); something of it may be missing");
    }
    count(line, 2, 7)
        .filter(claimed -> claimed != records)
        .ifPresent(
            claimed ->
                reading.contradicted(
                    line.number(),
                    "the file says it has " + claimed + " records, " + records + " are in it"));
    closed = true;
  }

  private Optional<Integer> count(BaiLine line, int from, int to) {
    var text = line.at(from, to);
    if (text.isEmpty()) {
      return Optional.empty();
    }
    if (!text.matches("\\d+")) {
      wrong(line, from, to, text, "a count");
      return Optional.empty();
    }
    return Optional.of(Integer.valueOf(text));
  }

  private Optional<Money> money(BaiLine line, int from, int to, String text) {
    if (text.isEmpty()) {
      return Optional.empty();
    }
    if (!text.matches("\\d+")) {
      wrong(line, from, to, text, "an amount in cents");
      return Optional.empty();
    }
    return Optional.of(Money.ofMinor(currency, Long.parseLong(text)));
  }

  private Optional<LocalDate> day(BaiLine line, int from, int to) {
    var text = line.at(from, to);
    if (text.isEmpty() || text.matches("0+")) {
      return Optional.empty();
    }
    try {
      return Optional.of(FileDate.sixDigits(text));
    } catch (DateTimeException e) {
      wrong(line, from, to, text, "a date such as 260529");
      return Optional.empty();
    }
  }

  private void wrong(BaiLine line, int from, int to, String text, String expected) {
    reading.wrong(
        line.number(),
        "positions "
            + from
            + " to "
            + to
            + " hold \""
            + FileAmount.shortened(text)
            + "\", expected "
            + expected);
  }
}
