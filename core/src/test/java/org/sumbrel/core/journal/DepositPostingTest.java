package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.deposit.Takings;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.PaidBy;

/**
 * Receipts on hand are what is in the pouch, whatever is recorded, banked, opened again, returned.
 */
class DepositPostingTest {

  private static final PaidBy[] METHODS = PaidBy.values();

  private final Map<AccountRole, Money> balances = new EnumMap<>(AccountRole.class);
  private final List<HeldReceipt> pouch = new ArrayList<>();
  private final Map<Deposit, JournalEntry> made = new java.util.LinkedHashMap<>();
  private int receipts;
  private final Set<String> gone = new HashSet<>();
  private final Set<String> sold = new HashSet<>();
  private Money takenBack = Money.zero(USD);
  private Money suspended = Money.zero(USD);

  private void write(JournalEntry entry) {
    entry.lines().forEach(line -> balances.merge(line.role(), line.amount(), Money::plus));
  }

  private Money balance(AccountRole role) {
    return balances.getOrDefault(role, Money.zero(USD));
  }

  private void record(PaidBy method, Money amount) {
    var receipt =
        new HeldReceipt("r" + receipts++, method, TODAY, amount, "Somebody", "", Optional.empty());
    pouch.add(receipt);
    write(DepositPosting.recorded("mill", receipt));
  }

  private void bank(Random random, LocalDate on) {
    var cards = random.nextInt(3) == 0;
    var some =
        pouch.stream()
            .filter(r -> (r.method() == PaidBy.CARD) == cards)
            .filter(r -> random.nextBoolean())
            .toList();
    if (some.isEmpty()) {
      return;
    }
    var loose =
        new DepositLine(
            DepositLine.Kind.LOOSE_CASH,
            Money.ofMinor(USD, 1 + random.nextInt(500)),
            Optional.empty(),
            "");
    var deposit =
        Deposit.of(
            "mill", USD, on, some, !cards && random.nextBoolean() ? List.of(loose) : List.of());
    var entry = DepositPosting.made(deposit, "Deposit");
    write(entry);
    pouch.removeAll(some);
    made.put(deposit, entry);
  }

  private void openAgain() {
    var last = List.copyOf(made.entrySet()).get(made.size() - 1);
    write(last.getValue().mirrored(TODAY, "Opened again"));
    made.remove(last.getKey());
    pouch.addAll(last.getKey().receipts());
  }

  /**
   * A cheque that comes back stays in its deposit; in the pouch it is one that was recorded again.
   */
  private void returned(Random random) {
    var deposit = List.copyOf(made.keySet()).get(random.nextInt(made.size()));
    var receipt = deposit.receipts().get(0);
    if (!gone.add(receipt.id())) {
      return;
    }
    var onTheSpot = sold.contains(receipt.id());
    write(DepositPosting.returned("mill", receipt, onTheSpot, TODAY, "Returned"));
    takenBack = takenBack.plus(receipt.amount());
    if (random.nextBoolean() && !onTheSpot) {
      record(receipt.method(), receipt.amount());
    } else if (random.nextBoolean() && onTheSpot) {
      var again =
          new HeldReceipt(
              "r" + receipts++,
              receipt.method(),
              TODAY,
              receipt.amount(),
              "Till",
              "",
              Optional.empty());
      write(DepositPosting.presentedAgain("mill", again));
      pouch.add(again);
      sold.add(again.id());
    } else if (onTheSpot) {
      suspended = suspended.plus(receipt.amount());
    }
  }

  /** A sale on the spot: its receipt is in the pouch without anything to apply. */
  private void sell(Random random) {
    var method = List.of(PaidBy.CASH, PaidBy.CHEQUE, PaidBy.CARD).get(random.nextInt(3));
    var amount = Money.ofMinor(USD, 1 + random.nextInt(9_000));
    var receipt =
        new HeldReceipt("r" + receipts++, method, TODAY, amount, "Till", "", Optional.empty());
    var sale = new Takings.Sale(Optional.empty(), amount, Money.zero(USD));
    var byTill = method == PaidBy.CASH ? amount : Money.zero(USD);
    write(
        DepositPosting.taken(
            Takings.of("mill", USD, TODAY, "Till", List.of(sale), byTill, List.of(receipt)),
            "Takings"));
    pouch.add(receipt);
    sold.add(receipt.id());
  }

  /**
   * A bank reconciliation as texts on accounting lay it out (OpenStax, Principles of Accounting,
   * volume 1, section 8.6): the balance by the bank and the deposits in transit are the balance by
   * the books, once the books have what only the bank knew. The layout is theirs, recalled without
   * the text at hand; the figures are made up for this check.
   */
  @Test
  void reconcilesTheBankWithDepositsInTransit() {
    write(
        new JournalEntry(
            "mill",
            TODAY.withDayOfMonth(1),
            "Opening balance",
            List.of(
                JournalLine.of(AccountRole.BANK, Money.of(USD, 8_000)),
                JournalLine.of(AccountRole.OPENING_BALANCES, Money.of(USD, -8_000)))));
    record(PaidBy.CHEQUE, Money.of(USD, new BigDecimal("1250.00")));
    record(PaidBy.CASH, Money.of(USD, new BigDecimal("430.50")));
    var first = Deposit.of("mill", USD, TODAY.minusDays(3), List.of(pouch.remove(0)), List.of());
    write(DepositPosting.made(first, "slip 1"));
    var last = Deposit.of("mill", USD, TODAY, List.of(pouch.remove(0)), List.of());
    write(DepositPosting.made(last, "slip 2"));
    // the bank shows the first deposit with its charge kept back, the last not yet
    var byTheBank = Money.of(USD, new BigDecimal("9238.00"));
    assertThat(balance(AccountRole.BANK)).isEqualTo(Money.of(USD, new BigDecimal("9680.50")));

    write(
        DepositPosting.difference(
            "mill",
            new DepositLine(DepositLine.Kind.BANK_FEE, Money.of(USD, -12), Optional.empty(), ""),
            TODAY,
            "charge"));

    assertThat(byTheBank.plus(last.total())).isEqualTo(balance(AccountRole.BANK));
  }

  @Property(tries = 200)
  void receiptsOnHandAreThePouchAndTheBankWhatWasBanked(@ForAll Random random) {
    balances.clear();
    pouch.clear();
    made.clear();
    takenBack = Money.zero(USD);
    gone.clear();
    sold.clear();
    suspended = Money.zero(USD);
    for (var step = 0; step < 40; step++) {
      switch (random.nextInt(7)) {
        case 0, 1, 2 ->
            record(
                METHODS[random.nextInt(METHODS.length)],
                Money.ofMinor(USD, 1 + random.nextInt(90_000)));
        case 3, 4 -> bank(random, TODAY);
        case 5 -> sell(random);
        default -> {
          if (!made.isEmpty() && takenBack.isZero() && random.nextBoolean()) {
            openAgain();
          } else if (!made.isEmpty()) {
            returned(random);
          }
        }
      }
      var cards = pouch.stream().filter(r -> r.method() == PaidBy.CARD).toList();
      var others = pouch.stream().filter(r -> r.method() != PaidBy.CARD).toList();
      assertThat(balance(AccountRole.RECEIPTS_ON_HAND))
          .isEqualTo(MoneySum.of(USD, others, HeldReceipt::amount));
      assertThat(balance(AccountRole.PROCESSOR_CLEARING))
          .isEqualTo(MoneySum.of(USD, cards, HeldReceipt::amount));
      assertThat(balance(AccountRole.BANK))
          .isEqualTo(MoneySum.of(USD, made.keySet(), Deposit::total).minus(takenBack));
      assertThat(balance(AccountRole.SUSPENSE)).isEqualTo(suspended);
      assertThat(MoneySum.of(USD, balances.values(), m -> m)).isEqualTo(Money.zero(USD));
    }
  }
}
