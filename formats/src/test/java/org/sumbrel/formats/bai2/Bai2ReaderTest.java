package org.sumbrel.formats.bai2;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.formats.TestFiles.amounts;
import static org.sumbrel.formats.TestFiles.only;
import static org.sumbrel.formats.TestFiles.read;
import static org.sumbrel.formats.TestFiles.sentences;

import java.time.LocalDate;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.TestFiles;
import org.sumbrel.formats.statement.EntryStatus;

class Bai2ReaderTest {

  /** One account in one group with these transactions; totals and counts are right. */
  private static String file(String account, long total, String... transactions) {
    var records = new StringBuilder();
    for (var transaction : transactions) {
      records.append(transaction).append('\n');
    }
    var lines = (int) records.chars().filter(c -> c == '\n').count();
    return "01,122099999,123456789,260529,0800,1,80,,2/\n02,123456789,122099999,1,260528,,USD,2/\n"
        + account
        + "\n"
        + records
        + "49,%d,%d/\n98,%d,1,%d/\n99,%d,1,%d/\n"
            .formatted(total, lines + 2, total, lines + 4, total, lines + 6);
  }

  /**
   * Source: BAI, Cash Management Balance Reporting Specifications Version 2, the example of a file
   * with continuation records and funds type S (accounts 0123456789 and 9876543210), written down
   * from memory; its own control totals and record counts hold.
   */
  @Test
  void readsTheSpecificationsExample() throws Exception {
    var content = AnyFile.read(TestFiles.bytes("bai2/report-example.bai"));

    assertThat(content.format()).isEqualTo(Format.BAI2);
    assertThat(content.problems()).isEmpty();
    assertThat(content.accounts()).hasSize(2);
    var first = content.accounts().get(0);
    assertThat(first.account()).isEqualTo("0123456789");
    assertThat(first.currency().getCode()).isEqualTo("USD");
    assertThat(first.opening().orElseThrow().amount()).isEqualTo(Money.parse("USD 43500.00"));
    assertThat(amounts(first)).containsExactly("4500.00");
    var second = content.accounts().get(1);
    assertThat(second.opening().orElseThrow().amount()).isEqualTo(Money.parse("USD -5000.00"));
    assertThat(second.entries())
        .singleElement()
        .satisfies(
            e -> {
              assertThat(e.amount()).isEqualTo(Money.parse("USD 5000.00"));
              assertThat(e.remittance()).isEqualTo("LOCK BOX NO.68751");
              assertThat(e.bookingDate()).isEqualTo(LocalDate.of(2004, 6, 20));
            });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "16,165,50000,0,B1,C1,TEXT, WITH COMMA|2026-05-28",
        "16,165,50000,1,B1,C1,TEXT, WITH COMMA|2026-05-28",
        "16,165,50000,2,B1,C1,TEXT, WITH COMMA|2026-05-28",
        "16,165,50000,,B1,C1,TEXT, WITH COMMA|2026-05-28",
        "16,165,50000,Z,B1,C1,TEXT, WITH COMMA|2026-05-28",
        "16,165,50000,S,20000,30000,0,B1,C1,TEXT, WITH COMMA|2026-05-28",
        "16,165,50000,V,260530,1200,B1,C1,TEXT, WITH COMMA|2026-05-30",
        "16,165,50000,D,3,0,10000,1,20000,3,20000,B1,C1,TEXT, WITH COMMA|2026-05-28"
      })
  void readsEveryFundsType(String transaction, LocalDate value) throws Exception {
    var content = read(file("03,77,USD,010,100,,/", 50100, transaction));
    assertThat(content.problems()).isEmpty();
    assertThat(only(content).entries())
        .singleElement()
        .satisfies(
            e -> {
              assertThat(e.amount()).isEqualTo(Money.parse("USD 500.00"));
              assertThat(e.entryId()).isEqualTo("B1");
              assertThat(e.remittance()).isEqualTo("TEXT, WITH COMMA C1");
              assertThat(e.valueDate()).isEqualTo(value);
              assertThat(e.bankText()).isEqualTo("Preauthorized ACH credit");
            });
  }

  @Test
  void joinsTextsOverContinuations() throws Exception {
    var content =
        read(
            file(
                "03,77,,,,,/",
                50000,
                "16,165,50000,0,B1,,INV 20418",
                "88,AND INV 20419/",
                "88,THANK YOU"));
    assertThat(content.problems()).isEmpty();
    assertThat(only(content).entries().get(0).remittance())
        .isEqualTo("INV 20418 AND INV 20419 THANK YOU");
  }

  @Test
  void tellsDebitsByTheirCodeAndChequesByTheirNumber() throws Exception {
    var content =
        read(
            file(
                "03,77,USD,010,0,,,015,-30000,,/",
                -30000 + 10000 + 20000 + 100,
                "16,475,10000,0,B1,100234/",
                "16,555,20000,0,B2,/",
                "16,890,100,0,B3,,NOT MONEY"));
    assertThat(content.problems()).isEmpty();
    var entries = only(content).entries();
    assertThat(amounts(only(content))).containsExactly("-100.00", "-200.00", "1.00");
    assertThat(entries.get(0).checkNumber()).isEqualTo("100234");
    assertThat(entries.get(1).reversal()).isTrue();
    assertThat(entries.get(2).status()).isEqualTo(EntryStatus.INFORMATION);
  }

  @Test
  void saysEachWrongTotalOnItsLine() throws Exception {
    var right = file("03,77,USD,010,100,,/", 50100, "16,165,50000,0,B1,C1,X");
    assertThat(sentences(read(right.replace("49,50100,3", "49,50200,4"))))
        .anySatisfy(s -> assertThat(s).contains("account 77 is 50200", "50100"))
        .anySatisfy(s -> assertThat(s).contains("account claims 4 records", "it has 3"))
        .anySatisfy(s -> assertThat(s).contains("group is 50100", "50200"));
    assertThat(sentences(read(right.replace("98,50100,1,5", "98,50100,2,9"))))
        .anySatisfy(s -> assertThat(s).contains("claims 2 accounts", "it has 1"))
        .anySatisfy(s -> assertThat(s).contains("claims 9 records", "it has 5"));
    assertThat(sentences(read(right.replace("99,50100,1,7", "99,1,1,7"))))
        .singleElement()
        .asString()
        .contains("file is 1", "50100");
    assertThat(sentences(read(file("03,77,USD,010,100,,/", 50100, "16,165,50000,S,1,2,3,B1,C1,X"))))
        .singleElement()
        .asString()
        .contains("50000", "come to 6");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "16,165,50.00,0,B1,C1,X|whole number",
        "16,165,1e9999,0,B1,C1,X|whole number",
        "16,ABC,50000,0,B1,C1,X|type code",
        "16,165,50000,V,269999,,B1,C1,X|value date",
        "17,165,50000|none of the records"
      })
  void namesLineAndReasonOfWhatItCannotRead(String transaction, String reason) {
    assertThatThrownBy(() -> read(file("03,77,USD,010,100,,/", 100, transaction)))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken ->
                assertThat(broken.problems())
                    .anySatisfy(
                        p -> {
                          assertThat(p.line()).isEqualTo(4);
                          assertThat(p.message()).contains(reason);
                        }));
  }

  @Test
  void refusesWhatIsCutOff() {
    var whole = file("03,77,USD,010,100,,/", 50100, "16,165,50000,0,B1,C1,X");
    assertThatThrownBy(() -> read(whole.substring(0, whole.indexOf("99,"))))
        .hasMessageContaining("cut off");
    assertThatThrownBy(() -> read(whole.substring(0, whole.indexOf("49,"))))
        .isInstanceOf(BrokenFile.class);
  }

  @Test
  void aTestOrADeletionIsTold() throws Exception {
    var content =
        read(
            file("03,77,USD,010,100,,/", 50100, "16,165,50000,0,B1,C1,X")
                .replace("99999,1,260528", "99999,4,260528"));
    assertThat(sentences(content)).singleElement().asString().contains("a test");
    assertThat(only(content).entries().get(0).status()).isEqualTo(EntryStatus.INFORMATION);
  }

  @Test
  void theGroupsCurrencyCountsWhereTheAccountNamesNone() throws Exception {
    var yen =
        file("03,77,,010,100,,/", 50100, "16,165,50000,0,B1,C1,X").replace(",USD,2/", ",JPY,2/");
    assertThat(only(read(yen)).entries().get(0).amount()).isEqualTo(Money.parse("JPY 50000"));
  }

  /**
   * Source of the layout of funds types: BAI2 specification, section on 16 records, from memory.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "S,20000,20000,10000|2026-05-28",
        "V,260530,0800|2026-05-30",
        "V,260530,|2026-05-30",
        "D,2,0,20000,3,30000|2026-05-28",
        "D,0|2026-05-28",
        "0|2026-05-28"
      })
  void readsReferencesBehindTheFunds(String funds, LocalDate valueDate) throws Exception {
    var content =
        read(
            file(
                "03,77,USD,/",
                50000,
                "16,195,"
                    + (funds.equals("D,0") ? "0" : "50000")
                    + ","
                    + funds
                    + ",BREF,CREF,INV 1/"));
    var entry = only(content).entries().get(0);
    assertThat(entry.bankReference()).isEqualTo("BREF");
    assertThat(entry.remittance()).isEqualTo("INV 1 CREF");
    assertThat(entry.valueDate()).isEqualTo(valueDate);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "S,20000,20000,20000|come to 60000",
        "S,x,20000,30000|no part of the funds",
        "D,2,0,20000,3,20000|come to 40000",
        "D,two,0|number of parts",
        "V,260530,BREF|no time",
        "Q|none of the funds types"
      })
  void listsFundsThatDoNotGoWithTheAmount(String funds, String problem) throws Exception {
    var content = read(file("03,77,USD,/", 50000, "16,195,50000," + funds + ",BREF,CREF,INV 1/"));
    assertThat(sentences(content)).anySatisfy(s -> assertThat(s).contains(problem));
  }
}
