package org.sumbrel.formats.x12;

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
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Reading;

/**
 * A lockbox as ASC X12 transaction set 823: the deposit in {@code DEP}, its total in {@code AMT},
 * its count in {@code QTY}; a batch in each {@code BAT} with total and count of its own; a cheque
 * in each {@code BPR}, its number in {@code REF*CK} or {@code TRN}, the drawer in {@code N1*PR};
 * what it pays in {@code RMR}.
 */
public final class LockboxReader {

  private static final String SET = "823";

  private final Reading reading;
  private final X12Values values;
  private final CurrencyUnit currency;
  private final List<LockboxBatch> batches = new ArrayList<>();
  private final List<LockboxBatch> finished = new ArrayList<>();
  private X12Segment deposit;
  private String lockbox = "";
  private Optional<LocalDate> depositedOn = Optional.empty();
  private Optional<Money> depositTotal = Optional.empty();
  private Optional<Integer> depositCheques = Optional.empty();
  private Batch batch;
  private Cheque cheque;

  private LockboxReader(Reading reading, CurrencyUnit currency) {
    this.reading = reading;
    this.values = new X12Values(reading);
    this.currency = currency;
  }

  private static final class Batch {
    private final X12Segment at;
    private final String number;
    private Optional<Money> total = Optional.empty();
    private Optional<Integer> count = Optional.empty();
    private final List<LockboxCheque> cheques = new ArrayList<>();

    Batch(X12Segment at, String number) {
      this.at = at;
      this.number = number;
    }
  }

  private static final class Cheque {
    private final Money amount;
    private final String routing;
    private final String account;
    private String number = "";
    private String payer = "";
    private Optional<LocalDate> date = Optional.empty();
    private final List<RemittanceItem> items = new ArrayList<>();

    Cheque(Money amount, String routing, String account) {
      this.amount = amount;
      this.routing = routing;
      this.account = account;
    }
  }

  /**
   * Reads every lockbox of the interchange.
   *
   * @throws BrokenFile where it is no whole interchange, or a segment cannot be read
   */
  public static FileContent read(FileBytes file, Reading reading) throws BrokenFile {
    var batches = new ArrayList<LockboxBatch>();
    for (var transaction : X12Interchange.read(file, reading)) {
      var start = transaction.get(0);
      if (start.element(1).equals(SET)) {
        // without CUR US dollars are meant; by common practice, no source
        var reader = new LockboxReader(reading, reading.currency().orElse(CurrencyUnit.USD));
        transaction.forEach(reader::segment);
        batches.addAll(reader.finished(start));
      } else {
        reading.odd(
            start.line(),
            start.place() + ": transaction set " + start.element(1) + " is passed over");
      }
    }
    reading.requireSound();
    return FileContent.ofBatches(Format.X12_823, batches, reading.odd());
  }

  private void segment(X12Segment segment) {
    switch (segment.tag()) {
      case "DEP" -> {
        closeDeposit();
        deposit = segment;
        lockbox = segment.element(1);
        depositedOn = values.day(segment, 2);
      }
      case "BAT" -> {
        closeBatch();
        batch =
            new Batch(
                segment,
                segment.element(3).isEmpty()
                    ? String.valueOf(batches.size() + 1)
                    : segment.element(3));
      }
      case "AMT" -> total(segment);
      case "QTY" -> count(segment);
      case "BPR" -> cheque(segment);
      case "TRN" -> {
        if (cheque != null && cheque.number.isEmpty()) {
          cheque.number = bare(segment.element(2));
        }
      }
      case "REF" -> {
        if (cheque != null && segment.element(1).equals("CK")) {
          cheque.number = bare(segment.element(2));
        }
      }
      case "DTM" -> {
        if (cheque != null && cheque.items.isEmpty() && cheque.date.isEmpty()) {
          cheque.date = values.day(segment, 2);
        }
      }
      case "N1" -> {
        if (cheque != null && segment.element(1).equals("PR")) {
          cheque.payer = segment.element(2);
        }
      }
      case "RMR" -> item(segment);
      case "SE" -> closeDeposit();
      default -> {
        // addresses and contacts tell nothing about what is paid
      }
    }
  }

  /** Behind a cheque a total is none of the batch's. */
  private void total(X12Segment segment) {
    if (cheque != null) {
      return;
    }
    var amount = amount(segment, 2);
    if (batch == null) {
      depositTotal = depositTotal.or(() -> amount);
    } else {
      batch.total = batch.total.or(() -> amount);
    }
  }

  private void count(X12Segment segment) {
    if (cheque != null) {
      return;
    }
    var text = segment.element(2);
    if (!text.matches("\\d{1,7}")) {
      values.wrong(segment, "\"" + FileAmount.shortened(text) + "\" is not a count");
      return;
    }
    var claimed = Optional.of(Integer.valueOf(text));
    if (batch == null) {
      depositCheques = depositCheques.or(() -> claimed);
    } else {
      batch.count = batch.count.or(() -> claimed);
    }
  }

  private void cheque(X12Segment bpr) {
    closeCheque();
    if (batch == null) {
      batch = new Batch(bpr, String.valueOf(batches.size() + 1));
    }
    var amount = amount(bpr, 2);
    if (amount.isEmpty() || !amount.get().isPositive()) {
      if (reading.sound()) {
        values.wrong(bpr, "a cheque needs an amount above zero");
      }
      return;
    }
    cheque = new Cheque(amount.get(), routing(bpr, bpr.element(7)), bpr.element(9));
    if (!bpr.element(16).isEmpty()) {
      cheque.date = values.day(bpr, 16);
    }
  }

  private String routing(X12Segment bpr, String routing) {
    if (routing.isEmpty()) {
      return "";
    }
    try {
      CodeLine.requireRouting(routing);
      return routing;
    } catch (CodeLine.Unreadable e) {
      reading.odd(bpr.line(), bpr.place() + ": " + e.getMessage().replaceFirst("\\.$", ""));
      return "";
    }
  }

  private void item(X12Segment rmr) {
    if (cheque == null) {
      values.wrong(rmr, "what a cheque pays stands before any cheque (BPR)");
      return;
    }
    var zero = Money.zero(currency);
    var discount = amount(rmr, 6).orElse(zero).abs();
    var gross = amount(rmr, 5);
    var paid = amount(rmr, 4).or(() -> gross.map(g -> g.minus(discount)));
    if (paid.isEmpty()) {
      values.wrong(rmr, "the document has no amount");
      return;
    }
    cheque.items.add(new RemittanceItem(rmr.element(2), paid.get(), discount, zero, ""));
  }

  private void closeCheque() {
    if (cheque == null) {
      return;
    }
    batch.cheques.add(
        new LockboxCheque(
            String.valueOf(batch.cheques.size() + 1),
            cheque.number,
            cheque.routing,
            bare(cheque.account),
            cheque.amount,
            cheque.payer,
            cheque.date,
            cheque.items));
    cheque = null;
  }

  private void closeBatch() {
    closeCheque();
    if (batch == null) {
      return;
    }
    var closing =
        new LockboxBatch(
            batch.number, lockbox, currency, depositedOn, batch.count, batch.total, batch.cheques);
    var at = batch.at;
    closing
        .contradictions()
        .forEach(said -> reading.contradicted(at.line(), at.place() + ": " + said));
    batches.add(closing);
    batch = null;
  }

  private void closeDeposit() {
    closeBatch();
    if (deposit == null) {
      return;
    }
    var place = deposit.place() + ": the deposit says it ";
    var cheques = batches.stream().mapToInt(b -> b.cheques().size()).sum();
    depositCheques
        .filter(claimed -> claimed != cheques)
        .ifPresent(
            claimed ->
                reading.contradicted(
                    deposit.line(),
                    place + "holds " + claimed + " cheques, " + cheques + " are in it"));
    var total = batches.stream().map(LockboxBatch::total).reduce(Money.zero(currency), Money::plus);
    depositTotal
        .filter(claimed -> !claimed.equals(total))
        .ifPresent(
            claimed ->
                reading.contradicted(
                    deposit.line(),
                    place
                        + "comes to "
                        + MoneyText.grouped(claimed)
                        + ", its cheques come to "
                        + MoneyText.grouped(total)));
    finished.addAll(batches);
    batches.clear();
    deposit = null;
    depositTotal = Optional.empty();
    depositCheques = Optional.empty();
  }

  private List<LockboxBatch> finished(X12Segment start) {
    closeDeposit();
    finished.addAll(batches);
    if (finished.isEmpty() && reading.sound()) {
      values.wrong(start, "the lockbox holds no cheque (BPR)");
    }
    return finished;
  }

  private static String bare(String number) {
    return number.replaceFirst("^0+", "");
  }

  private Optional<Money> amount(X12Segment segment, int element) {
    return values.amount(segment, element, currency);
  }
}
