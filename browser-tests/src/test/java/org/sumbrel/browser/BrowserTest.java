package org.sumbrel.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType.LaunchOptions;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;

/** A headless Chromium with a fresh page for each test. */
abstract class BrowserTest {

  static final Path STATEMENT = Path.of("../examples/larkstow-operating-2026-05-29.ofx");

  private static Playwright playwright;
  private static Browser browser;

  final List<String> scriptFailures = new ArrayList<>();
  Page page;

  @BeforeAll
  static void openBrowser() {
    PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync",
                            "--no-first-run")));
  }

  @AfterAll
  static void closeBrowser() {
    playwright.close();
  }

  @BeforeEach
  void openPage() {
    page =
        browser
            .newContext(
                new Browser.NewContextOptions()
                    .setLocale("en-US")
                    .setColorScheme(ColorScheme.LIGHT)
                    .setViewportSize(1280, 800))
            .newPage();
    page.onPageError(scriptFailures::add);
  }

  @AfterEach
  void closePage() {
    page.context().close();
  }
}
