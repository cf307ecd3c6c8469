package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.Gson;
import com.google.gson.GsonBuilder;
import com.google.gson.ToNumberPolicy;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;

/** Work in an application that runs: by the page, and by the calls that the page makes. */
abstract class SumbrelTest extends BrowserTest {

  /** Identifiers are whole numbers. */
  private static final Gson JSON =
      new GsonBuilder().setObjectToNumberStrategy(ToNumberPolicy.LONG_OR_DOUBLE).create();

  abstract RunningSumbrel application();

  @AfterEach
  void noScriptFailed() {
    assertThat(scriptFailures).isEmpty();
  }

  /**
   * Signs in by the calls that the view of it makes, which {@link AccessibilityTest} and {@link
   * FirstDayTest} drive. No view is open after it.
   */
  void signIn(Page by, String name) {
    send(by, "GET", "/api/welcome", RequestOptions.create());
    send(
        by,
        "POST",
        "/api/session",
        RequestOptions.create().setData(Map.of("user", name, "password", name + "-demo")));
  }

  /** Signs in and opens the desk. */
  void signInAtTheDesk(Page by, String name) {
    signIn(by, name);
    by.navigate(application().address() + "/waiting/desk");
    assertThat(by.getByLabel("Flow of the day")).isVisible();
  }

  /** Calls the API as whoever is signed in there; the answer's JSON. */
  Object call(Page by, String method, String path, String json) {
    var options = RequestOptions.create();
    if (!json.isEmpty()) {
      options.setHeader("Content-Type", "application/json").setData(json);
    }
    return JSON.fromJson(send(by, method, path, options).text(), Object.class);
  }

  @SuppressWarnings("unchecked")
  List<Map<String, Object>> rows(Page by, String path) {
    return (List<Map<String, Object>>)
        ((Map<String, Object>) call(by, "GET", path, "")).get("rows");
  }

  /**
   * Brings a file by the same call that the view of intakes makes, which other tests drive: what is
   * tested here begins when it is in.
   */
  void drop(String name, String text, String done) {
    var query = name.startsWith("statement") ? "?bankAccount=" + operatingAccount() : "";
    var file =
        FormData.create()
            .set("file", new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8)));
    var answer =
        send(page, "POST", "/api/intakes" + query, RequestOptions.create().setMultipart(file));
    var taken = JSON.fromJson(answer.text(), Taken.class);
    assertThat(
            "%d record%s, %d new, %d known already"
                .formatted(
                    taken.records(), taken.records() == 1 ? "" : "s", taken.fresh(), taken.known()))
        .contains(done);
  }

  private record Taken(int records, int fresh, int known) {}

  private record Session(List<Company> companies) {}

  private record Company(List<Account> bankAccounts) {}

  private record Account(long id, String name) {}

  private long operatingAccount() {
    var answer = send(page, "GET", "/api/me", RequestOptions.create());
    return JSON.fromJson(answer.text(), Session.class).companies().get(0).bankAccounts().stream()
        .filter(account -> account.name().equals("Operating USD"))
        .findFirst()
        .orElseThrow()
        .id();
  }

  private APIResponse send(Page by, String method, String path, RequestOptions options) {
    options.setMethod(method);
    by.context().cookies(application().address()).stream()
        .filter(cookie -> cookie.name.equals("XSRF-TOKEN"))
        .map((Cookie cookie) -> cookie.value)
        .findFirst()
        .ifPresent(token -> options.setHeader("X-XSRF-TOKEN", token));
    var answer = by.context().request().fetch(application().address() + path, options);
    assertThat(answer.ok()).as("%s %s: %s", method, path, answer.text()).isTrue();
    return answer;
  }
}
