package org.sumbrel.core.lockbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

class BatchTotalsTest {

  private static Money usd(long cents) {
    return Money.ofMinor(CurrencyUnit.USD, cents);
  }

  @Provide
  Arbitrary<List<ChequeUse>> uses() {
    var cents = Arbitraries.longs().between(-5_000_000, 5_000_000);
    return Combinators.combine(cents, cents, cents, cents, cents)
        .as(
            (amount, applied, account, differences, elsewhere) ->
                new ChequeUse(
                    usd(Math.abs(amount) + 1),
                    usd(applied),
                    usd(account),
                    usd(differences),
                    usd(elsewhere)))
        .list()
        .ofMaxSize(40);
  }

  @Property
  void accountForEveryCentOfTheControlTotal(@ForAll("uses") List<ChequeUse> uses) {
    var totals = BatchTotals.of(CurrencyUnit.USD, uses);
    assertThat(totals.cheques()).isEqualTo(uses.size());
    assertThat(totals.control()).isEqualTo(MoneySum.of(CurrencyUnit.USD, uses, ChequeUse::amount));
    assertThat(totals.control())
        .isEqualTo(
            totals
                .applied()
                .plus(totals.onAccount())
                .plus(totals.differences())
                .plus(totals.toAccounts())
                .plus(totals.left()));
  }

  @Example
  void leaveAllOfAChequeThatNothingIsSaidOf() {
    var totals =
        BatchTotals.of(
            CurrencyUnit.USD,
            List.of(
                ChequeUse.none(usd(10_000)),
                // 1.60 written off: the item falls by more than came
                new ChequeUse(usd(9_840), usd(10_000), usd(0), usd(-160), usd(0))));
    assertThat(totals.left()).isEqualTo(usd(10_000));
    assertThat(totals.applied()).isEqualTo(usd(10_000));
    assertThat(totals.differences()).isEqualTo(usd(-160));
  }

  @Example
  void arePostedAsTheyAreOnlyWhereAllIsAccountedFor() {
    assertThat(ChequeState.values())
        .filteredOn(ChequeState::ready)
        .containsExactly(ChequeState.SHORT, ChequeState.BY_HAND, ChequeState.CLEAR);
  }
}
