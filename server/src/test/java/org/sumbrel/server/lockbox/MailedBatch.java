package org.sumbrel.server.lockbox;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.lockbox.BaiLockboxWriter;

/** A batch that a test makes up, as the bank's file; each has a number of its own. */
final class MailedBatch {

  static final LocalDate DAY = LocalDate.of(2026, 5, 28);
  private static final AtomicInteger NEXT = new AtomicInteger(100);

  private final List<LockboxCheque> cheques = new ArrayList<>();
  private final String number = String.valueOf(NEXT.incrementAndGet());
  private Optional<Money> claimed = Optional.empty();

  static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  /** What a slip says it pays of a document. */
  static RemittanceItem item(String reference, String amount) {
    var zero = Money.zero(CurrencyUnit.USD);
    return new RemittanceItem(reference, usd(amount), zero, zero, "");
  }

  MailedBatch cheque(String payer, String account, String amount, RemittanceItem... items) {
    var place = cheques.size() + 1;
    cheques.add(
        new LockboxCheque(
            String.valueOf(place),
            number + (20 + place),
            "021000021",
            account,
            usd(amount),
            payer.toUpperCase(Locale.ROOT),
            Optional.of(DAY),
            Stream.of(items).toList()));
    return this;
  }

  /** The bank claims this total, whatever the cheques come to. */
  MailedBatch claiming(String total) {
    claimed = Optional.of(usd(total));
    return this;
  }

  String number() {
    return number;
  }

  /** The file. */
  String file() {
    return BaiLockboxWriter.write(
        "LARKSTOW",
        "COPPERBECK",
        DAY.atTime(LocalTime.NOON),
        List.of(
            new LockboxBatch(
                number,
                "4410",
                CurrencyUnit.USD,
                Optional.of(DAY),
                Optional.empty(),
                claimed,
                cheques)));
  }
}
