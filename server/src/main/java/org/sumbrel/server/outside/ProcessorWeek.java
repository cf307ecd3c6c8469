package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.joda.money.CurrencyUnit;

/**
 * What a made-up card processor pays out for a week: sales of a web shop, invoices that customers
 * paid on-line, refunds and chargebacks of this week's and earlier sales, and a reserve that is let
 * go after two weeks. The same week of the same company is always the same.
 */
final class ProcessorWeek {

  private static final String[] BUYERS = {
    "A Corwin", "Hearth & Heath", "J Sallow", "The Pye Shop", "Nettle & Crumb", "Quay Street Rolls"
  };
  private static final int FEWEST_SALES = 4;
  private static final int MOST_INVOICES = 3;
  private static final int TAX_PERCENT = 6;
  private static final int RESERVE_PERCENT = 5;
  private static final long DISPUTE_FEE = 1_500;
  private static final long MONTHLY_FEE = 1_272;
  private static final long TAX_IN_MONTHLY_FEE = 72;
  private static final long LOYALTY = -1_240;

  private final LocalDate sentOn;
  private final LocalDate first;
  private final long company;
  private final ProcessorFile file;

  private ProcessorWeek(LocalDate sentOn, LocalDate first, CurrencyUnit currency, long company) {
    this.sentOn = sentOn;
    this.first = first;
    this.company = company;
    this.file = new ProcessorFile(number(sentOn), sentOn, currency, firstItem(sentOn));
  }

  /**
   * The file of a week.
   *
   * @param sentOn the day on which it is paid out
   * @param first the day of its first payout
   * @param owed what customers owe, oldest first
   * @param unknownType whether an item is of a type that nobody has heard of
   */
  static ProcessorFile of(
      LocalDate sentOn,
      LocalDate first,
      CurrencyUnit currency,
      long company,
      List<Owed> owed,
      boolean unknownType) {
    var week = new ProcessorWeek(sentOn, first, currency, company);
    week.fill(new ArrayList<>(owed));
    if (unknownType) {
      week.item("Loyalty draw", "", "", LOYALTY, 0);
    }
    return week.file;
  }

  static String number(LocalDate sentOn) {
    return "CF-%d-%02d"
        .formatted(
            sentOn.get(IsoFields.WEEK_BASED_YEAR), sentOn.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR));
  }

  /** Numbers of a week's items begin here; its web sales are the first of them. */
  private static int firstItem(LocalDate sentOn) {
    return 1_000 * (int) (sentOn.toEpochDay() / 7);
  }

  private record WebSale(
      String id, String order, LocalDate on, String buyer, String method, long gross, long tax) {}

  private Random chance(LocalDate week, int of) {
    return new Random((week.toEpochDay() * 41 + company) * 17 + of);
  }

  private List<WebSale> webSales(LocalDate week) {
    var random = chance(week, 1);
    return LongStream.range(0, FEWEST_SALES + random.nextInt(5))
        .mapToObj(
            n -> {
              var net = 100L * (20 + random.nextInt(480));
              var tax = net * TAX_PERCENT / 100;
              return new WebSale(
                  Long.toString(firstItem(week) + n),
                  "WEB-%d".formatted(firstItem(week) % 100_000 + n),
                  week.minusDays(1 + random.nextInt(7)),
                  BUYERS[random.nextInt(BUYERS.length)],
                  random.nextInt(4) == 0 ? "wallet" : "card",
                  net + tax,
                  tax);
            })
        .toList();
  }

  /** A sale of a week that its buyer's bank takes back a week later; every third has one. */
  private Optional<WebSale> disputed(LocalDate week) {
    return week.isBefore(first) || chance(week, 2).nextInt(3) > 0
        ? Optional.empty()
        : Optional.of(webSales(week).get(1));
  }

  private long reserve(LocalDate week) {
    return week.isBefore(first)
        ? 0
        : webSales(week).stream().mapToLong(WebSale::gross).sum() * RESERVE_PERCENT / 100;
  }

  private void fill(List<Owed> left) {
    var sales = webSales(sentOn);
    sales.forEach(s -> file.sale(s.order(), s.on(), s.buyer(), s.method(), s.gross(), s.tax()));
    var random = chance(sentOn, 3);
    for (var n = 0; n < 1 + random.nextInt(MOST_INVOICES) && !left.isEmpty(); n++) {
      var one = left.remove(random.nextInt(Math.min(left.size(), 12)));
      file.sale(
          random.nextBoolean() || one.order().isEmpty() ? one.number() : one.order(),
          sentOn.minusDays(1 + random.nextInt(7)),
          one.name().replace(",", ""),
          "card",
          one.open().getAmountMinorLong(),
          0);
    }
    refund(random);
    disputed(sentOn.minusWeeks(1)).ifPresent(this::takenBack);
    disputed(sentOn.minusWeeks(2))
        .filter(s -> chance(sentOn, 4).nextBoolean())
        .ifPresent(s -> item("Chargeback won", s.id(), s.order(), s.gross(), s.tax()));
    item("Reserve held", "", "", -reserve(sentOn), 0);
    if (reserve(sentOn.minusWeeks(2)) > 0) {
      item("Reserve released", "", "", reserve(sentOn.minusWeeks(2)), 0);
    }
    if (sentOn.minusDays(1).getMonth() != sentOn.minusDays(8).getMonth()) {
      fee("", MONTHLY_FEE, TAX_IN_MONTHLY_FEE);
    }
  }

  /** Half of a sale of this week or the last; half of its fee comes back. */
  private void refund(Random random) {
    var week = sentOn.minusWeeks(1).isBefore(first) ? sentOn : sentOn.minusWeeks(random.nextInt(2));
    var sale = webSales(week).get(0);
    var tax = sale.tax() / 2;
    var gross = sale.gross() / 2;
    file.item(
        "Refund",
        sale.id(),
        sale.order(),
        sentOn.minusDays(1),
        sale.buyer(),
        -gross,
        -tax,
        -file.fee(sale.gross()) / 4,
        0);
  }

  private void takenBack(WebSale sale) {
    item("Chargeback", sale.id(), sale.order(), -sale.gross(), -sale.tax());
    fee(sale.id(), DISPUTE_FEE, 0);
  }

  private void fee(String related, long fee, long tax) {
    file.item("Fee", related, "", sentOn.minusDays(1), "", 0, 0, fee, tax);
  }

  private void item(String type, String related, String order, long gross, long tax) {
    file.item(type, related, order, sentOn.minusDays(1), "", gross, tax, 0, 0);
  }
}
