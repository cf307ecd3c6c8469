package org.sumbrel.formats.x12;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;

/**
 * Remittance advice as ASC X12 transaction set 820: the payment in {@code BPR}, its trace in {@code
 * TRN}, the payer in {@code N1*PR}, a document in each {@code RMR}, adjustments in {@code ADX}.
 */
public final class RemittanceReader {

  private static final String SET = "820";

  private final Reading reading;
  private final X12Values values;
  private final List<RemittanceItem> items = new ArrayList<>();

  private Money total;

  private String trace = "";
  private String payer = "";
  private Optional<LocalDate> date = Optional.empty();
  private CurrencyUnit currency;
  private boolean inDocument;
  private boolean inEntities;
  private int line;

  private RemittanceReader(Reading reading, CurrencyUnit currency) {
    this.reading = reading;
    this.values = new X12Values(reading);
    this.currency = currency;
  }

  /**
   * Reads every advice of the interchange.
   *
   * @throws BrokenFile where it is no whole interchange, or a segment cannot be read
   */
  public static FileContent read(FileBytes file, Reading reading) throws BrokenFile {
    var advices = new ArrayList<RemittanceAdvice>();
    for (var transaction : X12Interchange.read(file, reading)) {
      var set = transaction.get(0).element(1);
      if (set.equals(SET)) {
        advice(transaction, reading).ifPresent(advices::add);
      } else {
        reading.odd(
            transaction.get(0).line(),
            transaction.get(0).place() + ": transaction set " + set + " is passed over");
      }
    }
    reading.requireSound();
    return FileContent.ofRemittances(Format.X12_820, advices, reading.odd());
  }

  private static Optional<RemittanceAdvice> advice(List<X12Segment> segments, Reading reading) {
    // without CUR the payer's own currency is meant; US dollars by common practice, no source
    var reader = new RemittanceReader(reading, reading.currency().orElse(CurrencyUnit.USD));
    segments.stream().filter(s -> s.tag().equals("CUR")).findFirst().ifPresent(reader::currency);
    segments.forEach(reader::segment);
    return reader.finished(segments.get(0));
  }

  private void currency(X12Segment cur) {
    try {
      currency = CurrencyUnit.of(cur.element(2));
    } catch (IllegalCurrencyException e) {
      values.wrong(cur, "\"" + FileAmount.shortened(cur.element(2)) + "\" is not a currency code");
    }
  }

  private void segment(X12Segment segment) {
    switch (segment.tag()) {
      case "BPR" -> payment(segment);
      case "TRN" -> trace = trace.isEmpty() ? segment.element(2) : trace;
      case "DTM" -> {
        if (!inEntities && date.isEmpty()) {
          date = values.day(segment, 2);
        }
      }
      case "N1" -> {
        if (!inEntities && segment.element(1).equals("PR")) {
          payer = segment.element(2);
        }
      }
      case "ENT" -> {
        inEntities = true;
        inDocument = false;
      }
      case "RMR" -> document(segment);
      case "ADX" -> adjustment(segment);
      default -> {
        // addresses, contacts and the lines of a document tell nothing about what is paid
      }
    }
  }

  private void payment(X12Segment bpr) {
    line = bpr.line();
    total = amount(bpr, 2).orElse(null);
    if (!bpr.element(16).isEmpty()) {
      date = values.day(bpr, 16);
    }
    if (bpr.element(3).equals("D") && total != null) {
      total = total.negated();
    }
  }

  private void document(X12Segment rmr) {
    inEntities = true;
    inDocument = true;
    var zero = Money.zero(currency);
    var discount = amount(rmr, 6).orElse(zero);
    var gross = amount(rmr, 5);
    var paid = amount(rmr, 4).or(() -> gross.map(g -> g.minus(discount)));
    if (rmr.element(2).isEmpty()) {
      values.wrong(rmr, "the document has no number");
    }
    if (paid.isEmpty()) {
      values.wrong(rmr, "the document has no amount");
      return;
    }
    items.add(new RemittanceItem(rmr.element(2), paid.get(), discount.abs(), zero, ""));
  }

  /** Behind a document it says why less or more of it is paid; before any it stands for itself. */
  private void adjustment(X12Segment adx) {
    var amount = amount(adx, 1);
    if (amount.isEmpty()) {
      values.wrong(adx, "the adjustment has no amount");
      return;
    }
    var reason = adx.element(2) + (adx.element(4).isEmpty() ? "" : " " + adx.element(4));
    if (!inDocument || items.isEmpty()) {
      items.add(
          new RemittanceItem(
              adx.element(4),
              Money.zero(currency),
              Money.zero(currency),
              amount.get(),
              adx.element(2)));
      return;
    }
    var last = items.size() - 1;
    var item = items.get(last);
    items.set(
        last,
        new RemittanceItem(
            item.reference(),
            item.amount(),
            item.discount(),
            item.adjustment().plus(amount.get()),
            item.reason().isEmpty() ? reason : item.reason() + "; " + reason));
  }

  private Optional<RemittanceAdvice> finished(X12Segment start) {
    if (total == null) {
      if (reading.sound()) {
        values.wrong(start, "the advice has no BPR with the amount of the payment");
      }
      return Optional.empty();
    }
    var advice = new RemittanceAdvice(trace, date, payer, total, items);
    if (!items.isEmpty() && !advice.sum().equals(total)) {
      reading.odd(
          line,
          "the items of the advice add up to "
              + MoneyText.grouped(advice.sum())
              + ", the payment is "
              + MoneyText.grouped(total));
    }
    return Optional.of(advice);
  }

  private Optional<Money> amount(X12Segment segment, int element) {
    return values.amount(segment, element, currency);
  }
}
