package org.sumbrel.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

@ApiTest
class AccessTest {

  private static final Set<String> OPEN =
      Set.of("GET /api/welcome", "POST /api/session", "POST /api/first-administrator");

  @Autowired private MockMvc web;
  @Autowired private Users users;

  private MockHttpServletResponse signIn(String name, String password) throws Exception {
    return web.perform(
            post("/api/session")
                .with(csrf())
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"user\":\"%s\",\"password\":\"%s\"}".formatted(name, password)))
        .andReturn()
        .getResponse();
  }

  @Test
  void letsInWhoKnowsThePassword() throws Exception {
    var answer = signIn("maren", "maren-demo");
    assertThat(answer.getStatus()).isEqualTo(200);
    assertThat(answer.getContentAsString())
        .contains("\"businessDate\":\"2026-05-29\"", "Larkstow Mill Ltd");
    assertThat(signIn("maren", "wrong").getStatus()).isEqualTo(401);
    assertThat(signIn("nobody", "wrong").getStatus()).isEqualTo(401);
  }

  @Test
  void waitsLongerAfterEachFailureOnceThereAreFour() throws Exception {
    users.add("locky", "Locky", "a long password", Role.CLERK);
    for (var n = 0; n < 4; n++) {
      assertThat(signIn("locky", "wrong").getStatus()).isEqualTo(401);
    }
    var locked = signIn("locky", "a long password");
    assertThat(locked.getStatus()).isEqualTo(409);
    assertThat(locked.getContentAsString()).contains("LOCKED", "seconds");
  }

  @Test
  void asksForTheTokenOnEveryChange() throws Exception {
    var answer =
        web.perform(
                post("/api/settlements/1/reversal")
                    .with(Clerk.signedIn("osric", "SUPERVISOR"))
                    .contentType(MediaType.APPLICATION_JSON)
                    .content("{\"reason\":\"x\"}"))
            .andReturn()
            .getResponse();
    assertThat(answer.getStatus()).isEqualTo(403);
    assertThat(answer.getContentAsString()).contains("NO_TOKEN", "XSRF-TOKEN");
  }

  @Test
  void makesAnAdministratorOnlyWhereThereIsNone() throws Exception {
    var answer =
        web.perform(
                post("/api/first-administrator")
                    .with(csrf())
                    .contentType(MediaType.APPLICATION_JSON)
                    .content(
                        "{\"user\":\"mallory\",\"fullName\":\"M\",\"password\":\"long enough\",\"code\":\"AAAA-BBBB-CCCC\"}"))
            .andReturn()
            .getResponse();
    assertThat(answer.getStatus()).isEqualTo(409);
  }

  @Test
  void sendsThePolicyThatForbidsForeignScripts() throws Exception {
    var policy =
        web.perform(get("/api/welcome"))
            .andReturn()
            .getResponse()
            .getHeader("Content-Security-Policy");
    assertThat(policy)
        .contains("default-src 'self'", "frame-ancestors 'none'")
        .doesNotContain("script-src");
  }

  /** What nothing has for its id: whose something is must not be what refuses a call. */
  private static final String NOBODYS = "987654321";

  /** Walks every call of the API's document with every role and with none. */
  @Test
  void holdsEveryCallToItsRoles() throws Exception {
    var document = new ObjectMapper().readTree(Path.of("../docs/api/openapi.json").toFile());
    var walked = 0;
    for (var path : document.at("/paths").properties()) {
      for (var call : path.getValue().properties()) {
        var method = HttpMethod.valueOf(call.getKey().toUpperCase(Locale.ROOT));
        var name = method + " " + path.getKey();
        if (OPEN.contains(name) || name.equals("DELETE /api/session")) {
          continue;
        }
        assertThat(status(method, path.getKey(), null)).as(name + " by nobody").isEqualTo(401);
        for (var role : Role.values()) {
          var refused = status(method, path.getKey(), role) == 403;
          assertThat(refused).as(name + " by " + role).isEqualTo(!may(role, method, path.getKey()));
        }
        walked++;
      }
    }
    assertThat(walked).isGreaterThan(15);
  }

  private static final List<String> SUPERVISORS =
      List.of(
          "/api/treatments(/order|/\\{id})?",
          "/api/house-rules/file",
          "/api/bank-accounts/\\{id}/opening",
          "/api/bank-accounts/\\{id}/tie-out/closing",
          "/api/tie-outs/\\{id}/reopening",
          "/api/closed-periods.*");

  private static final List<String> ADMINISTRATORS =
      List.of(
          "/api/companies.*",
          "/api/bank-accounts(/\\{id})?",
          "/api/chart.*",
          "/api/tax-codes.*",
          "/api/claim-reasons.*",
          "/api/number-ranges.*",
          "/api/settings-history.*");

  private static boolean may(Role role, HttpMethod method, String path) {
    if (path.startsWith("/api/users")) {
      return role == Role.ADMINISTRATOR;
    }
    if (path.startsWith("/api/unattended/days") && method == HttpMethod.POST) {
      return role == Role.SUPERVISOR;
    }
    if (method != HttpMethod.GET && SUPERVISORS.stream().anyMatch(path::matches)) {
      return role == Role.SUPERVISOR;
    }
    var decides = path.startsWith("/api/policies") || path.startsWith("/api/unattended");
    if (decides && method != HttpMethod.GET) {
      return role == Role.ADMINISTRATOR || role == Role.SUPERVISOR;
    }
    if (method != HttpMethod.GET && ADMINISTRATORS.stream().anyMatch(path::matches)) {
      return role == Role.ADMINISTRATOR;
    }
    if (path.equals("/api/backups")) {
      return role == Role.ADMINISTRATOR || role == Role.SUPERVISOR;
    }
    if (path.equals("/api/journal-exports/{id}/files")) {
      return role != Role.ADMINISTRATOR;
    }
    return method == HttpMethod.GET || role == Role.CLERK || role == Role.SUPERVISOR;
  }

  private int status(HttpMethod method, String path, Role role) throws Exception {
    // bodies are empty on purpose: whoever may call is told that something is missing, nothing is
    // changed
    var call =
        path.equals("/api/intakes") && method == HttpMethod.POST
            ? MockMvcRequestBuilders.multipart(path)
            : request(method, path.replaceAll("\\{[^}]+}", NOBODYS))
                .contentType(MediaType.APPLICATION_JSON)
                .content("{}");
    call.with(csrf());
    if (role != null) {
      call.with(Clerk.signedIn(role.name().toLowerCase(Locale.ROOT), role.name()));
    }
    return web.perform(call).andReturn().getResponse().getStatus();
  }
}
