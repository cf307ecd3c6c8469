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
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.Reading;

/**
 * Remittance advice as a list, one document a line. Lines of the same trace, date, payer and
 * currency are one advice; where no column gives its total, the lines' sum is.
 */
final class RemittanceTable {

  private static final List<TableField> AMOUNTS =
      List.of(RemittanceFields.AMOUNT, RemittanceFields.TOTAL);

  /** Which lines belong together. */
  private record Payment(
      String trace, Optional<LocalDate> date, String payer, CurrencyUnit currency) {}

  private record Line(RemittanceItem item, Optional<Money> total, int line) {}

  private final TableProfile profile;
  private final Reading reading;

  private RemittanceTable(TableProfile profile, Reading reading) {
    this.profile = profile;
    this.reading = reading;
  }

  static List<RemittanceAdvice> read(TableProfile profile, List<TableRow> rows, Reading reading) {
    var table = new RemittanceTable(profile, reading);
    var payments = new LinkedHashMap<Payment, List<Line>>();
    for (var row : rows) {
      table.line(new ProfiledRow(profile, row, reading), payments);
    }
    var advices = new ArrayList<RemittanceAdvice>();
    payments.forEach((payment, lines) -> advices.add(table.advice(payment, lines)));
    return advices;
  }

  private void line(ProfiledRow row, Map<Payment, List<Line>> payments) {
    var currency = row.currency(RemittanceFields.CURRENCY, AMOUNTS);
    var date = row.date(RemittanceFields.PAID_ON);
    var reference = row.required(RemittanceFields.DOCUMENT);
    if (currency.isEmpty()) {
      return;
    }
    var zero = Money.zero(currency.get());
    var amount = amount(row, RemittanceFields.AMOUNT, currency.get());
    var discount = amount(row, RemittanceFields.DISCOUNT, currency.get());
    var adjustment = amount(row, RemittanceFields.ADJUSTMENT, currency.get());
    var total = amount(row, RemittanceFields.TOTAL, currency.get());
    if (!row.sound()) {
      return;
    }
    var item =
        new RemittanceItem(
            reference,
            amount.orElse(zero),
            discount.orElse(zero).abs(),
            adjustment.orElse(zero),
            row.text(RemittanceFields.REASON));
    payments
        .computeIfAbsent(
            new Payment(
                row.text(RemittanceFields.TRACE),
                date,
                row.text(RemittanceFields.PAYER),
                currency.get()),
            p -> new ArrayList<>())
        .add(new Line(item, total, row.line()));
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

  private RemittanceAdvice advice(Payment payment, List<Line> lines) {
    var items = lines.stream().map(Line::item).toList();
    var summed =
        new RemittanceAdvice(
            payment.trace(),
            payment.date(),
            payment.payer(),
            Money.zero(payment.currency()),
            items);
    var totals = lines.stream().flatMap(l -> l.total().stream()).distinct().toList();
    var total = totals.isEmpty() ? summed.sum() : totals.get(0);
    if (totals.size() > 1) {
      reading.wrong(
          lines.get(0).line(),
          "the lines of one payment name its total as "
              + MoneyText.grouped(totals.get(0))
              + " and as "
              + MoneyText.grouped(totals.get(1)));
    }
    if (!summed.sum().equals(total)) {
      reading.odd(
          lines.get(0).line(),
          "the items of the advice add up to "
              + MoneyText.grouped(summed.sum())
              + ", the payment is "
              + MoneyText.grouped(total));
    }
    return new RemittanceAdvice(payment.trace(), payment.date(), payment.payer(), total, items);
  }
}
