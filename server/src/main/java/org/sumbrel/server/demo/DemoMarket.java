package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * The week's payout of the marketplace Grocer's Row, in words of its own: its share of each basket
 * is a line of its own, days are told as moments, one basket was paid in euros and changed, and the
 * balance stands behind every line.
 */
final class DemoMarket {

  /** What the statement of the day before shows for it. */
  static final int NET = 211_904;

  static final String NAME = "Grocer's Row";
  private static final String NUMBER = "GR-2026-21";
  private static final LocalDate SENT = DemoBooks.TODAY.minusDays(1);
  private static final ZoneId MARKET = ZoneId.of("America/New_York");

  /** The share of the market, in per cent. */
  private static final int SHARE = 12;

  private final StringBuilder rows = new StringBuilder();
  private int next = 880_501;
  private int left;
  private int leftEuros;

  private DemoMarket() {}

  static String file(DemoBooks books) {
    var market = new DemoMarket();
    market.fill(books);
    return "Statement;From;To;Sent;Moment;What;No;About;Basket;Buyer;Paid by;Amount;Tax;Left;Money\n"
        + market.rows;
  }

  private void fill(DemoBooks books) {
    var ordered = DemoPayout.free(books).get(DemoPayout.INVOICES);
    basket(6, "16:05", ordered.order(), ordered.customer().name(), "wallet", ordered.cents(), 0);
    var returned = basket(6, "21:47", "B-55120", "Nettle & Crumb", "card", 31_800, 1_800);
    basket(5, "08:12", "B-55131", "Quay Street Rolls", "card", 26_500, 1_500);
    euros("B-55138", "Fournil Estelle");
    basket(4, "13:30", "B-55144", "The Long Loaf", "wallet", 19_080, 1_080);
    back(3, returned, "B-55120", "Nettle & Crumb", 10_600, 600);
    line(3, "15:02", "Basket returned", "", "B-54977", "Hob & Barrow", "", -5_300, -300);
    line(2, "09:00", "Stall rent", "", "", "", "", -2_500, 0);
    line(2, "09:01", "Held for returns", "", "", "", "", -15_000, 0);
    line(2, "09:01", "Let go", "", "", "", "", 12_000, 0);
    rest();
    line(1, "06:00", "Sent to bank", "", "", "", "", -left, 0);
  }

  /** One more basket brings it to what the bank shows; an odd cent is put right. */
  private void rest() {
    var gross = (NET - left) * 100 / (100 - SHARE);
    basket(2, "17:20", "B-55160", "Copper Kettle Rooms", "card", gross, 0);
    if (NET != left) {
      line(2, "17:21", "Put right", "", "", "", "", NET - left, 0);
    }
  }

  private String basket(
      int daysAgo, String time, String basket, String buyer, String paidBy, int amount, int tax) {
    var no = line(daysAgo, time, "Basket", "", basket, buyer, paidBy, amount, tax);
    line(daysAgo, time, "Row's share", no, "", "", "", -amount * SHARE / 100, 0);
    return no;
  }

  /** Half of the share of what is returned comes back. */
  private void back(int daysAgo, String about, String basket, String buyer, int amount, int tax) {
    line(daysAgo, "11:40", "Basket returned", about, basket, buyer, "", -amount, -tax);
    line(daysAgo, "11:40", "Share given back", about, "", "", "", amount * SHARE / 200, 0);
  }

  private void euros(String basket, String buyer) {
    var amount = 4_800;
    var share = amount * SHARE / 100;
    var no = next;
    row(5, "18:26", "Basket", "", basket, buyer, "card", amount, 0, "EUR");
    row(5, "18:26", "Row's share", Integer.toString(no), "", "", "", -share, 0, "EUR");
    row(5, "18:27", "Changed", "", "", "", "", share - amount, 0, "EUR");
    row(5, "18:27", "Changed", "", "", "", "", 4_583, 0, "USD");
  }

  private String line(
      int daysAgo,
      String time,
      String what,
      String about,
      String basket,
      String buyer,
      String paidBy,
      int amount,
      int tax) {
    return row(daysAgo, time, what, about, basket, buyer, paidBy, amount, tax, "USD");
  }

  private String row(
      int daysAgo,
      String time,
      String what,
      String about,
      String basket,
      String buyer,
      String paidBy,
      int amount,
      int tax,
      String money) {
    var no = Integer.toString(next++);
    var euros = money.equals("EUR");
    left += euros ? 0 : amount;
    leftEuros += euros ? amount : 0;
    var moment =
        SENT.minusDays(daysAgo - 1L).atTime(LocalTime.parse(time)).atZone(MARKET).toInstant();
    rows.append(
        "%s;%s;%s;%s;%s;%s;%s;%s;%s;%s;%s;%s;%s;%s;%s\n"
            .formatted(
                NUMBER,
                SENT.minusDays(7),
                SENT.minusDays(1),
                SENT,
                moment.truncatedTo(ChronoUnit.SECONDS),
                what,
                no,
                about,
                basket,
                buyer,
                paidBy,
                amount(amount),
                tax == 0 ? "" : amount(tax),
                amount(euros ? leftEuros : left),
                money));
    return no;
  }

  private static String amount(int cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents).getAmount().toPlainString();
  }
}
