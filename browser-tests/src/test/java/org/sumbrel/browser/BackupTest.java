package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Everything in one file while people work; from it into an empty folder; and whether it is sound.
 */
class BackupTest extends FreshSumbrelTest {

  private static final Path CLI = Path.of("../cli/target/sumbrel-cli.jar").toAbsolutePath();

  private record Said(int status, String text) {}

  private static Said run(List<String> command) throws Exception {
    var process = new ProcessBuilder(command).redirectErrorStream(true).start();
    var text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return new Said(process.waitFor(), text);
  }

  private static Said restore(Path file, Path data) throws Exception {
    return run(
        List.of(
            "java", "-jar", CLI.toString(), "restore", file.toString(), "--data", data.toString()));
  }

  /** As bin/sumbrel check calls it: the folder is only read. */
  private static Said check(Path data) throws Exception {
    var command = new ArrayList<>(PreparedSumbrel.command());
    command.addAll(
        List.of(
            "--sumbrel.check=true",
            "--server.port=0",
            "--sumbrel.data=" + data,
            "--sumbrel.inbox=",
            "--spring.datasource.url=jdbc:h2:file:"
                + data.resolve("sumbrel")
                + ";ACCESS_MODE_DATA=r;IFEXISTS=TRUE",
            "--spring.flyway.enabled=false",
            "--logging.level.root=error"));
    return run(command);
  }

  @Test
  void isMadeWhileARunPostsAndRestoredAsOfOneMoment() throws Exception {
    signIn(page, "osric");
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(page.getByText("37 records, 37 new, 0 known already")).isVisible();
    // a run posts while the copy is made
    page.navigate(sumbrel.address() + "/posted/runs/new");
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post \\d+ ·")))
        .click();
    page.navigate(sumbrel.address() + "/settings/data");
    var download =
        page.waitForDownload(
            () ->
                page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("Back up now"))
                    .click());
    assertThat(download.suggestedFilename()).matches("sumbrel-backup-2026-05-29-\\d{4}\\.zip");
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("Check the books")).click();
    assertThat(page.getByText(Pattern.compile("All \\d+ rules hold"))).isVisible();

    var folder = Files.createTempDirectory("restored");
    var restored = restore(download.path(), folder);
    assertThat(restored.status()).as(restored.text()).isZero();
    assertThat(restore(download.path(), folder).text()).contains("not empty; nothing was touched");

    var checked = check(folder);
    assertThat(checked.status()).as(checked.text()).isZero();
    assertThat(checked.text())
        .containsPattern("holds +\\d+ +Every journal entry balances")
        .containsPattern("All \\d+ rules hold");

    // the restored books open, and are whole
    try (var again = RunningSumbrel.over(folder)) {
      // with the sessions in it too: whoever was at work goes on
      page.navigate(again.address() + "/tied-out/cent-trail");
      assertThat(page.getByText("The trail is whole")).isVisible();
    }
  }
}
