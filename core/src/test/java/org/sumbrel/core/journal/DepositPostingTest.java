package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;

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
import org.sumbrel.core.deposit.Deposit;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.core.deposit.HeldReceipt;
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
  private Money takenBack = Money.zero(USD);

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
    write(DepositPosting.returned("mill", receipt, TODAY, "Returned"));
    takenBack = takenBack.plus(receipt.amount());
    if (random.nextBoolean()) {
      record(receipt.method(), receipt.amount());
    }
  }

  @Property(tries = 200)
  void receiptsOnHandAreThePouchAndTheBankWhatWasBanked(@ForAll Random random) {
    balances.clear();
    pouch.clear();
    made.clear();
    takenBack = Money.zero(USD);
    gone.clear();
    for (var step = 0; step < 40; step++) {
      switch (random.nextInt(6)) {
        case 0, 1, 2 ->
            record(
                METHODS[random.nextInt(METHODS.length)],
                Money.ofMinor(USD, 1 + random.nextInt(90_000)));
        case 3, 4 -> bank(random, TODAY);
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
      assertThat(MoneySum.of(USD, balances.values(), m -> m)).isEqualTo(Money.zero(USD));
    }
  }
}
