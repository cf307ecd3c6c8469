package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Files dropped on any view; large ones followed, stopped, cut off by a kill; one taken back. */
class IntakeTest extends FreshSumbrelTest {

  private static final int MANY = 12_000;

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name).setExact(true));
  }

  private Locator tile(String name) {
    return page.getByRole(
        AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile("^" + name)));
  }

  private Locator status() {
    return page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("many"));
  }

  /** Drops a statement of so many debits, made in the page. */
  private void dropMany() {
    page.evaluate(
        """
        (count) => {
          const rows = ["entry_id,booking_date,amount,currency,account,remittance"];
          for (let n = 0; n < count; n++) {
            rows.push(`MANY${n},2026-05-28,-1.00,USD,4410027735,fee ${n}`);
          }
          const data = new DataTransfer();
          data.items.add(new File([rows.join("\\n")], "many.csv"));
          window.dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }));
        }
        """,
        MANY);
  }

  private Locator intakes() {
    return page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("Intakes"));
  }

  @Test
  void aFileDroppedOnTheDeskIsTakenInThereAndCanBeTakenBack() throws Exception {
    signInAtTheDesk(page, "maren");
    assertThat(region("Queue")).isVisible();
    var waiting = tile("Waiting").textContent();
    var posted = tile("Posted").textContent();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(region("Files on their way"))
        .containsText("larkstow-operating-2026-05-29.ofx: 37 new, 0 known already");
    assertThat(page).hasURL(Pattern.compile("/waiting/desk"));
    assertThat(tile("Waiting")).not().hasText(waiting);

    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("To the intake")).click();
    intakes()
        .getByRole(
            AriaRole.LINK,
            new Locator.GetByRoleOptions().setName("larkstow-operating-2026-05-29.ofx"))
        .first()
        .click();
    var records = page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("Records"));
    assertThat(records.getByRole(AriaRole.ROW)).hasCount(38);
    var file = page.waitForDownload(() -> page.getByText("The file as it came").click());
    assertThat(Files.readAllBytes(file.path()))
        .isEqualTo(Dropped.example("larkstow-operating-2026-05-29.ofx").bytes());
    button("Take it back…").click();
    button("Take 37 records out again").click();
    assertThat(page.getByText("Taken back by maren")).isVisible();
    assertThat(page.getByText("No record of its own")).isVisible();
    assertThat(tile("Waiting")).hasText(waiting);
    assertThat(tile("Posted")).hasText(posted);
    button("Back to the intakes").or(page.getByText("Back to the intakes")).first().click();
    assertThat(intakes()).containsText("taken back by maren");
  }

  @Test
  void aLargeFileIsFollowedAndNeitherAStopNorAKillLeavesAnythingHalf() throws Exception {
    sumbrel.close();
    sumbrel = RunningSumbrel.toBeKilled();
    signInAtTheDesk(page, "maren");
    tile("Arrived").click();
    assertThat(intakes()).isVisible();
    var arrived = tile("Arrived").textContent();
    dropMany();
    assertThat(status()).containsText(Pattern.compile("of 12,000 records kept"));
    status().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Stop")).click();
    assertThat(told("many.csv")).containsText("nothing of the file was kept");
    assertThat(intakes()).not().containsText("many.csv");
    assertThat(tile("Arrived")).hasText(arrived);

    dropMany();
    assertThat(status()).containsText(Pattern.compile("of 12,000 records kept"));
    sumbrel.kill();
    assertThat(told("many.csv")).containsText("The server cannot be reached; nothing was kept");

    sumbrel = sumbrel.again();
    // who was signed in is so still
    page.navigate(sumbrel.address());
    assertThat(page.getByLabel("Flow of the day")).isVisible();
    tile("Arrived").click();
    assertThat(intakes()).isVisible();
    assertThat(intakes()).not().containsText("many.csv");
    assertThat(tile("Arrived")).hasText(arrived);
    page.navigate(sumbrel.address() + "/tied-out/cent-trail");
    assertThat(page.getByText(Pattern.compile("every cent that arrived"))).isVisible();
    // it works on as before
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(intakes()).isVisible();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(told("larkstow-operating-2026-05-29.ofx")).containsText("37 new");
  }
}
