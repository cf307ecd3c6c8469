package org.sumbrel.core.lockbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.lockbox.LockboxBatch.Again;
import org.sumbrel.core.receivables.RemittanceItem;

class LockboxBatchTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);

  private static Money usd(long cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  private static LockboxCheque cheque(String number, long cents, long... items) {
    return new LockboxCheque(
        number,
        number,
        "021000021",
        "77",
        usd(cents),
        "",
        Optional.of(DAY),
        Arrays.stream(items)
            .mapToObj(i -> new RemittanceItem("INV", usd(i), usd(0), usd(0), ""))
            .toList());
  }

  private static LockboxBatch batch(Integer count, Long total, LockboxCheque... cheques) {
    return new LockboxBatch(
        "7",
        "4410",
        CurrencyUnit.USD,
        Optional.of(DAY),
        Optional.ofNullable(count),
        Optional.ofNullable(total).map(LockboxBatchTest::usd),
        List.of(cheques));
  }

  @Test
  void saysInWhatItContradictsItsOwnCheques() {
    assertThat(batch(2, 30_000L, cheque("1", 10_000), cheque("2", 20_000)).contradictions())
        .isEmpty();
    assertThat(batch(null, null, cheque("1", 10_000)).contradictions()).isEmpty();
    assertThat(batch(3, 29_000L, cheque("1", 10_000), cheque("2", 20_000)).contradictions())
        .containsExactly(
            "batch 7 says it holds 3 cheques, 2 are in it",
            "batch 7 says it comes to 290.00, its cheques come to 300.00: 10.00 more");
  }

  @Test
  void saysWhatAChequeIsBeyondItsSlip() {
    assertThat(cheque("1", 10_000, 6_000, 3_000).beyondItems()).isEqualTo(usd(1_000));
    assertThat(cheque("1", 10_000, 12_000).beyondItems()).isEqualTo(usd(-2_000));
    // without a slip nothing is said, so nothing is beyond it
    assertThat(cheque("1", 10_000).beyondItems()).isEqualTo(usd(0));
  }

  @Test
  void knowsItselfAgainByItsCheques() {
    var first = batch(null, null, cheque("1", 10_000), cheque("2", 20_000), cheque("2", 20_000));
    var faces = first.cheques().stream().map(LockboxCheque::face).toList();
    assertThat(first.comparedWith(faces)).isEqualTo(Again.SAME);
    // the same cheque twice is not the same as once
    assertThat(batch(null, null, cheque("1", 10_000), cheque("2", 20_000)).comparedWith(faces))
        .isEqualTo(Again.CONTRADICTS);
    assertThat(batch(null, null, cheque("1", 10_001)).comparedWith(faces)).isEqualTo(Again.ANOTHER);
  }
}
