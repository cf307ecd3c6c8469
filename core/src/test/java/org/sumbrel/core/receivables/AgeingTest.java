package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.creditNote;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Ageing.Bucket;

class AgeingTest {

  /**
   * Source: the ageing schedule in Weygandt, Kimmel and Kieso, Accounting Principles, chapter on
   * receivables: 39,600 in all, of it 27,000 not yet due, 5,700 for 1–30 days, 3,000 for 31–60,
   * 2,000 for 61–90 and 1,900 for over 90; with the book's 2, 4, 10, 20 and 40 % the allowance
   * comes to 2,228. Column totals recalled from memory; the due dates are ours.
   */
  @Test
  void sortsTheTextbookScheduleIntoItsColumns() {
    var items =
        List.of(
            invoice("1", "a", "27000.00", TODAY), invoice("2", "a", "5000.00", TODAY.minusDays(1)),
            invoice("3", "b", "700.00", TODAY.minusDays(30)),
                invoice("4", "b", "3000.00", TODAY.minusDays(31)),
            invoice("5", "c", "2000.00", TODAY.minusDays(90)),
                invoice("6", "d", "1900.00", TODAY.minusDays(91)));

    var ageing = Ageing.of(USD, items, TODAY).amounts();

    assertThat(ageing)
        .isEqualTo(
            Map.of(
                Bucket.NOT_DUE,
                usd("27000.00"),
                Bucket.DAYS_1_TO_30,
                usd("5700.00"),
                Bucket.DAYS_31_TO_60,
                usd("3000.00"),
                Bucket.DAYS_61_TO_90,
                usd("2000.00"),
                Bucket.OVER_90,
                usd("1900.00")));
    var percent = List.of("2", "4", "10", "20", "40");
    var allowance = BigDecimal.ZERO;
    for (var bucket : Bucket.values()) {
      allowance =
          allowance.add(
              ageing
                  .get(bucket)
                  .getAmount()
                  .multiply(new BigDecimal(percent.get(bucket.ordinal())))
                  .movePointLeft(2));
    }
    assertThat(allowance).isEqualByComparingTo("2228");
  }

  @Test
  void letsCreditLowerTheBucketOfItsOwnDate() {
    var credit = creditNote("CN-1", "a", "-84.00");
    var days = Ageing.of(USD, List.of(credit), TODAY).amounts();
    assertThat(days.get(Bucket.DAYS_1_TO_30)).isEqualTo(usd("-84.00"));
  }

  @Property
  void losesNoCent(@ForAll List<@IntRange(min = -400, max = 400) Integer> days) {
    var items = new ArrayList<OpenItem>();
    for (var i = 0; i < days.size(); i++) {
      items.add(invoice("" + i, "a", "1" + i + ".37", TODAY.plusDays(days.get(i))));
    }
    var sorted = Ageing.of(USD, items, TODAY).amounts().values();
    assertThat(MoneySum.of(USD, sorted, (Money m) -> m))
        .isEqualTo(MoneySum.of(USD, items, OpenItem::open));
  }

  @Test
  void inAnotherCurrencyIsWhatItsRoundedAgesComeTo() {
    var none = Money.zero(CurrencyUnit.EUR);
    var ageing =
        new Ageing(
            TODAY,
            Map.of(
                Bucket.NOT_DUE, Money.parse("EUR 0.05"),
                Bucket.DAYS_1_TO_30, Money.parse("EUR 0.05"),
                Bucket.DAYS_31_TO_60, Money.parse("EUR -100.00"),
                Bucket.DAYS_61_TO_90, none,
                Bucket.OVER_90, none));
    var inDollars = ageing.restated(new Rate(CurrencyUnit.EUR, USD, new BigDecimal("1.1"))::of);
    // 0.055 and 0.055 are 0.06 each, half to the even coin
    assertThat(inDollars.amounts().get(Bucket.NOT_DUE)).isEqualTo(Money.parse("USD 0.06"));
    assertThat(inDollars.amounts().get(Bucket.OVER_90)).isEqualTo(Money.zero(USD));
    assertThat(inDollars.total()).isEqualTo(Money.parse("USD -109.88"));
    assertThat(inDollars.asOf()).isEqualTo(ageing.asOf());
  }
}
