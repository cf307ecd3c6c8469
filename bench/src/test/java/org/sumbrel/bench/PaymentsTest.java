package org.sumbrel.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.sumbrel.bench.Payments.Profile;

/** The made-up payments are what the measurements rest on: their truths must be true. */
class PaymentsTest {

  private static final long SEED = 555;

  private static Payments.Made made(Profile profile) {
    return Payments.of(new World(SEED, 300, 8), profile, 600);
  }

  /** Parts less discounts less what was held back, and what goes on account, are the amount. */
  @ParameterizedTest
  @EnumSource
  void explainEachPaymentToTheCent(Profile profile) {
    var made = made(profile);
    assertThat(made.receipts()).hasSize(600);
    for (var receipt : made.receipts()) {
      var truth = made.truths().get(receipt.id());
      var explained =
          truth.parts().stream().mapToLong(p -> p.amount() - p.discount()).sum()
              - truth.adjustment()
              + truth.onAccount();
      if (!truth.behaviour().equals(Payments.NOBODY)) {
        assertThat(explained).as(truth.toString()).isEqualTo(receipt.amount().getAmountMinorLong());
      }
    }
  }

  @ParameterizedTest
  @EnumSource
  void useNoItemBeyondItsBalance(Profile profile) {
    var world = new World(SEED, 300, 8);
    var left = new HashMap<String, Long>();
    world.items.forEach(i -> left.put(i.id(), Math.abs(i.open().getAmountMinorLong())));
    Payments.of(world, profile, 600).truths().values().stream()
        .flatMap(t -> t.parts().stream())
        .forEach(p -> left.merge(p.itemId(), -Math.abs(p.amount()), Long::sum));
    assertThat(left.values()).noneMatch(balance -> balance < 0);
  }

  /** A seed gives the same payments everywhere, and each profile is damaged more than the last. */
  @ParameterizedTest
  @EnumSource
  void areTheSameForASeed(Profile profile) {
    assertThat(made(profile)).isEqualTo(made(profile));
    var damaged =
        made(profile).truths().values().stream().filter(t -> t.behaviour().contains(",")).count();
    assertThat(damaged)
        .isBetween(600L * profile.ordinal() / 10, 600L * (profile.ordinal() + 1) / 4);
  }

  /** The engine beats what is commonly done by far, and is seldom sure of what is wrong. */
  @ParameterizedTest
  @EnumSource
  void areExplainedBetterThanCommonPracticeDoes(Profile profile) {
    var total = Accuracy.measure(profile, 1_000, wrong -> {}).total();
    assertThat(total.right).isGreaterThan(total.commonlyRight * 3 / 2);
    assertThat(total.ofDetermined(total.right)).isGreaterThan(0.95);
    assertThat(total.wrongClear).isLessThanOrEqualTo(5);
  }
}
