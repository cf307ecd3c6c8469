package org.sumbrel.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** Somebody at the API, for tests to speak of in few words. */
public final class Clerk {

  private static final ObjectMapper JSON = new ObjectMapper();

  /** An answer: its status and its body. */
  public record Answer(int status, JsonNode body) {

    public String text(String path) {
      return body.at(path).asText();
    }
  }

  private final MockMvc web;
  private final String name;
  private final String role;
  private final Long[] companies;

  /**
   * Somebody.
   *
   * @param companies in which he works; none where it is in all
   */
  public Clerk(MockMvc web, String name, String role, Long... companies) {
    this.web = web;
    this.name = name;
    this.role = role;
    this.companies = companies;
  }

  /** A sign-in as the application keeps it. */
  public static RequestPostProcessor signedIn(String name, String role, Long... companies) {
    var kept = new ArrayList<GrantedAuthority>();
    kept.add(new SimpleGrantedAuthority("ROLE_" + role));
    for (var company : companies) {
      kept.add(new SimpleGrantedAuthority("COMPANY_" + company));
    }
    if (companies.length == 0) {
      kept.add(new SimpleGrantedAuthority("EVERY_COMPANY"));
    }
    return user(name).authorities(kept);
  }

  public static Clerk maren(MockMvc web) {
    return new Clerk(web, "maren", "CLERK");
  }

  public static Clerk osric(MockMvc web) {
    return new Clerk(web, "osric", "SUPERVISOR");
  }

  public Answer get(String path) {
    return answer(MockMvcRequestBuilders.get(path));
  }

  public Answer post(String path, String json) {
    return answer(
        MockMvcRequestBuilders.post(path).contentType(MediaType.APPLICATION_JSON).content(json));
  }

  public Answer post(String path, String json, String idempotencyKey) {
    return answer(
        MockMvcRequestBuilders.post(path)
            .contentType(MediaType.APPLICATION_JSON)
            .content(json)
            .header("Idempotency-Key", idempotencyKey));
  }

  public Answer put(String path, String json) {
    return answer(
        MockMvcRequestBuilders.put(path).contentType(MediaType.APPLICATION_JSON).content(json));
  }

  public Answer put(String path, String json, String seen) {
    return answer(
        MockMvcRequestBuilders.put(path)
            .contentType(MediaType.APPLICATION_JSON)
            .content(json)
            .header("If-Match", seen));
  }

  public Answer delete(String path) {
    return answer(MockMvcRequestBuilders.delete(path));
  }

  public Answer drop(String fileName, String text) {
    return drop(fileName, text, "");
  }

  public Answer drop(String fileName, String text, String query) {
    var file =
        new MockMultipartFile(
            "file", fileName, "application/octet-stream", text.getBytes(StandardCharsets.UTF_8));
    return answer(MockMvcRequestBuilders.multipart("/api/intakes" + query).file(file));
  }

  /** Sends a file to be looked at or kept, not to be taken in. */
  public Answer send(String path, String fileName, String text) {
    return send(path, fileName, text, "", "");
  }

  /** Sends a file with one more field of the form. */
  public Answer send(String path, String fileName, String text, String field, String value) {
    var call =
        MockMvcRequestBuilders.multipart(path)
            .file(
                new MockMultipartFile(
                    "file",
                    fileName,
                    "application/octet-stream",
                    text.getBytes(StandardCharsets.UTF_8)));
    return answer(field.isEmpty() ? call : call.param(field, value));
  }

  /**
   * The text of a file that a call saves which changes something; it may be written while it is
   * sent.
   */
  public String savedBy(String path, String json) {
    try {
      var result =
          web.perform(
                  MockMvcRequestBuilders.post(path)
                      .contentType(MediaType.APPLICATION_JSON)
                      .content(json)
                      .with(signedIn(name, role, companies))
                      .with(csrf()))
              .andReturn();
      if (result.getRequest().isAsyncStarted()) {
        result = web.perform(MockMvcRequestBuilders.asyncDispatch(result)).andReturn();
      }
      return result.getResponse().getContentAsString(StandardCharsets.UTF_8);
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  /** What stands on each account, whatever moved on it. */
  public List<String> balances() {
    var balances = new ArrayList<String>();
    for (var account : get("/api/trial-balance").body().at("/accounts")) {
      var debit = account.at("/debit/amount").asText();
      var credit = account.at("/credit/amount").asText();
      if (!debit.equals(credit)) {
        balances.add(account.at("/code").asText() + " " + debit + " " + credit);
      }
    }
    return balances;
  }

  /** The text of a file that is saved. */
  public String saved(String path) {
    try {
      return web.perform(MockMvcRequestBuilders.get(path).with(signedIn(name, role, companies)))
          .andReturn()
          .getResponse()
          .getContentAsString(StandardCharsets.UTF_8);
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  private Answer answer(AbstractMockHttpServletRequestBuilder<?> call) {
    try {
      ResultActions result = web.perform(call.with(signedIn(name, role, companies)).with(csrf()));
      var response = result.andReturn().getResponse();
      var text = response.getContentAsString(StandardCharsets.UTF_8);
      return new Answer(
          response.getStatus(), text.isEmpty() ? JSON.nullNode() : JSON.readTree(text));
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }
}
