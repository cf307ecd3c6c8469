package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** A file whose shape nobody knows is explained by example, and the next one is known. */
class ProfilesTest extends DeskTest {

  private static final String HALAGE =
      """
      Banque du Halage;;;;;
      Relevé des opérations;;;;;
      Compte;4410027719;;;;
      Période;01/05/2026;31/05/2026;;;
      Édité le;01/06/2026;;;;
      Jour;Jour valeur;Objet;Qui;Sorties;Rentrées
      03/05/2026;04/05/2026;Commande d'été;Café des Écluses;;1.420,50
      05/05/2026;05/05/2026;FRAIS;;12,00;
      06/05/2026;06/05/2026;sans objet;Boulangerie Nérac;;75
      ;;Total;;12,00;1.495,50
      """;

  private static Dropped latin(String name, String text) {
    return new Dropped(name, text.getBytes(Charset.forName("windows-1252")));
  }

  private Locator field(String label) {
    return page.getByLabel(label, new GetByLabelOptions().setExact(true));
  }

  private Locator named(String name) {
    return page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name).setExact(true));
  }

  private void goTo(String view) {
    page.navigate(sumbrel.address() + view);
  }

  @Test
  void aShapeIsExplainedByExampleAndKnownAgainAndAChangeOfItIsShown() throws Exception {
    signIn(page, "maren");
    goTo("/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(latin("halage-mai.csv", HALAGE));
    assertThat(told("halage-mai.csv")).containsText("Nothing of this file was kept");
    named("Explain its columns…").click();

    assertThat(region("The file as it stands")).containsText("Relevé des opérations");
    assertThat(field("Character set")).hasValue("windows-1252");
    assertThat(field("Headings on line 6")).hasAttribute("aria-pressed", "true");
    field("Booking date").selectOption("1");
    field("Value date").selectOption("2");
    field("Text").selectOption("3");
    field("Payer").selectOption("4");
    field("Debit, money from us").selectOption("5");
    field("Credit, money to us").selectOption("6");
    var becomes = region("What the first rows become");
    // which is day and which is month is open: it is asked and never guessed
    assertThat(becomes).containsText("the order of day and month in Jour is open");
    field("Name of the profile").fill("Halage export");
    assertThat(named("Keep")).isDisabled();
    field("Dates are").selectOption("day-month-year");
    field("Currency of every row").fill("USD");
    field("Currency of every row").press("Enter");

    assertThat(becomes).containsText("3 records in the sample, 1 line passed over");
    assertThat(becomes).containsText("no date and was passed over: Total 12,00 1.495,50");
    var first = becomes.getByRole(AriaRole.ROW).nth(1);
    assertThat(first).containsText("2026-05-03");
    assertThat(first).containsText("1,420.50");
    assertThat(first).containsText("Café des Écluses");
    assertThat(becomes.getByRole(AriaRole.ROW).nth(2)).containsText("-12.00");
    named("Keep").click();
    named("Take halage-mai.csv in").click();

    var intakes = page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("Intakes"));
    var taken = intakes.getByRole(AriaRole.ROW).nth(1);
    assertThat(taken).containsText("halage-mai.csv");
    assertThat(taken).containsText("by “Halage export”");
    assertThat(taken).containsText("1,495.50");

    // the next file of the shape needs no word, even with fewer lines before its headings
    drop(
        latin(
            "halage-juin.csv",
            HALAGE
                .replace("Période;01/05/2026;31/05/2026;;;\n", "")
                .replace("/05/2026", "/04/2026")
                .replace("1.420,50", "99,95")));
    assertThat(told("halage-juin.csv")).containsText("3 records, 3 new");

    drop(latin("halage-neuf.csv", HALAGE.replace(";Qui;", ";Contrepartie;")));
    assertThat(told("halage-neuf.csv")).containsText("gone: Qui; new: Contrepartie");
    named("Explain its columns…").click();
    assertThat(page.getByText("The columns have changed.")).isVisible();
    named("Carry that profile over").click();
    assertThat(field("Text")).hasValue("3");
    assertThat(field("Payer")).hasValue("");
    field("Payer").selectOption("4");
    assertThat(becomes).containsText("Café des Écluses");
    named("Keep").click();
    assertThat(page.getByText("Kept as “Halage export”")).isVisible();

    goesOutAndInAsYaml();
  }

  private void goesOutAndInAsYaml() throws Exception {
    goTo("/arrived/profiles");
    var row =
        page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("Profiles"))
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("Halage export"));
    assertThat(row).containsText("Contrepartie");
    Download yaml =
        page.waitForDownload(
            () ->
                row.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Save as YAML"))
                    .click());
    assertThat(yaml.suggestedFilename()).isEqualTo("Halage export.yml");
    assertThat(Files.readString(yaml.path())).contains("day-month-year", "Contrepartie");
    Path saved = yaml.path();
    field("Profile as YAML").setInputFiles(saved);
    assertThat(page.getByText("There is a profile \"Halage export\" already")).isVisible();
    named("Forget Halage export…").click();
    named("Forget “Halage export”").click();
    assertThat(row).hasCount(0);
    field("Profile as YAML").setInputFiles(saved);
    assertThat(row).containsText("Halage export");
  }
}
