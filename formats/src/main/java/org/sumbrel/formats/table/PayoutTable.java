package org.sumbrel.formats.table;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.formats.Reading;

/**
 * A payout file as a list, one item a line. Lines of the same processor, payout and currency are
 * one payout. Files differ in how they write what goes away from us; {@link PayoutSigns} finds out
 * how this one does.
 */
final class PayoutTable {

  private static final List<TableField> AMOUNTS =
      List.of(PayoutFields.GROSS, PayoutFields.NET, PayoutFields.FEE, PayoutFields.TOTAL);

  /** Which lines are of one payout. */
  private record Key(String processor, String number, CurrencyUnit currency) {}

  private final TableProfile profile;
  private final Reading reading;

  private PayoutTable(TableProfile profile, Reading reading) {
    this.profile = profile;
    this.reading = reading;
  }

  static List<Payout> read(TableProfile profile, List<TableRow> rows, Reading reading) {
    var table = new PayoutTable(profile, reading);
    var lines = new LinkedHashMap<Key, List<PayoutLine>>();
    for (var row : rows) {
      table
          .line(new ProfiledRow(profile, row, reading))
          .ifPresent(
              line ->
                  lines
                      .computeIfAbsent(
                          new Key(line.processor(), line.number(), line.currency()),
                          k -> new ArrayList<>())
                      .add(line));
    }
    var signs = PayoutSigns.of(lines.values().stream().flatMap(List::stream).toList());
    var read = new ArrayList<Payout>();
    lines.forEach((key, some) -> read.add(table.payout(key, some, signs)));
    return read;
  }

  private Optional<PayoutLine> line(ProfiledRow row) {
    var currency = row.currency(PayoutFields.CURRENCY, AMOUNTS);
    if (currency.isEmpty()) {
      return Optional.empty();
    }
    var word = row.text(PayoutFields.TYPE);
    var line =
        new PayoutLine(
            row.line(),
            row.text(PayoutFields.PROCESSOR),
            row.text(PayoutFields.NUMBER),
            currency.get(),
            row.date(PayoutFields.FROM),
            row.date(PayoutFields.UNTIL),
            row.date(PayoutFields.PAID_ON),
            word,
            PayoutWords.previous(word)
                ? Optional.empty()
                : Optional.of(
                    PayoutWords.meaning(word, profile.typeWords()).orElse(PayoutItemType.UNKNOWN)),
            row.text(PayoutFields.ID),
            row.text(PayoutFields.RELATED),
            row.text(PayoutFields.REFERENCE),
            row.day(PayoutFields.DATE),
            amount(row, PayoutFields.GROSS, currency.get(), true),
            amount(row, PayoutFields.FEE, currency.get(), false),
            amount(row, PayoutFields.TAX, currency.get(), false),
            amount(row, PayoutFields.FEE_TAX, currency.get(), false),
            amount(row, PayoutFields.NET, currency.get(), true),
            amount(row, PayoutFields.BALANCE, currency.get(), true),
            amount(row, PayoutFields.PREVIOUS, currency.get(), true),
            amount(row, PayoutFields.TOTAL, currency.get(), true),
            row.text(PayoutFields.METHOD),
            row.text(PayoutFields.PAYER),
            row.text(PayoutFields.TEXT));
    if (row.sound() && !line.says()) {
      row.wrong("the line has no amount");
    }
    return row.sound() ? Optional.of(line) : Optional.empty();
  }

  private Optional<Money> amount(
      ProfiledRow row, TableField field, CurrencyUnit currency, boolean towardsUs) {
    if (row.text(field).isEmpty()) {
      return Optional.empty();
    }
    try {
      var amount = row.amount(field, currency);
      return Optional.of(towardsUs && profile.signsReversed() ? amount.negated() : amount);
    } catch (IllegalArgumentException e) {
      row.wrong(profile.heading(field).toLowerCase(Locale.ROOT) + ": " + e.getMessage());
      return Optional.empty();
    }
  }

  private Payout payout(Key key, List<PayoutLine> lines, PayoutSigns signs) {
    var items = new ArrayList<PayoutItem>();
    var previous = the(lines, "previous balance", PayoutLine::previous);
    for (var line : lines) {
      if (line.type().isEmpty()) {
        previous = previous.or(line::amount);
      } else {
        items.add(item(line, signs));
      }
    }
    var days = lines.stream().flatMap(l -> l.on().stream()).sorted().toList();
    var payout =
        new Payout(
            key.processor(),
            key.number(),
            key.currency(),
            first(lines, PayoutLine::from).or(() -> days.stream().findFirst()),
            first(lines, PayoutLine::until).or(() -> days.stream().max(Comparator.naturalOrder())),
            first(lines, PayoutLine::paidOn)
                .or(
                    () ->
                        items.stream()
                            .filter(i -> i.type() == PayoutItemType.TRANSFER)
                            .flatMap(i -> i.on().stream())
                            .findFirst()),
            previous.orElse(Money.zero(key.currency())),
            the(lines, "amount of the payout", PayoutLine::total),
            items);
    payout.contradictions().forEach(said -> reading.contradicted(lines.get(0).line(), said));
    balances(lines, items);
    return payout;
  }

  private PayoutItem item(PayoutLine line, PayoutSigns signs) {
    var item = signs.item(line, reading);
    if (item.type() == PayoutItemType.UNKNOWN) {
      reading.contradicted(
          line.line(),
          (line.word().isEmpty()
                  ? "the line does not say what it is"
                  : "\"" + line.word() + "\" is no type of item that is known")
              + "; its "
              + MoneyText.grouped(item.net())
              + " count, but somebody has to say what they are");
    }
    signs
        .net(line)
        .filter(told -> !told.equals(item.net()))
        .ifPresent(
            told ->
                reading.contradicted(
                    line.line(),
                    "gross "
                        + MoneyText.grouped(item.gross())
                        + " less a fee of "
                        + MoneyText.grouped(item.fee())
                        + " is "
                        + MoneyText.grouped(item.net())
                        + ", the line says "
                        + MoneyText.grouped(told)));
    return item;
  }

  /** Where every line tells the balance behind it, each must follow from the one before. */
  private void balances(List<PayoutLine> lines, List<PayoutItem> items) {
    var told = lines.stream().filter(l -> l.type().isPresent()).toList();
    if (told.isEmpty() || told.stream().anyMatch(l -> l.balance().isEmpty())) {
      return;
    }
    RunningBalances.broken(
            items.stream().map(PayoutItem::net).toList(),
            told.stream().map(l -> l.balance().orElseThrow()).toList())
        .ifPresent(
            at ->
                reading.contradicted(
                    told.get(at).line(),
                    "the balance behind this item, "
                        + MoneyText.grouped(told.get(at).balance().orElseThrow())
                        + ", does not follow from the one before and the amount "
                        + MoneyText.grouped(items.get(at).net())));
  }

  /** What the lines of a payout all say alike; where they do not, that is told. */
  private Optional<Money> the(
      List<PayoutLine> lines, String name, Function<PayoutLine, Optional<Money>> what) {
    var said = lines.stream().flatMap(l -> what.apply(l).stream()).distinct().toList();
    if (said.size() > 1) {
      reading.contradicted(
          lines.get(0).line(),
          "the lines of one payout give its "
              + name
              + " as "
              + MoneyText.grouped(said.get(0))
              + " and as "
              + MoneyText.grouped(said.get(1)));
    }
    return said.stream().findFirst();
  }

  private static Optional<LocalDate> first(
      List<PayoutLine> lines, Function<PayoutLine, Optional<LocalDate>> what) {
    return lines.stream().map(what).flatMap(Optional::stream).findFirst();
  }

  /** One line as it stands, before anything is made of its signs. */
  record PayoutLine(
      int line,
      String processor,
      String number,
      CurrencyUnit currency,
      Optional<LocalDate> from,
      Optional<LocalDate> until,
      Optional<LocalDate> paidOn,
      String word,
      Optional<PayoutItemType> type,
      String id,
      String related,
      String reference,
      Optional<LocalDate> on,
      Optional<Money> gross,
      Optional<Money> fee,
      Optional<Money> tax,
      Optional<Money> feeTax,
      Optional<Money> net,
      Optional<Money> balance,
      Optional<Money> previous,
      Optional<Money> total,
      String method,
      String payer,
      String text) {

    /** Whether it has an amount at all. */
    boolean says() {
      return Stream.of(gross, net, fee).anyMatch(Optional::isPresent);
    }

    /** What it comes to, whichever column tells it. */
    Optional<Money> amount() {
      return net.or(() -> gross).or(() -> fee.map(Money::negated));
    }
  }
}
