package org.sumbrel.formats.table;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.CodeLine;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.Reading;

/**
 * A lockbox as a list. Lines of the same batch and cheque are one cheque with several items. Where
 * a column of its own holds what is paid of each item, the cheque's amount is told on every line;
 * where none does, each line's amount is its part of the cheque.
 */
final class LockboxTable {

  private static final List<TableField> AMOUNTS =
      List.of(LockboxFields.AMOUNT, LockboxFields.ITEM_AMOUNT, LockboxFields.BATCH_TOTAL);

  /** Which lines are of one batch. */
  private record BatchKey(
      String lockbox, String batch, Optional<LocalDate> on, CurrencyUnit currency) {}

  /** Which lines are of one cheque; without number and item every line is one of its own. */
  private record ChequeKey(String item, String number, String account, int line) {}

  private record Line(
      int number,
      String routing,
      String account,
      Money amount,
      String payer,
      Optional<LocalDate> date,
      String reference,
      Optional<Money> itemAmount) {}

  private static final class Batch {
    private final Map<ChequeKey, List<Line>> cheques = new LinkedHashMap<>();
    private Optional<Money> total = Optional.empty();
    private Optional<Integer> count = Optional.empty();
    private int line;
  }

  private final TableProfile profile;
  private final Reading reading;
  private final boolean itemised;

  private LockboxTable(TableProfile profile, Reading reading) {
    this.profile = profile;
    this.reading = reading;
    this.itemised = profile.has(LockboxFields.ITEM_AMOUNT);
  }

  static List<LockboxBatch> read(TableProfile profile, List<TableRow> rows, Reading reading) {
    var table = new LockboxTable(profile, reading);
    var batches = new LinkedHashMap<BatchKey, Batch>();
    for (var row : rows) {
      table.line(new ProfiledRow(profile, row, reading), batches);
    }
    var read = new ArrayList<LockboxBatch>();
    batches.forEach((key, batch) -> read.add(table.batch(key, batch)));
    return read;
  }

  private void line(ProfiledRow row, Map<BatchKey, Batch> batches) {
    var currency = row.currency(LockboxFields.CURRENCY, AMOUNTS);
    var on = row.date(LockboxFields.DEPOSITED);
    var date = row.date(LockboxFields.DATE);
    if (currency.isEmpty()) {
      return;
    }
    var amount = amount(row, LockboxFields.AMOUNT, currency.get());
    var itemAmount = amount(row, LockboxFields.ITEM_AMOUNT, currency.get());
    var total = amount(row, LockboxFields.BATCH_TOTAL, currency.get());
    var count = row.text(LockboxFields.BATCH_CHEQUES);
    if (!count.isEmpty() && !count.matches("\\d{1,6}")) {
      row.wrong(profile.heading(LockboxFields.BATCH_CHEQUES) + " \"" + count + "\" is not a count");
    }
    if (amount.isEmpty() && row.sound()) {
      row.wrong(profile.heading(LockboxFields.AMOUNT) + " is empty");
    }
    if (!row.sound()) {
      return;
    }
    var batch =
        batches.computeIfAbsent(
            new BatchKey(
                row.text(LockboxFields.LOCKBOX), row.text(LockboxFields.BATCH), on, currency.get()),
            k -> new Batch());
    batch.line = batch.line == 0 ? row.line() : batch.line;
    batch.total = batch.total.or(() -> total);
    batch.count =
        batch.count.or(
            () -> count.isEmpty() ? Optional.empty() : Optional.of(Integer.valueOf(count)));
    var item = row.text(LockboxFields.ITEM);
    var number = bare(row.text(LockboxFields.CHECK_NUMBER));
    var account = bare(row.text(LockboxFields.ACCOUNT));
    batch
        .cheques
        .computeIfAbsent(
            new ChequeKey(
                item, number, account, item.isEmpty() && number.isEmpty() ? row.line() : 0),
            k -> new ArrayList<>())
        .add(
            new Line(
                row.line(),
                row.text(LockboxFields.ROUTING),
                account,
                amount.get(),
                row.text(LockboxFields.PAYER),
                date,
                row.text(LockboxFields.DOCUMENT),
                itemAmount));
  }

  private LockboxBatch batch(BatchKey key, Batch batch) {
    var wholes = !itemised && tellsWholes(batch, key.currency());
    var cheques = new ArrayList<LockboxCheque>();
    batch.cheques.forEach(
        (cheque, lines) -> cheques.add(cheque(cheque, lines, wholes, cheques.size() + 1)));
    var read =
        new LockboxBatch(
            key.batch().isEmpty() ? "1" : key.batch(),
            key.lockbox(),
            key.currency(),
            key.on(),
            batch.count,
            batch.total,
            cheques);
    read.contradictions().forEach(said -> reading.contradicted(batch.line, said));
    return read;
  }

  /**
   * Whether a cheque on several lines has its whole amount on each, where no column tells items
   * apart: only the batch's total can say so. Where it does not, and every line has the same
   * amount, nobody can tell.
   */
  private boolean tellsWholes(Batch batch, CurrencyUnit currency) {
    var doubtful =
        batch.cheques.values().stream()
            .filter(lines -> lines.size() > 1)
            .filter(lines -> lines.stream().map(Line::amount).distinct().count() == 1)
            .toList();
    if (doubtful.isEmpty()) {
      return false;
    }
    var parts =
        MoneySum.of(
            currency, batch.cheques.values().stream().flatMap(List::stream).toList(), Line::amount);
    var wholes =
        MoneySum.of(
            currency,
            batch.cheques.values().stream().map(lines -> lines.get(0)).toList(),
            Line::amount);
    if (batch.total.filter(parts::equals).isPresent()) {
      return false;
    }
    if (batch.total.filter(wholes::equals).isPresent()) {
      return true;
    }
    for (var lines : doubtful) {
      reading.wrong(
          lines.get(0).number(),
          "a cheque stands on "
              + lines.size()
              + " lines with "
              + MoneyText.grouped(lines.get(0).amount())
              + " on each; whether that is a part or the whole cannot be told without a column of the items' amounts");
    }
    return false;
  }

  private LockboxCheque cheque(ChequeKey key, List<Line> lines, boolean wholes, int place) {
    var first = lines.get(0);
    var currency = first.amount().getCurrencyUnit();
    var whole = itemised || wholes || lines.size() == 1;
    var amount = whole ? first.amount() : MoneySum.of(currency, lines, Line::amount);
    if (whole) {
      lines.stream()
          .filter(l -> !l.amount().equals(first.amount()))
          .findFirst()
          .ifPresent(
              other ->
                  reading.wrong(
                      other.number(),
                      "the cheque is of "
                          + MoneyText.grouped(first.amount())
                          + " on line "
                          + first.number()
                          + " and of "
                          + MoneyText.grouped(other.amount())
                          + " here"));
    }
    if (!amount.isPositive()) {
      reading.wrong(first.number(), "a cheque of " + MoneyText.grouped(amount) + " is none");
    }
    var items = new ArrayList<RemittanceItem>();
    for (var line : lines) {
      // where every line tells the whole, none tells its part
      var paid =
          itemised
              ? line.itemAmount()
              : Optional.of(line.amount()).filter(a -> !wholes || lines.size() == 1);
      if (!line.reference().isEmpty() || itemised && paid.isPresent()) {
        var zero = Money.zero(currency);
        items.add(new RemittanceItem(line.reference(), paid.orElse(zero), zero, zero, ""));
      }
    }
    return new LockboxCheque(
        key.item().isEmpty() ? String.valueOf(place) : key.item(),
        key.number(),
        routing(first),
        first.account(),
        amount,
        first.payer(),
        first.date(),
        items);
  }

  private String routing(Line line) {
    if (line.routing().isEmpty()) {
      return "";
    }
    try {
      CodeLine.requireRouting(line.routing());
      return line.routing();
    } catch (CodeLine.Unreadable e) {
      reading.odd(line.number(), e.getMessage().replaceFirst("\\.$", ""));
      return "";
    }
  }

  private static String bare(String number) {
    return number.replaceFirst("^0+(?=.)", "");
  }

  private Optional<Money> amount(ProfiledRow row, TableField field, CurrencyUnit currency) {
    if (row.text(field).isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(row.amount(field, currency));
    } catch (IllegalArgumentException e) {
      row.wrong(profile.heading(field).toLowerCase(Locale.ROOT) + ": " + e.getMessage());
      return Optional.empty();
    }
  }
}
