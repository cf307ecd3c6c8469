package org.sumbrel.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType.LaunchOptions;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;

/** A headless Chromium with a fresh page for each test. */
@ExtendWith(TellOfPages.class)
abstract class BrowserTest {

  static final Path EXAMPLES = Path.of("../examples");

  static final Path STATEMENT = Path.of("../examples/larkstow-operating-2026-05-29.ofx");

  /** A state is waited for, however slow the machine; only what never comes costs as much. */
  private static final int MOST_WAIT_MS = 90_000;

  /** One for all tests of a process: to unpack its driver and to start it takes seconds. */
  private static final Browser BROWSER = open();

  final List<String> scriptFailures = new ArrayList<>();
  Page page;

  /** The one without a window of its own, which starts and draws with far less work. */
  private static Path executable() {
    var headless = Path.of("/usr/bin/chromium-headless-shell");
    return Files.exists(headless) ? headless : Path.of("/usr/bin/chromium");
  }

  private static Browser open() {
    PlaywrightAssertions.setDefaultAssertionTimeout(MOST_WAIT_MS);
    var playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
    return playwright
        .chromium()
        .launch(
            new LaunchOptions()
                .setExecutablePath(executable())
                .setArgs(
                    List.of(
                        "--no-sandbox",
                        "--disable-gpu",
                        "--disable-background-networking",
                        "--disable-component-update",
                        "--disable-sync",
                        "--no-first-run")));
  }

  @BeforeEach
  void openPage() {
    page = anotherPage();
    page.onPageError(scriptFailures::add);
  }

  /** The page of somebody else, with cookies of its own. */
  static Page anotherPage() {
    var opened =
        BROWSER
            .newContext(
                new Browser.NewContextOptions()
                    .setLocale("en-US")
                    .setColorScheme(ColorScheme.LIGHT)
                    .setViewportSize(1280, 800))
            .newPage();
    opened.setDefaultTimeout(MOST_WAIT_MS);
    return opened;
  }

  @AfterEach
  void closePage() {
    page.context().close();
  }

  static Locator region(Page in, String name) {
    return in.getByRole(AriaRole.REGION, new GetByRoleOptions().setName(name).setExact(true));
  }

  Locator region(String name) {
    return region(page, name);
  }

  /** What is said of one file that was just dropped. */
  Locator told(String file) {
    return page.getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText(file));
  }

  record Dropped(String name, byte[] bytes) {
    static Dropped example(String name) throws IOException {
      return new Dropped(name, Files.readAllBytes(EXAMPLES.resolve(name)));
    }

    static Dropped text(String name, String text) {
      return new Dropped(name, text.getBytes(StandardCharsets.UTF_8));
    }
  }

  /** Drops the files on the page as a mouse would, all at once. */
  void drop(Dropped... files) {
    var all = new ArrayList<Map<String, String>>();
    for (var file : files) {
      all.add(
          Map.of("name", file.name(), "text", Base64.getEncoder().encodeToString(file.bytes())));
    }
    page.evaluate(
        """
        (files) => {
          const data = new DataTransfer();
          for (const { name, text } of files) {
            data.items.add(new File([Uint8Array.from(atob(text), (c) => c.charCodeAt(0))], name));
          }
          window.dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }));
        }
        """,
        all);
  }
}
