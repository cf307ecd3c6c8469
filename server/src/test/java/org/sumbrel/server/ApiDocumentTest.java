package org.sumbrel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

@ApiTest
class ApiDocumentTest {

  private static final Path SNAPSHOT = Path.of("../docs/api/openapi.json");

  @Autowired private MockMvc web;

  /**
   * Run with {@code -Dapi.write=true} to renew the snapshot, from which the interface's types are
   * made.
   */
  @Test
  void isTheSnapshot() throws Exception {
    var answer =
        web.perform(get("/v3/api-docs").with(user("tolly").roles("AUDITOR")))
            .andReturn()
            .getResponse();
    var json = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
    var document = (ObjectNode) json.readTree(answer.getContentAsString(StandardCharsets.UTF_8));
    document.remove("servers");
    var text = json.writeValueAsString(document) + "\n";
    if (Boolean.getBoolean("api.write")) {
      Files.createDirectories(SNAPSHOT.getParent());
      Files.writeString(SNAPSHOT, text);
    }
    assertThat(SNAPSHOT).hasContent(text);
  }
}
