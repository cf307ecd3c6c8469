package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page.EmulateMediaOptions;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** No view has anything serious by axe-core's rules, on paper and on ink. */
class AccessibilityTest extends BrowserTest {

  private static final String PAPER = "rgb(251, 248, 243)";
  private static final String INK = "rgb(26, 28, 32)";
  private static final List<String> SERIOUS = List.of("serious", "critical");
  private static final String AXE = axe();
  private static final List<String> VIEWS =
      List.of(
          "/waiting/desk",
          "/waiting/lockbox",
          "/waiting/lockbox/1",
          "/waiting/payouts/1",
          "/waiting/payouts/processors",
          "/waiting/shelved",
          "/waiting/from-us",
          "/house-rules",
          "/house-rules?of=aliases",
          "/tied-out/accounts",
          "/tied-out/periods",
          "/tied-out/cent-trail?by=day",
          "/waiting/score?of=rehearsal",
          "/pouch",
          "/pouch/deposits",
          "/pouch/deposits/new",
          "/waiting/find?q=oskar&what=SETTLED",
          "/arrived/intake",
          "/posted/customers",
          "/posted/settlements",
          "/posted/runs",
          "/posted/runs/new",
          "/posted/unattended",
          "/posted/customers/4?side=payers",
          "/posted/journal",
          "/posted/books",
          "/posted/books/agreement",
          "/posted/books/ageing",
          "/posted/books/differences",
          "/posted/books/together?group=yes",
          "/posted/books/unrealised",
          "/posted/books/rates",
          "/posted/exports",
          "/tied-out/day",
          "/audit",
          "/tied-out/cent-trail",
          "/arrived/profiles",
          "/arrived/outside",
          "/policies");

  @Test
  void findsNothingSerious() throws Exception {
    try (var sumbrel = RunningSumbrel.withDemoBooks()) {
      page.navigate(sumbrel.address());
      assertThat(page.getByLabel("User")).isVisible();
      assertNothingSerious("sign-in");
      page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("osric").setExact(true))
          .click();
      assertThat(page.getByLabel("Flow of the day")).isVisible();
      page.navigate(sumbrel.address() + "/arrived/intake");
      assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
      drop(Dropped.example("copperbeck-mailroom-2026-05-29.txt"));
      assertThat(page.getByText("24 records, 24 new")).isVisible();
      drop(Dropped.example("chipfold-payout-2026-05-29.csv"));
      assertThat(page.getByText("15 records, 15 new")).isVisible();
      for (var view : VIEWS) {
        page.navigate(sumbrel.address() + view);
        assertThat(page.getByRole(AriaRole.MAIN)).not().isEmpty();
        assertThat(page.getByLabel("Loading", new GetByLabelOptions().setExact(true))).hasCount(0);
        if (view.equals("/waiting/desk")) {
          assertThat(page.getByText("Posting writes")).isVisible();
        }
        assertNothingSerious(view);
      }
      page.navigate(sumbrel.address() + "/posted/customers");
      page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("Café Tamarisk")).click();
      for (var side : List.of("Items", "Account", "What paid what", "Settlements")) {
        page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName(side)).click();
        page.mouse().move(5, 700);
        assertThat(page.getByLabel("Loading", new GetByLabelOptions().setExact(true))).hasCount(0);
        assertNothingSerious("a customer: " + side);
      }
      page.navigate(sumbrel.address() + "/arrived/profiles");
      page.getByLabel("Sample to explain")
          .setInputFiles(
              new FilePayload(
                  "sample.csv",
                  "text/csv",
                  "Jour;Somme\n03/04/2026;1,50\n".getBytes(StandardCharsets.UTF_8)));
      assertThat(page.getByText("What the first rows become").first()).isVisible();
      assertNothingSerious("a profile by example");
      page.navigate(sumbrel.address() + "/arrived/intake");
      for (var dialog : List.of("Paste an advice…", "Type entries…")) {
        page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(dialog)).click();
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        assertNothingSerious(dialog);
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
      }
      page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("customers.csv")).click();
      assertThat(page.getByText("The file as it came")).isVisible();
      assertNothingSerious("an intake");
      page.navigate(sumbrel.address() + "/waiting/desk");
      assertThat(page.getByText("Posting writes")).isVisible();
      for (var key : List.of("l", "a", "n", "s")) {
        page.keyboard().press(key);
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        assertNothingSerious("dialog " + key);
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
      }
    }
  }

  /**
   * On paper by all rules, then on ink: roles and labels are the same there, only colours differ.
   */
  private void assertNothingSerious(String where) {
    // a colour that is still fading in is none that anybody reads
    page.evaluate(
        "() => Promise.all(document.getAnimations()"
            + ".filter(a => a.effect.getComputedTiming().endTime !== Infinity).map(a => a.finished))");
    assertThat(serious(List.of())).as(where + " on paper").isEmpty();
    paint(ColorScheme.DARK);
    assertThat(serious(List.of("color-contrast", "link-in-text-block")))
        .as(where + " on ink")
        .isEmpty();
    paint(ColorScheme.LIGHT);
  }

  private void paint(ColorScheme colours) {
    page.emulateMedia(new EmulateMediaOptions().setColorScheme(colours));
    assertThat(page.locator("body"))
        .hasCSS("background-color", colours == ColorScheme.DARK ? INK : PAPER);
  }

  private static String axe() {
    try (var script = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
      return new String(script.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Runs axe in the page and loads it there once: no view has a frame. */
  @SuppressWarnings("unchecked")
  private List<String> serious(List<String> only) {
    if (!(boolean) page.evaluate("() => 'axe' in window")) {
      page.evaluate(AXE);
    }
    return (List<String>)
        page.evaluate(
            """
            async ({ only, impacts }) => {
              const options = { resultTypes: ["violations"] };
              if (only.length > 0) options.runOnly = { type: "rule", values: only };
              const { violations } = await window.axe.run(document, options);
              return violations
                .filter((rule) => impacts.includes(rule.impact))
                .map((rule) => `${rule.id}: ${rule.help} ` + rule.nodes.slice(0, 3).map((node) => node.html).join(" "));
            }
            """,
            Map.of("only", only, "impacts", SERIOUS));
  }
}
