package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.CheckDigit;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.server.outside.Envelopes.Seen;

/**
 * What comes in the envelopes of one made-up day: customers pay what they owe by cheque, and
 * something happens to every other of them. The same day of the same company is always the same.
 */
final class MailRoomDay {

  /** A cheque as the file tells it, and what stands on it. */
  record Envelope(LockboxCheque cheque, Seen seen) {}

  /** What happens to a cheque or its slip on the way. */
  private enum Mishap {
    ORDER_FOR_NUMBER,
    FIGURES_LOST,
    LETTER_FOR_FIGURE,
    TWO_IN_ONE,
    NO_SLIP,
    A_LITTLE_UNDER,
    FAR_UNDER,
    DRAWER_NOT_READ,
    SLIP_OF_ANOTHER_SUM
  }

  private static final int PLAIN = 5;
  private static final int FEWEST = 6;
  private static final int LONGEST_REFERENCE = 10;
  private static final long A_LITTLE = 150;
  private static final long OTHER_SUM = 1_000;

  private final LocalDate day;
  private final CurrencyUnit currency;
  private final Random random;
  private final List<Envelope> envelopes = new ArrayList<>();

  private MailRoomDay(LocalDate day, CurrencyUnit currency, long company) {
    this.day = day;
    this.currency = currency;
    this.random = new Random(day.toEpochDay() * 37 + company);
  }

  /**
   * The day's envelopes.
   *
   * @param owed what customers owe, oldest first
   */
  static List<Envelope> of(LocalDate day, CurrencyUnit currency, long company, List<Owed> owed) {
    var room = new MailRoomDay(day, currency, company);
    room.fill(new ArrayList<>(owed));
    return room.envelopes;
  }

  private void fill(List<Owed> left) {
    var mishaps = new ArrayList<Optional<Mishap>>();
    Arrays.stream(Mishap.values()).map(Optional::of).forEach(mishaps::add);
    for (var n = 0; n < PLAIN; n++) {
      mishaps.add(Optional.empty());
    }
    Collections.shuffle(mishaps, random);
    var most = FEWEST + random.nextInt(mishaps.size() - FEWEST + 1);
    for (var mishap : mishaps.subList(0, most)) {
      if (!left.isEmpty()) {
        var one = left.remove(random.nextInt(Math.min(left.size(), 2 * most)));
        mishap.ifPresentOrElse(m -> pay(one, m, left), () -> add(one, one.open(), one.number()));
      }
    }
  }

  private void pay(Owed one, Mishap mishap, List<Owed> left) {
    var open = one.open();
    switch (mishap) {
      case ORDER_FOR_NUMBER -> add(one, open, one.order().isEmpty() ? one.number() : one.order());
      case FIGURES_LOST -> add(one, open, one.number().replaceFirst("^\\D*0*", ""));
      case LETTER_FOR_FIGURE -> add(one, open, one.number().replaceFirst("0", "O"));
      case TWO_IN_ONE -> {
        var other = left.stream().filter(o -> o.customer().equals(one.customer())).findFirst();
        other.ifPresent(left::remove);
        add(
            one,
            other.map(o -> List.of(one, o)).orElse(List.of(one)),
            one.name(),
            MoneySum.of(currency, other.map(o -> List.of(one, o)).orElse(List.of(one)), Owed::open),
            other
                .map(o -> List.of(item(one.number(), open), item(o.number(), o.open())))
                .orElse(List.of(item(one.number(), open))));
      }
      case NO_SLIP -> add(one, List.of(one), one.name(), open, List.of());
      case A_LITTLE_UNDER -> add(one, less(open, A_LITTLE), one.number());
      case FAR_UNDER -> add(one, less(open, open.getAmountMinorLong() / 1_000 * 100), one.number());
      case DRAWER_NOT_READ -> add(one, List.of(one), "", open, List.of(item(one.number(), open)));
      case SLIP_OF_ANOTHER_SUM ->
          add(
              one,
              List.of(one),
              one.name(),
              open,
              List.of(item(one.number(), less(open, OTHER_SUM))));
    }
  }

  private Money less(Money open, long minor) {
    return open.getAmountMinorLong() > 2 * minor
        ? open.minus(Money.ofMinor(currency, minor))
        : open;
  }

  private void add(Owed one, Money amount, String reference) {
    add(one, List.of(one), one.name(), amount, List.of(item(reference, amount)));
  }

  private RemittanceItem item(String reference, Money amount) {
    var zero = Money.zero(currency);
    var fitting =
        reference.length() <= LONGEST_REFERENCE
            ? reference
            : reference.substring(reference.length() - LONGEST_REFERENCE);
    return new RemittanceItem(fitting, amount, zero, zero, "");
  }

  private void add(
      Owed one, List<Owed> pays, String readAs, Money amount, List<RemittanceItem> items) {
    var place = String.valueOf(envelopes.size() + 1);
    var bank = "9990%04d".formatted(one.customer() % 7);
    envelopes.add(
        new Envelope(
            new LockboxCheque(
                place,
                String.valueOf(1_000 + one.customer() % 97 * 83 + day.getDayOfYear()),
                bank + CheckDigit.aba(bank),
                "77%06d".formatted(one.customer() * 7_919 % 1_000_000),
                amount,
                readAs.toUpperCase(Locale.ROOT),
                Optional.of(day),
                items),
            new Seen(
                place,
                one.name(),
                String.join(", ", pays.stream().map(Owed::number).toList()),
                pays.stream().map(Owed::number).toList())));
  }
}
