package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.formats.TestFiles.amounts;
import static org.sumbrel.formats.TestFiles.only;
import static org.sumbrel.formats.TestFiles.read;
import static org.sumbrel.formats.TestFiles.sentences;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.statement.EntryStatus;

/** Statements as banks and spreadsheets write them; the dialects are common practice, no source. */
class CsvDialectTest {

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Date,Amount,Currency,Payer,Description\n2026-05-28,1234.50,USD,Piazza Forno,INV 1\n",
        "Date;Amount;Currency;Payer;Description\n28.05.2026;1.234,50;USD;Piazza Forno;INV 1\n",
        "Date\tAmount\tCurrency\tPayer\tDescription\n28/05/2026\t1,234.50\tUSD\tPiazza Forno\tINV 1\n",
        "Date|Amount|Currency|Payer|Description\r\n05/28/2026|+1234.50|USD|Piazza Forno|INV 1\r\n",
        "\"Posting Date\",\"Debit\",\"Credit\",\"Ccy\",\"Name\",\"Memo\"\n\"28 May 2026\",\"\",\"$1,234.50\",\"USD\",\"Piazza Forno\",\"INV 1\"\n",
        "Date,Amount,D/C,Currency,Name,Details\n20260528,1234.5,C,USD,Piazza Forno,INV 1\n",
        "Datum;Soll;Haben;Währung;Auftraggeber;Verwendungszweck\n28.05.26;;1 234,50;USD;Piazza Forno;INV 1\n",
        "Buchungstag;Betrag (USD);Zahlungspflichtiger;Verwendungszweck\n28.05.2026;1.234,50 H;Piazza Forno;INV 1\n",
        "Date opération;Libellé;Débit;Crédit;Devise;Tiers\n28/05/2026;INV 1;;1 234,50;USD;Piazza Forno\n",
        "Fecha;Concepto;Importe;Divisa;Ordenante\n28-05-2026;INV 1;1.234,50;USD;Piazza Forno\n",
        "Data contabile;Descrizione;Importo;Currency;Ordinante\n28/05/2026;INV 1;1'234.50;USD;Piazza Forno\n",
        "Boekdatum;Omschrijving;Bedrag;Munt;Naam tegenpartij;Af Bij\n28-05-2026;INV 1;1234,50;USD;Piazza Forno;Bij\n",
        "Transaction Date,Transaction Amount,Payer Name,Transaction Details\n\"May 28, 2026\",USD 1234.50,Piazza Forno,INV 1\n",
        "Account statement of Larkstow Mill\nfrom 1 May 2026\n\nDate,Amount (USD),Payer,Description\n2026-05-28 14:03:00,\"1,234.50\",Piazza Forno,INV 1\n"
      })
  void readsTheSamePaymentInEveryDialect(String file) throws Exception {
    var content = read(file);
    assertThat(content.problems()).isEmpty();
    assertThat(only(content).entries())
        .singleElement()
        .satisfies(
            e -> {
              assertThat(e.bookingDate()).isEqualTo(LocalDate.of(2026, 5, 28));
              assertThat(e.amount()).isEqualTo(Money.parse("USD 1234.50"));
              assertThat(e.payerName()).isEqualTo("Piazza Forno");
              assertThat(e.remittance()).isEqualTo("INV 1");
            });
  }

  @ParameterizedTest
  @CsvSource({
    "-12.30,-12.30",
    "12.30-,-12.30",
    "(12.30),-12.30",
    "12.30 DR,-12.30",
    "12.30CR,12.30",
    "−12.30,-12.30",
    "'-1,212.30',-1212.30",
    "$ -12.30,-12.30",
    "12.30 S,-12.30"
  })
  void readsEveryWayToWriteADebit(String written, String amount) throws Exception {
    var content = read("Date,Amount,Currency\n2026-05-28,\"" + written + "\",USD\n");
    assertThat(amounts(only(content))).containsExactly(amount);
  }

  @Test
  void aDebitColumnCountsDownWithOrWithoutItsSign() throws Exception {
    var content =
        read(
            "Date,Debit,Credit,Currency\n2026-05-28,5.00,,USD\n2026-05-28,-6.00,0.00,USD\n2026-05-28,0.00,7.00,USD\n");
    assertThat(amounts(only(content))).containsExactly("-5.00", "-6.00", "7.00");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "03/04/2026|1.50|order of day and month",
        "03-04-2026|1.50|order of day and month",
        "2026-05-28|1,234|thousands or decimals",
        "2026-05-28|1.234|thousands or decimals"
      })
  void whatTheFileLeavesOpenIsRefused(String date, String amount, String doubt) {
    assertThatThrownBy(() -> read("Date;Amount;Currency\n" + date + ";" + amount + ";USD\n"))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining(doubt)
        .hasMessageContaining(doubt.startsWith("order") ? date : amount);
  }

  @Test
  void oneRowThatTellsSettlesTheDoubtForAll() throws Exception {
    var content =
        read(
            "Date;Amount;Currency\n03/04/2026;1,234;USD\n13/04/2026;5,50;USD\n"
                .replace("1,234;", "1.234,00;"));
    assertThat(only(content).entries().get(0).bookingDate()).isEqualTo(LocalDate.of(2026, 4, 3));
    assertThat(amounts(only(content))).containsExactly("1234.00", "5.50");
  }

  @Test
  void contradictionsAreRefusedWithTheirFigures() {
    assertThatThrownBy(
            () -> read("Date;Amount;Currency\n2026-05-28;1.234,50;USD\n2026-05-28;7.25;USD\n"))
        .hasMessageContaining("decimal mark")
        .hasMessageContaining("1.234,50")
        .hasMessageContaining("7.25");
    assertThatThrownBy(
            () -> read("Date;Amount;Currency\n13/05/2026;1.50;USD\n05/28/2026;2.50;USD\n"))
        .hasMessageContaining("not written like the others");
    assertThatThrownBy(() -> read("Date,Debit,Credit,Currency\n2026-05-28,5.00,7.00,USD\n"))
        .hasMessageContaining("5.00")
        .hasMessageContaining("7.00");
    assertThatThrownBy(() -> read("Date,Amount,Net amount,Currency\n2026-05-28,5.00,7.00,USD\n"))
        .hasMessageContaining("Amount, Net amount");
    assertThatThrownBy(
            () -> read("Date,Amount,Currency,Name\n2026-05-28,5.00,USD,Oskar, Daughters\n"))
        .hasMessageContaining("5 fields")
        .hasMessageContaining("headings 4");
    assertThatThrownBy(() -> read("Date,Amount,Currency\n2026-05-28,\"1.2345,00\",USD\n"))
        .isInstanceOf(BrokenFile.class);
    assertThatThrownBy(
            () ->
                read(
                    "Date,Amount,Currency,Name\n2026-05-28,5.00,USD,\"Oskar\n2026-05-28,6.00,USD,X\n"))
        .hasMessageContaining("never closed");
  }

  @Test
  void withoutACurrencyItAsksForOneAndTakesTheAccounts() throws Exception {
    var file = "Date,Amount,Payer\n2026-05-28,5.00,Oskar\n";
    assertThatThrownBy(() -> read(file))
        .hasMessageContaining("currency")
        .hasMessageContaining("amount = Amount");
    var content =
        AnyFile.read(
            FileBytes.of(file.getBytes(StandardCharsets.UTF_8)), Optional.of(CurrencyUnit.EUR));
    assertThat(only(content).entries().get(0).amount()).isEqualTo(Money.parse("EUR 5.00"));
  }

  @Test
  void saysWhatIsMissingOfATableThatIsNoStatement() {
    assertThatThrownBy(() -> read("Amount,Payer\n5.00,Oskar\n"))
        .hasMessageContaining("amount = Amount")
        .hasMessageContaining("missing")
        .hasMessageContaining("date");
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-8", "windows-1252", "UTF-16"})
  void readsEveryCommonCharacterSet(String charset) throws Exception {
    var file = "Date;Amount;Currency;Payer\n2026-05-28;5,00;EUR;Café Mühle\n";
    var content = AnyFile.read(file.getBytes(Charset.forName(charset)));
    assertThat(only(content).entries().get(0).payerName()).isEqualTo("Café Mühle");
  }

  @Test
  void takesOpeningAndClosingFromTheRunningBalance() throws Exception {
    var newestFirst =
        "IBAN: DE89 3704 0044 0532 0130 00\n\nDate;Amount;Currency;Balance\n2026-05-29;5,00;EUR;112,00\n2026-05-28;7,00;EUR;107,00\n";
    var statement = only(read(newestFirst));
    assertThat(statement.account()).isEqualTo("DE89370400440532013000");
    assertThat(statement.opening().orElseThrow().amount()).isEqualTo(Money.parse("EUR 100.00"));
    assertThat(statement.closing().orElseThrow().amount()).isEqualTo(Money.parse("EUR 112.00"));
    assertThat(sentences(read(newestFirst.replace("107,00", "106,00"))))
        .singleElement()
        .asString()
        .contains("112.00", "does not follow");
  }

  @Test
  void readsTheAccountThatIsNamedBeforeTheHeadings() throws Exception {
    var named =
        read("Account;4410027719\nBank;Copperbeck\nDate;Amount;Currency\n2026-05-29;5,00;EUR\n");
    assertThat(only(named).account()).isEqualTo("4410027719");
    assertThat(only(named).entries().get(0).line()).isEqualTo(4);
  }

  @Test
  void keepsPendingRowsApartAndTellsRowsThatAreNone() throws Exception {
    var content =
        read(
            "Date,Amount,Currency,Status\n2026-05-28,5.00,USD,booked\n2026-05-29,6.00,USD,Pending\n,,,\nEnd of list,,,\n"
                .replace("End of list,,,", ",,,End of list"));
    assertThat(only(content).entries())
        .extracting(e -> e.status())
        .containsExactly(EntryStatus.BOOKED, EntryStatus.PENDING);
    assertThat(sentences(content)).singleElement().asString().contains("End of list");
  }

  @Test
  void theSameRowsGetTheSameIdsInEveryFile() throws Exception {
    var head = "Date,Amount,Currency,Payer\n";
    var twice = "2026-05-28,5.00,USD,Oskar\n2026-05-28,5.00,USD,Oskar\n";
    var first = only(read(head + twice)).entries();
    var second = only(read(head + "2026-05-27,1.00,USD,Tamarisk\n" + twice)).entries();
    assertThat(first.get(0).entryId()).isNotEqualTo(first.get(1).entryId());
    assertThat(second.get(1).entryId()).isEqualTo(first.get(0).entryId());
    assertThat(second.get(2).entryId()).isEqualTo(first.get(1).entryId());
  }

  private static String withAmounts(String... cells) {
    var file = new StringBuilder("Date;Amount;Currency;Payer;Text\n");
    for (var cell : cells) {
      file.append("2026-05-28;").append(cell).append(";EUR;Piazza Forno;INV 1\n");
    }
    return file.toString();
  }

  /** The writings of the table in docs/formats.md. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1234.50|1234.50",
        "+1234.50|1234.50",
        "-1234.50|-1234.50",
        "1234.50-|-1234.50",
        "(1234.50)|-1234.50",
        "1,234.50|1234.50",
        "1'234.50|1234.50",
        "1 234.50|1234.50",
        "12,34,567.50|1234567.50",
        ".50|0.50",
        "1234.|1234.00",
        "1234.50 EUR|1234.50",
        "EUR 1234.50|1234.50",
        "EUR-1234.50|-1234.50",
        "-€1234.50|-1234.50",
        "1234.50€|1234.50",
        "1234.50 CR|1234.50",
        "1234.50 Dr.|-1234.50",
        "1234.50 D|-1234.50",
        "1234.50S|-1234.50",
        "1234.50 EUR H|1234.50"
      })
  void readsEachWritingOfTheTable(String cell, String amount) throws Exception {
    var content = read(withAmounts("7.25", cell));
    assertThat(content.problems()).isEmpty();
    assertThat(amounts(only(content))).containsExactly("7.25", amount);
  }

  /** What is in no line of the table is a problem with its line, never a guess. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "--5.00",
        "+-5.00",
        "-5.00-",
        "-(5.00)",
        "-5.00 DR",
        "5€00",
        "5$00",
        "$5.00€",
        "12.50d",
        "12.50 s",
        "12.50x",
        "1 2 3.50",
        "1,2,3.50",
        "1'23.50",
        "1,234 567.50",
        "1.234.56",
        "5.00 USD",
        "$5.00 USD",
        "£",
        "5.00 EUR EUR",
        "1234567890123456.00",
        "0x10",
        "1e3",
        "5.005"
      })
  void refusesEveryOtherWriting(String cell) {
    assertThatThrownBy(() -> read(withAmounts("7.25", cell)))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken ->
                assertThat(broken.problems())
                    .singleElement()
                    .satisfies(p -> assertThat(p.line()).isEqualTo(3)));
  }

  @Test
  void saysHowManyDigitsAreTooMany() {
    assertThatThrownBy(() -> read(withAmounts("1234567890123456.00")))
        .hasMessageContaining(
            "1234567890123456.00 has 16 digits before the decimal mark; at most 15");
  }

  /** Line ends of a carriage return alone, as some old programs write them. */
  @Test
  void readsLinesThatEndWithACarriageReturn() throws Exception {
    var file = withAmounts("1.00", "2.00").replace('\n', '\r');
    assertThat(amounts(only(read(file)))).containsExactly("1.00", "2.00");
  }

  @Test
  void refusesALineWhoseTextHasASeparatorWithoutQuotes() {
    var file =
        "Date,Amount,Currency,Payer,Text,Note\n2026-05-28,5.00,EUR,Oskar,INV 1,seen\n"
            + "2026-05-28,6.00,EUR,Forno, Inc,INV 2,\n";
    assertThatThrownBy(() -> read(file)).hasMessageContaining("7 fields, others 6");
  }

  /** A separator at the end of every line is none between two fields. */
  @Test
  void readsLinesThatAllEndWithASeparator() throws Exception {
    var file = "Date,Amount,Currency\n2026-05-28,5.00,EUR,\n2026-05-28,6.00,EUR,\n";
    assertThat(amounts(only(read(file)))).containsExactly("5.00", "6.00");
  }

  @Test
  void listsBrokenCharactersWithTheirLine() throws Exception {
    var bytes =
        withAmounts("5.00", "6.00")
            .replace("Piazza Forno", "Mühle")
            .getBytes(StandardCharsets.UTF_8);
    var broken = new String(bytes, StandardCharsets.ISO_8859_1);
    var second = broken.lastIndexOf("MÃ¼hle");
    broken = broken.substring(0, second + 2) + broken.substring(second + 3);
    var content = AnyFile.read(broken.getBytes(StandardCharsets.ISO_8859_1));
    assertThat(content.problems())
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.line()).isEqualTo(3);
              assertThat(p.message()).contains("UTF-8");
            });
    assertThat(only(content).entries().get(0).payerName()).isEqualTo("Mühle");
  }

  @Test
  void namesTheColumnsThatAreNotImported() throws Exception {
    var file = "Date;Amount;Currency;Group head;Branch\n2026-05-28;5.00;EUR;Anna;North\n";
    assertThat(sentences(read(file)))
        .containsExactly("these columns are not imported: Group head, Branch");
  }

  @Test
  void takesNoColumnOfOtherNumbersForARunningBalance() throws Exception {
    var file =
        "Date;Amount;Currency;Balance\n2026-05-28;5.00;EUR;3.00\n2026-05-28;6.00;EUR;17.00\n"
            + "2026-05-28;7.00;EUR;1.00\n2026-05-28;8.00;EUR;90.00\n";
    var content = read(file);
    assertThat(sentences(content))
        .singleElement()
        .asString()
        .contains("not read as a running balance");
    assertThat(only(content).closing()).isEmpty();
  }

  @Test
  void keepsAnEntryOfAnUnknownStatusAsPending() throws Exception {
    var file =
        "Date;Amount;Currency;Status\n2026-05-28;5.00;EUR;held\n2026-05-28;6.00;EUR;Posted\n";
    var content = read(file);
    assertThat(sentences(content)).singleElement().asString().contains("\"held\"");
    assertThat(only(content).entries())
        .extracting(e -> e.status())
        .containsExactly(EntryStatus.PENDING, EntryStatus.BOOKED);
  }
}
