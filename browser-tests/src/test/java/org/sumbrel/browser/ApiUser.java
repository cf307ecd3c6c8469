package org.sumbrel.browser;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;

/** Somebody signed in at the API, without a browser. */
final class ApiUser {

  private static final String BOUNDARY = "sumbrel-tests";

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final String address;

  private ApiUser(String address) {
    this.address = address;
  }

  static ApiUser signIn(String address, String name) throws IOException {
    var user = new ApiUser(address);
    user.get("/api/welcome");
    user.post("/api/session", "{\"user\":\"%1$s\",\"password\":\"%1$s-demo\"}".formatted(name));
    return user;
  }

  JsonElement get(String path) throws IOException {
    return json(send("GET", path, "application/json", BodyPublishers.noBody()));
  }

  List<JsonObject> rows(String path) throws IOException {
    return get(path).getAsJsonObject().getAsJsonArray("rows").asList().stream()
        .map(JsonElement::getAsJsonObject)
        .toList();
  }

  JsonObject post(String path, String body) throws IOException {
    return json(send("POST", path, "application/json", BodyPublishers.ofString(body)))
        .getAsJsonObject();
  }

  JsonObject put(String path, String body) throws IOException {
    return json(send("PUT", path, "application/json", BodyPublishers.ofString(body)))
        .getAsJsonObject();
  }

  /** Imports a table as the interface does. */
  JsonObject drop(String name, String text) throws IOException {
    var head =
        "--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\nContent-Type: text/csv\r\n\r\n"
            .formatted(BOUNDARY, name);
    return json(send(
            "POST",
            "/api/intakes",
            "multipart/form-data; boundary=" + BOUNDARY,
            BodyPublishers.ofString(head + text + "\r\n--" + BOUNDARY + "--\r\n")))
        .getAsJsonObject();
  }

  byte[] bytes(String method, String path) throws IOException {
    return send(method, path, "application/json", BodyPublishers.noBody());
  }

  private static JsonElement json(byte[] body) {
    return JsonParser.parseString(new String(body, StandardCharsets.UTF_8));
  }

  /**
   * The answer's body.
   *
   * @throws IOException where none comes
   * @throws IllegalStateException where it is no success
   */
  private byte[] send(String method, String path, String type, BodyPublisher body)
      throws IOException {
    var token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElse("");
    var call =
        HttpRequest.newBuilder(URI.create(address + path))
            .timeout(Duration.ofMinutes(2))
            .header("Content-Type", type)
            .header("X-XSRF-TOKEN", token)
            .method(method, body)
            .build();
    try {
      var answer = http.send(call, BodyHandlers.ofByteArray());
      if (answer.statusCode() >= 300) {
        throw new IllegalStateException(
            method
                + " "
                + path
                + ": "
                + answer.statusCode()
                + " "
                + new String(answer.body(), StandardCharsets.UTF_8));
      }
      return answer.body();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException(e);
    }
  }
}
