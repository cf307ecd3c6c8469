package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.formats.TestFiles.amounts;
import static org.sumbrel.formats.TestFiles.only;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.Reading;

/** Profiles made by example; the layout of the sample is made up, no source. */
class ProfileTest {

  /** Five lines before, words nobody knows, day first, decimal comma, two amounts, a total. */
  private static final String SAMPLE =
      """
      Banque du Halage;;;;;
      Relevé des opérations;;;;;
      Compte;FR7630006000011234567890189;;;;
      Période;01/05/2026;31/05/2026;;;
      Édité le;01/06/2026;;;;
      Jour;Jour valeur;Objet;Qui;Sorties;Rentrées
      03/05/2026;04/05/2026;FACTURE 20418 farine;Café Tamarisk;;1.420,50
      05/05/2026;05/05/2026;FRAIS;;12,00;
      06/05/2026;06/05/2026;F-20419;Moulin Importers;;75
      ;;Total;;12,00;1.495,50
      """;

  private static final byte[] LATIN = SAMPLE.getBytes(Charset.forName("windows-1252"));

  private static TablePreview preview(byte[] sample, ProfileDocument asked) throws BrokenFile {
    return TablePreview.of(sample, Optional.ofNullable(asked), List.of(), Optional.empty());
  }

  /** What a person says of the sample: what the columns are and the currency. */
  private static ProfileDocument said(ProfileDocument guess) {
    return new ProfileDocument(
        "Halage export",
        "statement",
        guess.separator(),
        guess.characterSet(),
        null,
        guess.headingLine(),
        null,
        java.util.Map.of(
            "booking_date",
            List.of(1),
            "value_date",
            List.of(2),
            "remittance",
            List.of(3),
            "payer_name",
            List.of(4),
            "debit",
            List.of(5),
            "credit",
            List.of(6)),
        java.util.Map.of("currency", "EUR"),
        java.util.Map.of("booking_date", "day-month-year", "value_date", "day-month-year"),
        null,
        false,
        List.of(),
        null,
        null,
        null);
  }

  private static TableProfile made() throws BrokenFile {
    return preview(LATIN, said(preview(LATIN, null).profile())).profile().toProfile();
  }

  private static FileContent read(String text, TableProfile... profiles) throws BrokenFile {
    return AnyFile.read(
        FileBytes.of(text.getBytes(Charset.forName("windows-1252"))),
        new Reading(Optional.empty()),
        List.of(profiles));
  }

  @Test
  void guessesHowTheSampleIsWrittenThoughItsWordsAreUnknown() throws Exception {
    var guess = preview(LATIN, null);
    assertThat(guess.profile().separator()).isEqualTo(";");
    assertThat(guess.profile().characterSet()).isEqualTo("windows-1252");
    assertThat(guess.profile().headingLine()).isEqualTo(6);
    assertThat(guess.profile().headings()).contains("Jour", "Rentrées");
    assertThat(guess.doubts()).extracting(Problem::message).anyMatch(d -> d.contains("is needed"));
    assertThat(guess.lines().get(1).cells().get(0)).isEqualTo("Relevé des opérations");
  }

  @Test
  void showsWhatEachRowBecomesAndWhatIsPassedOver() throws Exception {
    var shown = preview(LATIN, said(preview(LATIN, null).profile()));
    assertThat(shown.doubts()).isEmpty();
    assertThat(shown.records()).isEqualTo(3);
    assertThat(shown.profile().decimalMark()).isEqualTo(",");
    assertThat(shown.rows().get(0).fields())
        .containsEntry("booking_date", "2026-05-03")
        .containsEntry("value_date", "2026-05-04")
        .containsEntry("amount", "1,420.50")
        .containsEntry("currency", "EUR")
        .containsEntry("payer_name", "Café Tamarisk")
        .containsEntry("account", "FR7630006000011234567890189");
    assertThat(shown.rows().get(1).fields()).containsEntry("amount", "-12.00");
    assertThat(shown.passedOver())
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.line()).isEqualTo(10);
              assertThat(p.message()).contains("no date").contains("Total 12,00 1.495,50");
            });
  }

  @Test
  void theNextFileOfTheShapeIsRecognisedWhereverItsHeadingsStand() throws Exception {
    var next =
        SAMPLE.replace("Période;01/05/2026;31/05/2026;;;\n", "").replace("1.420,50", "99,95");
    var content = read(next, made());
    assertThat(amounts(only(content))).containsExactly("99.95", "-12.00", "75.00");
    assertThat(only(content).entries().get(0).bookingDate()).isEqualTo(LocalDate.of(2026, 5, 3));
    assertThat(only(content).account()).isEqualTo("FR7630006000011234567890189");
    assertThat(content.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.line()).isEqualTo(9));
  }

  @Test
  void aProfileReadsADayThatTheFileAloneLeavesOpen() throws Exception {
    var open = "Date;Amount;Currency\n03/04/2026;1,50;EUR\n";
    assertThatThrownBy(() -> read(open)).hasMessageContaining("can be read both ways");
    var guess = preview(open.getBytes(StandardCharsets.UTF_8), null);
    assertThat(guess.doubts()).hasSize(1);
    // what is open is not in the profile, so that nobody keeps it by oversight
    assertThat(guess.profile().dates()).isEmpty();
    assertThatThrownBy(() -> guess.profile().named("Open").toProfile())
        .hasMessageContaining("does not say how booking date is written");
    var dated =
        new ProfileDocument(
            "Days first",
            null,
            ";",
            "UTF-8",
            null,
            1,
            null,
            null,
            null,
            java.util.Map.of("booking_date", "day-month-year"),
            ",",
            null,
            null,
            null,
            null,
            null);
    var profile = preview(open.getBytes(StandardCharsets.UTF_8), dated).profile().toProfile();
    assertThat(only(read(open, profile)).entries().get(0).bookingDate())
        .isEqualTo(LocalDate.of(2026, 4, 3));
  }

  @Test
  void aChangedLayoutIsSaidAndNotReadByTheOldOne() throws Exception {
    var changed = SAMPLE.replace(";Qui;", ";Contrepartie;");
    var profile = made();
    assertThatThrownBy(() -> read(changed, profile))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("Halage export")
        .hasMessageContaining("gone: Qui")
        .hasMessageContaining("new: Contrepartie");
    var moved = SAMPLE.replace("Sorties;Rentrées", "Rentrées;Sorties");
    assertThatThrownBy(() -> read(moved, profile)).hasMessageContaining("another order");
    assertThat(
            TablePreview.of(
                    changed.getBytes(StandardCharsets.UTF_8),
                    Optional.empty(),
                    List.of(profile),
                    Optional.empty())
                .changed())
        .contains("Contrepartie");
  }

  @Test
  void turnsSignsRoundAndKnowsItsOwnWordsForDebits() throws Exception {
    var text =
        "Date,Amount,Currency,Direction\n2026-05-28,12.50,USD,OUT-GOING\n2026-05-28,-3.00,USD,x\n";
    var guess = preview(text.getBytes(StandardCharsets.UTF_8), null).profile();
    var asked =
        new ProfileDocument(
            "Signs",
            null,
            ",",
            "UTF-8",
            null,
            1,
            null,
            guess.columns(),
            null,
            null,
            null,
            true,
            List.of("out-going"),
            null,
            null,
            null);
    var profile = preview(text.getBytes(StandardCharsets.UTF_8), asked).profile().toProfile();
    assertThat(amounts(only(read(text, profile)))).containsExactly("-12.50", "3.00");
  }

  @Test
  void goesThroughYamlUnchanged() throws Exception {
    var profile = made();
    var yaml = ProfileYaml.write(profile);
    assertThat(yaml).contains("name: Halage export").contains("character_set: windows-1252");
    assertThat(ProfileYaml.read(yaml)).isEqualTo(profile);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "booking_date: day-month-year|booking_date: someday|none of year-month-day",
        "name: Halage export|colour: red|colour",
        "name: Halage export|name: ''|has a name",
        "separator: ;|separator: ';;'|not one character",
        "character_set: windows-1252|character_set: windows-9999|no character set",
        "subject: statement|subject: payslips|none of",
        "credit:|deposit:|may have",
        "heading_line: 6|heading_line: -1|line -1",
        "- 6|- 60|column 60 of 6",
        "- 6|- 0|counted from 1",
        "- 6|- six|not a profile",
        "decimal_mark: ','|decimal_mark: ;|decimal mark"
      })
  void namesWhatIsWrongWithAProfile(String right, String wrong, String reason) throws Exception {
    var yaml = ProfileYaml.write(made()).replace("\"", "'");
    assertThat(yaml).contains(right);
    assertThatThrownBy(
            () -> ProfileYaml.read(yaml.replaceFirst(java.util.regex.Pattern.quote(right), wrong)))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining(reason);
  }

  @Test
  void aProfileOfAnotherFileIsRefusedWithItsHeadings() throws Exception {
    var profile = made();
    assertThatThrownBy(
            () ->
                AnyFile.readBy(
                    profile,
                    FileBytes.of("a;b\n1;2\n".getBytes(StandardCharsets.UTF_8)),
                    new Reading(Optional.of(CurrencyUnit.EUR))))
        .hasMessageContaining("headings of \"Halage export\" are not in this file");
  }

  @Test
  void readsAFileWithoutHeadingsByItsColumns() throws Exception {
    var text = "28.05.2026;1.234,50;Piazza Forno\n29.05.2026;7,25;Café Tamarisk\n";
    var asked =
        new ProfileDocument(
            "No headings",
            "statement",
            ";",
            "UTF-8",
            null,
            0,
            null,
            java.util.Map.of(
                "booking_date", List.of(1), "amount", List.of(2), "payer_name", List.of(3)),
            java.util.Map.of("currency", "EUR"),
            null,
            null,
            null,
            null,
            null,
            null,
            null);
    var bytes = text.getBytes(StandardCharsets.UTF_8);
    var profile = preview(bytes, asked).profile().toProfile();
    var content = AnyFile.readBy(profile, FileBytes.of(bytes), new Reading(Optional.empty()));
    assertThat(amounts(only(content))).containsExactly("1234.50", "7.25");
  }

  /** Whatever somebody says of a sample, there is an answer or a sentence. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "columns: { booking_date: [99], credit: [6] }",
        "columns: { booking_date: [null], credit: [] }",
        "columns: { booking_date: null }",
        "constants: { currency: null, account: ' ' }",
        "constants: { colour: red }",
        "dates: { booking_date: null }",
        "decimal_mark: ''",
        "decimal_mark: '..'",
        "decimal_mark: x",
        "debit_words: [null, ' ', S]",
        "headings: [null, a]",
        "heading_line: -7",
        "heading_line: 2000000000",
        "separator: ''",
        "character_set: '?'",
        "sheet: May",
        "subject: aliases"
      })
  void anythingMayBeAskedOfASample(String yaml) throws Exception {
    var document = ProfileYaml.document(yaml);
    try {
      assertThat(preview(LATIN, document).lines()).isNotNull();
    } catch (BrokenFile broken) {
      assertThat(broken.problems()).allSatisfy(p -> assertThat(p.message()).isNotBlank());
    }
    assertThatThrownBy(document::toProfile).isInstanceOf(BrokenFile.class);
  }
}
