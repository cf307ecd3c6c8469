package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.settle.FeeTerms;

/**
 * A payout file of the made-up card processor Chipfold, as a list with the fee in a column. All
 * amounts are in minor units, in the signs of the file: negative for what goes away from us, a fee
 * that is kept positive.
 */
public final class ProcessorFile {

  public static final String NAME = "Chipfold";

  private static final String HEADINGS =
      "Acquirer,Run,Opened,Closed,Sent,Event,Ref,For ref,Shop order,Dated,Shopper,Means,Value,Tax in it,Kept,Tax in kept,Left,Run total,Cur\n";

  private final String number;
  private final LocalDate sentOn;
  private final CurrencyUnit currency;
  private final FeeTerms terms;
  private final List<String> rows = new ArrayList<>();
  private int next;
  private long net;

  /**
   * An empty file of the week before a day.
   *
   * @param firstItem the processor's number of its first item
   */
  public ProcessorFile(String number, LocalDate sentOn, CurrencyUnit currency, int firstItem) {
    this.number = number;
    this.sentOn = sentOn;
    this.currency = currency;
    this.terms = FeeTerms.parse("2.9 % + 0.30", currency);
    this.next = firstItem;
  }

  /** What its items come to so far. */
  public long net() {
    return net;
  }

  /** What is kept of a sale. */
  public long fee(long gross) {
    return terms.of(Money.ofMinor(currency, gross)).getAmountMinorLong();
  }

  /**
   * Adds a sale, less the fee.
   *
   * @return the processor's number of it
   */
  public String sale(
      String order, LocalDate on, String buyer, String method, long gross, long tax) {
    return row("Sale", "", order, on, buyer, method, gross, tax, fee(gross), 0);
  }

  /**
   * Adds any other item.
   *
   * @param related the processor's number of the sale it is about; may be empty
   */
  public void item(
      String type,
      String related,
      String order,
      LocalDate on,
      String buyer,
      long gross,
      long tax,
      long fee,
      long feeTax) {
    row(type, related, order, on, buyer, "", gross, tax, fee, feeTax);
  }

  private String row(
      String type,
      String related,
      String order,
      LocalDate on,
      String buyer,
      String method,
      long gross,
      long tax,
      long fee,
      long feeTax) {
    var id = Integer.toString(next++);
    net += gross - fee;
    rows.add(
        String.join(
            ",",
            type,
            id,
            related,
            order,
            on.toString(),
            buyer,
            method,
            amount(gross),
            amount(tax),
            amount(fee),
            amount(feeTax),
            amount(gross - fee)));
    return id;
  }

  /** The file: comma-separated, with headings, the whole amount in every row. */
  public String text() {
    return textClaiming(0);
  }

  /** The file where it claims so much more than it comes to. */
  String textClaiming(long more) {
    return rows.stream()
        .map(
            row ->
                String.join(
                    ",",
                    NAME,
                    number,
                    sentOn.minusDays(7).toString(),
                    sentOn.minusDays(1).toString(),
                    sentOn.toString(),
                    row,
                    amount(net + more),
                    currency.getCode()))
        .collect(Collectors.joining("\n", HEADINGS, "\n"));
  }

  private String amount(long minor) {
    return Money.ofMinor(currency, minor).getAmount().toPlainString();
  }
}
