package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.Reading;

/** Payout files in the several ways in which they are written; made up, no source. */
class PayoutTableTest {

  private static final String WEEK =
      """
      Payout,Type,Item,Related,Order,Date,Gross,Fee,Net,Balance,Payout Amount,Currency
      P-31,Sale,1001,,LM-0020412,2026-05-22,100.00,3.20,96.80,96.80,121.45,USD
      P-31,Sale,1002,,WEB-77,2026-05-23,50.00,1.75,48.25,145.05,121.45,USD
      P-31,Refund,1003,1002,WEB-77,2026-05-25,-20.00,-0.40,-19.60,125.45,121.45,USD
      P-31,Fee,1004,,,2026-05-26,,4.00,-4.00,121.45,121.45,USD
      P-31,Transfer,1005,,,2026-05-28,-121.45,,-121.45,0.00,121.45,USD
      """;

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(
        FileBytes.of(text.getBytes(StandardCharsets.UTF_8)), Optional.of(CurrencyUnit.USD));
  }

  private static Payout only(String text) throws BrokenFile {
    var content = read(text);
    assertThat(content.problems()).isEmpty();
    assertThat(content.payouts()).hasSize(1);
    return content.payouts().get(0);
  }

  private static String fees(Payout payout) {
    return String.join(" ", payout.items().stream().map(i -> MoneyText.plain(i.fee())).toList());
  }

  private static String gross(Payout payout) {
    return String.join(" ", payout.items().stream().map(i -> MoneyText.plain(i.gross())).toList());
  }

  @Test
  void readsAWeekWithTheFeeInAColumn() throws Exception {
    assertThat(read(WEEK).format()).isEqualTo(Format.PAYOUT_CSV);
    var week = only(WEEK);
    assertThat(week.number()).isEqualTo("P-31");
    assertThat(week.from()).contains(LocalDate.of(2026, 5, 22));
    assertThat(week.paidOn()).contains(LocalDate.of(2026, 5, 28));
    assertThat(MoneyText.plain(week.net())).isEqualTo("121.45");
    assertThat(MoneyText.plain(week.paidOut())).isEqualTo("121.45");
    assertThat(gross(week)).isEqualTo("100.00 50.00 -20.00 0.00 -121.45");
    assertThat(fees(week)).isEqualTo("3.20 1.75 -0.40 4.00 0.00");
    assertThat(week.items().get(2).related()).isEqualTo("1002");
  }

  @Test
  void readsFeesThatAreWrittenNegative() throws Exception {
    var negative =
        WEEK.replace(",3.20,96", ",-3.20,96")
            .replace(",1.75,48", ",-1.75,48")
            .replace(",-0.40,-19", ",0.40,-19")
            .replace(",,4.00,-4.00", ",,-4.00,-4.00");
    assertThat(fees(only(negative))).isEqualTo(fees(only(WEEK)));
  }

  @Test
  void readsAFileInWhichTheTypeAloneSaysWhatGoesAway() throws Exception {
    var bare =
        """
        payout,type,reference,gross,fee,net
        7,sale,A,100.00,3.20,96.80
        7,refund,A,20.00,0.40,19.60
        7,fee,,4.00,,
        7,fee refund,,1.00,,
        7,reserve held,,10.00,,10.00
        7,transfer,,63.80,,63.80
        """
            .replace("\n7,transfer", "\n7,reserve released,,5.00,,5.00\n7,transfer")
            .replace("63.80,,63.80", "69.20,,69.20");
    var week = only(bare);
    assertThat(gross(week)).isEqualTo("100.00 -20.00 0.00 0.00 -10.00 5.00 -69.20");
    assertThat(fees(week)).isEqualTo("3.20 -0.40 4.00 -1.00 0.00 0.00 0.00");
    assertThat(MoneyText.plain(week.net())).isEqualTo("69.20");
  }

  @Test
  void readsFeesAsRowsOfTheirOwn() throws Exception {
    var rows =
        """
        payout;type;item;related;amount;currency
        8;sale;1;;1.000,00;EUR
        8;commission;2;1;-150,00;EUR
        8;refund;3;1;-100,00;EUR
        8;commission refund;4;3;10,00;EUR
        """;
    var week = only(rows);
    assertThat(week.currency()).isEqualTo(CurrencyUnit.EUR);
    assertThat(MoneyText.plain(week.net())).isEqualTo("760.00");
    assertThat(fees(week)).isEqualTo("0.00 150.00 0.00 -10.00");
  }

  @Test
  void keepsEachCurrencyApartAndTheConversionBetweenThem() throws Exception {
    var two =
        """
        payout,type,gross,fee,net,currency
        9,sale,100.00,3.00,97.00,EUR
        9,conversion,-97.00,0.00,-97.00,EUR
        9,sale,50.00,1.50,48.50,USD
        9,conversion,104.76,0.00,104.76,USD
        """;
    var payouts = read(two).payouts();
    assertThat(payouts).extracting(p -> MoneyText.plain(p.net())).containsExactly("0.00", "153.26");
  }

  @Test
  void takesThePreviousBalanceFromItsLine() throws Exception {
    var carried = WEEK.replace("121.45,USD\nP-31,Sale,1002", "101.45,USD\nP-31,Sale,1002");
    var week =
        only(
            """
            payout,type,gross,fee,net
            3,previous balance,,,-12.50
            3,sale,100.00,3.00,97.00
            """);
    assertThat(MoneyText.plain(week.previousBalance())).isEqualTo("-12.50");
    assertThat(MoneyText.plain(week.net())).isEqualTo("84.50");
    assertThat(week.items()).hasSize(1);
    assertThat(read(carried).problems())
        .extracting(Problem::message)
        .contains("the lines of one payout give its amount of the payout as 101.45 and as 121.45");
  }

  @Test
  void tellsWhatDoesNotAddUpWithItsPlace() throws Exception {
    assertThat(read(WEEK.replace("3.20,96.80,96.80", "3.20,96.70,96.80")).problems())
        .containsExactly(
            new Problem(2, "gross 100.00 less a fee of 3.20 is 96.80, the line says 96.70", true));
    assertThat(read(WEEK.replace("-19.60,125.45", "-19.60,125.54")).problems())
        .extracting(Problem::line)
        .containsExactly(4);
    assertThat(read(WEEK.replace(",121.45,USD", ",131.45,USD")).problems())
        .contains(
            new Problem(
                2,
                "payout P-31 says it comes to 131.45, its items come to 121.45: 10.00 less",
                true));
    // the last line is cut off: the balance and the total still hold, what was paid out is not told
    var cut = WEEK.substring(0, WEEK.indexOf("P-31,Fee"));
    assertThat(read(cut).problems()).extracting(Problem::contradiction).contains(true);
  }

  @Test
  void keepsATypeThatNobodyKnowsAndSaysSo() throws Exception {
    var odd = WEEK.replace("P-31,Fee,", "P-31,Loyalty levy,");
    var content = read(odd);
    assertThat(content.problems())
        .containsExactly(
            new Problem(
                5,
                "\"Loyalty levy\" is no type of item that is known; its -4.00 count, but somebody has to say what they are",
                true));
    var payout = content.payouts().get(0);
    assertThat(payout.items()).extracting(PayoutItem::type).contains(PayoutItemType.UNKNOWN);
    assertThat(MoneyText.plain(payout.net())).isEqualTo("121.45");
  }

  @Test
  void readsByAProfileWithWordsAndATimeZoneOfItsOwn() throws Exception {
    var file =
        """
        Nr,Was,Wann,Betrag,Abzug
        1,Verkauf,2026-05-22T01:30:00Z,100.00,3.00
        2,Gebuehr,2026-05-22T12:00:00Z,0.00,5.00
        """;
    var yaml =
        """
        name: Chipfold
        subject: payout
        separator: ","
        character_set: UTF-8
        heading_line: 1
        headings: ["Nr", "Was", "Wann", "Betrag", "Abzug"]
        columns: {item: [1], type: [2], date: [3], gross: [4], fee: [5]}
        constants: {processor: Chipfold, currency: USD}
        dates: {date: year-month-day}
        decimal_mark: "."
        type_words: {verkauf: sale, gebuehr: fee}
        zone: America/New_York
        """;
    var profile = ProfileYaml.read(yaml);
    var payout =
        AnyFile.readBy(
                profile,
                FileBytes.of(file.getBytes(StandardCharsets.UTF_8)),
                new Reading(Optional.empty()))
            .payouts()
            .get(0);
    assertThat(payout.processor()).isEqualTo("Chipfold");
    assertThat(payout.items().get(0).on()).contains(LocalDate.of(2026, 5, 21));
    assertThat(MoneyText.plain(payout.net())).isEqualTo("92.00");
    // as it is written and read again it says the same
    assertThat(ProfileYaml.read(ProfileYaml.write(profile))).isEqualTo(profile);
    assertThatThrownBy(() -> ProfileYaml.read(yaml.replace("gebuehr: fee", "gebuehr: charge")))
        .hasMessageContaining("\"charge\" is no type of a payout's item");
    assertThatThrownBy(() -> ProfileYaml.read(yaml.replace("America/New_York", "Mill Lane")))
        .hasMessageContaining("no time zone");
  }

  @Test
  void tellsOfALineWithoutAnyAmount() throws Exception {
    var content = read(WEEK.replace("2026-05-26,,4.00,-4.00", "2026-05-26,,,"));
    assertThat(content.problems().get(0).message()).contains("no entry and was passed over");
    // the total does not hold without it
    assertThat(content.problems()).extracting(Problem::contradiction).contains(true);
  }

  @Test
  void refusesWhatCannotBeRead() {
    for (var broken :
        List.of(
            WEEK.replace("100.00,3.20", "a hundred,3.20"),
            WEEK.replace("2026-05-22", "sometime"))) {
      assertThatThrownBy(() -> read(broken))
          .isInstanceOf(BrokenFile.class)
          .satisfies(
              e -> assertThat(((BrokenFile) e).problems()).extracting(Problem::line).contains(2));
    }
  }

  @Test
  void showsWhatARowBecomesWhileAProfileIsMade() throws Exception {
    var preview =
        TablePreview.of(
            WEEK.getBytes(StandardCharsets.UTF_8),
            Optional.empty(),
            List.of(),
            Optional.of(CurrencyUnit.USD));
    assertThat(preview.rows().get(2).fields())
        .containsEntry("type", "refund")
        .containsEntry("fee", "-0.40");
  }

  @Test
  void saysWhatTheWordsOfASampleMeanTheUnknownOnesFirst() throws Exception {
    var sample =
        "Type,Order,Gross,Currency\nSale,A,10.00,USD\nParcel,B,2.00,USD\nSale,C,5.00,USD\n"
            .getBytes(StandardCharsets.UTF_8);
    var asked = ProfileYaml.document("subject: payout\n");
    assertThat(TablePreview.of(sample, Optional.of(asked), List.of(), Optional.empty()).words())
        .containsExactly(
            new TablePreview.TypeWord("Parcel", Optional.empty(), 1),
            new TablePreview.TypeWord("Sale", Optional.of(PayoutItemType.SALE), 2));
    var said = ProfileYaml.document("subject: payout\ntype_words:\n  parcel: adjustment\n");
    assertThat(TablePreview.of(sample, Optional.of(said), List.of(), Optional.empty()).words())
        .extracting(w -> w.meaning().orElseThrow())
        .containsExactly(PayoutItemType.SALE, PayoutItemType.ADJUSTMENT);
  }
}
