package org.sumbrel.server.daysheet;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.day.Share;
import org.sumbrel.core.day.TimeToApply;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.DaysSalesOutstanding;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.books.Agreements;
import org.sumbrel.server.books.DifferenceRows;
import org.sumbrel.server.books.DifferenceRows.Difference;
import org.sumbrel.server.books.ItemsAt;
import org.sumbrel.server.books.OpenMoney;
import org.sumbrel.server.daysheet.BehindFigures.Figure;
import org.sumbrel.server.daysheet.BehindFigures.Which;
import org.sumbrel.server.daysheet.DayRows.Of;
import org.sumbrel.server.daysheet.DayRows.Sold;
import org.sumbrel.server.daysheet.DayRows.Sum;
import org.sumbrel.server.daysheet.DaySheetView.AgeingOfDay;
import org.sumbrel.server.daysheet.DaySheetView.DayHour;
import org.sumbrel.server.daysheet.DaySheetView.DayTotal;
import org.sumbrel.server.daysheet.DaySheetView.DifferenceSum;
import org.sumbrel.server.daysheet.DaySheetView.Hand;
import org.sumbrel.server.daysheet.DaySheetView.HandShare;
import org.sumbrel.server.daysheet.DaySheetView.HandSum;
import org.sumbrel.server.daysheet.DaySheetView.Holder;
import org.sumbrel.server.daysheet.DaySheetView.OutstandingAt;
import org.sumbrel.server.daysheet.DaySheetView.OutstandingDays;
import org.sumbrel.server.daysheet.DaySheetView.SheetSum;
import org.sumbrel.server.daysheet.DaySheetView.WaitedFor;
import org.sumbrel.server.daysheet.DaySheetView.WaitingEntry;
import org.sumbrel.server.daysheet.DaySheetView.WaitingMoney;

/** Puts the sheet of a day together. */
@Service
@Transactional(readOnly = true)
class DaySheets {

  private static final int DAYS_SHOWN = 14;
  private static final int MONTH = 30;
  private static final int SALES_DAYS = 90;
  private static final int MONTHS_SHOWN = 6;
  private static final int MONTHS_COUNTED_BACK = 12;
  private static final int OLDEST_SHOWN = 5;

  private final DayRows rows;
  private final BehindFigures behind;
  private final ItemsAt items;
  private final Agreements agreements;
  private final DifferenceRows differences;

  DaySheets(
      DayRows rows,
      BehindFigures behind,
      ItemsAt items,
      Agreements agreements,
      DifferenceRows differences) {
    this.rows = rows;
    this.behind = behind;
    this.items = items;
    this.agreements = agreements;
    this.differences = differences;
  }

  DaySheetView of(Of of, LocalDate on, LocalDate today) {
    var past = on.isBefore(today);
    var first = firstOf(DAYS_SHOWN, on);
    var monthFrom = firstOf(MONTH, on);
    var arrived = rows.arrived(of, first, on);
    var settled = rows.settled(of, first, on);
    var month = differences.between(of.company(), of.currency(), monthFrom, on);
    return new DaySheetView(
        on,
        past,
        of.currency().getCode(),
        sum(of, arrived, s -> s.on().equals(on)),
        sum(of, settled, s -> s.on().equals(on)),
        hours(of, on, arrived, settled),
        days(of, first, on, arrived, settled),
        hands(of, on),
        waiting(of, on, past),
        waited(rows.waited(of, on, on)),
        waited(rows.waited(of, monthFrom, on)),
        ageing(of, on, past),
        outstanding(of, on),
        byKind(of, month.stream().filter(d -> d.on().equals(on)).toList()),
        monthFrom,
        byKind(of, month),
        past ? List.of() : holders(of));
  }

  private static SheetSum sum(Of of, Collection<Sum> sums, Predicate<Sum> which) {
    var those = sums.stream().filter(which).toList();
    return new SheetSum(
        those.stream().mapToLong(Sum::count).sum(),
        MoneyView.of(of.money(those.stream().mapToLong(Sum::minor).sum())));
  }

  /** The hours with anything; what has no hour stands in none. */
  private static List<DayHour> hours(
      Of of, LocalDate on, Collection<Sum> arrived, Collection<Sum> settled) {
    return Stream.concat(arrived.stream(), settled.stream())
        .filter(s -> s.on().equals(on))
        .map(Sum::hour)
        .filter(Objects::nonNull)
        .distinct()
        .sorted()
        .map(
            hour ->
                new DayHour(
                    hour,
                    sum(of, arrived, s -> s.on().equals(on) && hour.equals(s.hour())),
                    sum(of, settled, s -> s.on().equals(on) && hour.equals(s.hour()))))
        .toList();
  }

  /** Each of the days shown, those without anything too. */
  private static List<DayTotal> days(
      Of of, LocalDate first, LocalDate last, Collection<Sum> arrived, Collection<Sum> settled) {
    return first
        .datesUntil(last.plusDays(1))
        .map(
            day ->
                new DayTotal(
                    day,
                    sum(of, arrived, s -> s.on().equals(day)),
                    sum(of, settled, s -> s.on().equals(day))))
        .toList();
  }

  private HandShare hands(Of of, LocalDate on) {
    var hands = rows.hands(of, on);
    var without =
        hands.stream()
            .filter(h -> h.hand() == Hand.UNATTENDED || h.hand() == Hand.TREATMENT)
            .mapToLong(DayRows.ByHand::count)
            .sum();
    var share = new Share(without, hands.stream().mapToLong(DayRows.ByHand::count).sum());
    return new HandShare(
        share.of(),
        share.all(),
        share.percent().orElse(null),
        hands.stream()
            .map(h -> new HandSum(h.hand(), h.count(), MoneyView.of(of.money(h.minor()))))
            .sorted(Comparator.comparing(HandSum::hand))
            .toList());
  }

  private WaitingMoney waiting(Of of, LocalDate on, boolean past) {
    var waiting = rows.waiting(of, on, past);
    var oldest =
        behind.of(of, new Which(Figure.WAITING, on, past, null, null)).rows().stream()
            .limit(OLDEST_SHOWN)
            .map(
                b ->
                    new WaitingEntry(
                        b.id(), b.on(), ChronoUnit.DAYS.between(b.on(), on), b.who(), b.amount()))
            .toList();
    return new WaitingMoney(waiting.count(), MoneyView.of(of.money(waiting.minor())), oldest);
  }

  private static WaitedFor waited(List<TimeToApply.Waited> receipts) {
    var times = TimeToApply.of(receipts);
    return new WaitedFor(times.receipts(), times.median().orElse(null), times.counts());
  }

  private AgeingOfDay ageing(Of of, LocalDate on, boolean past) {
    var end = past ? on : null;
    var standing = items.at(of.company(), of.currency(), end);
    var ageing = Ageing.of(of.currency(), standing, on);
    return new AgeingOfDay(
        OpenMoney.buckets(ageing),
        MoneyView.of(ageing.total()),
        agreements.of(of.company(), of.currency(), end, standing).agrees());
  }

  private OutstandingDays outstanding(Of of, LocalDate on) {
    var first = YearMonth.from(on).minusMonths(MONTHS_COUNTED_BACK - 1L).atDay(1);
    var sold = rows.sold(of, first.minusDays(SALES_DAYS), on);
    var owed = rows.receivables(of, on);
    var receivables = owedOn(of, owed, on);
    var sales = sales(of, sold, on);
    var trend = new ArrayList<OutstandingAt>();
    for (var n = MONTHS_SHOWN - 1; n >= 0; n--) {
      var end = n == 0 ? on : YearMonth.from(on).minusMonths(n).atEndOfMonth();
      trend.add(new OutstandingAt(end, days(owedOn(of, owed, end), sales(of, sold, end))));
    }
    return new OutstandingDays(
        days(receivables, sales),
        DaysSalesOutstanding.countedBack(receivables, on, byMonth(of, sold)).orElse(null),
        MoneyView.of(receivables),
        firstOf(SALES_DAYS, on),
        MoneyView.of(sales),
        trend);
  }

  private static Money owedOn(Of of, NavigableMap<LocalDate, Long> owed, LocalDate day) {
    var until = owed.floorEntry(day);
    return of.money(until == null ? 0 : until.getValue());
  }

  /** The first of so many days that end with one. */
  private static LocalDate firstOf(int days, LocalDate end) {
    return end.minusDays(days - 1L);
  }

  private static BigDecimal days(Money receivables, Money sales) {
    return DaysSalesOutstanding.of(receivables, sales, SALES_DAYS).orElse(null);
  }

  /** What was sold in the days that end with one. */
  private static Money sales(Of of, List<Sold> sold, LocalDate end) {
    return of.money(
        sold.stream()
            .filter(s -> !s.on().isAfter(end) && !s.on().isBefore(firstOf(SALES_DAYS, end)))
            .mapToLong(Sold::minor)
            .sum());
  }

  private static HashMap<YearMonth, Money> byMonth(Of of, List<Sold> sold) {
    var months = new HashMap<YearMonth, Money>();
    sold.forEach(s -> months.merge(YearMonth.from(s.on()), of.money(s.minor()), Money::plus));
    return months;
  }

  private static List<DifferenceSum> byKind(Of of, Collection<Difference> differences) {
    return differences.stream().collect(Collectors.groupingBy(Difference::kind)).entrySet().stream()
        .map(
            e ->
                new DifferenceSum(
                    e.getKey(),
                    e.getValue().size(),
                    MoneyView.of(
                        e.getValue().stream()
                            .map(Difference::amount)
                            .reduce(Money.zero(of.currency()), Money::plus))))
        .sorted(Comparator.comparing(DifferenceSum::kind))
        .toList();
  }

  private List<Holder> holders(Of of) {
    return rows.held(of).stream()
        .map(
            h ->
                new Holder(
                    h.user(),
                    h.drafts(),
                    h.handed(),
                    h.returned(),
                    MoneyView.of(of.money(h.minor())),
                    h.questions()))
        .toList();
  }
}
